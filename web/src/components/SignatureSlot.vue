<script setup lang="ts">
// The customer signs on the screen, with a finger or a pen.
import SignaturePad from 'signature_pad'
import { onBeforeUnmount, onMounted, ref, useTemplateRef } from 'vue'
import { useJob } from '../stores/job.ts'
import TextField from '../kit/TextField.vue'
import Tap from '../kit/Tap.vue'
import Form from '../kit/Form.vue'
import Field from '../kit/Field.vue'
import { t } from '../words/words.ts'

const props = defineProps<{ unitId: string }>()
const job = useJob()
const sheet = useTemplateRef<HTMLCanvasElement>('sheet')
const name = ref('')
const isEmpty = ref(true)
const error = ref<unknown>()
let pad: SignaturePad | undefined

onMounted(() => {
  const canvas = sheet.value
  if (!canvas) return
  canvas.width = canvas.offsetWidth * devicePixelRatio
  canvas.height = canvas.offsetHeight * devicePixelRatio
  canvas.getContext('2d')?.scale(devicePixelRatio, devicePixelRatio)
  pad = new SignaturePad(canvas, { penColor: '#1b2a35', backgroundColor: '#ffffff' })
  pad.addEventListener('endStroke', () => (isEmpty.value = false))
})
onBeforeUnmount(() => pad?.off())
function clear() {
  pad?.clear()
  isEmpty.value = true
}
async function sign() {
  const canvas = sheet.value
  if (!canvas || isEmpty.value || name.value.trim() === '') return
  error.value = undefined
  try {
    const drawn = await new Promise<Blob | null>((done) => canvas.toBlob(done, 'image/png'))
    if (!drawn) throw new Error('this browser cannot keep the signature')
    await job.sign(props.unitId, new File([drawn], 'signature.png', { type: 'image/png' }), name.value.trim())
  } catch (caught) {
    error.value = caught
  }
}
</script>

<template>
  <Form class="no-print" data-signature :fault="error" @submit="sign">
    <canvas ref="sheet" class="sheet" :aria-label="t('screen.report.sign-here-finger-pen')" />
    <div class="row inline">
      <Field :label="t('screen.report.name-signs')"><TextField v-model="name" name="signer" maxlength="120" /></Field>
      <Tap type="submit" :off="isEmpty ? t('screen.report.sign-above') : name.trim() === '' ? t('screen.report.enter-name') : ''">{{
        t('screen.report.signed')
      }}</Tap>
      <Tap bare :off="isEmpty ? t('screen.report.nothing-drawn') : ''" @click="clear">{{ t('screen.report.again') }}</Tap>
    </div>
  </Form>
</template>

<style scoped>
.sheet {
  width: min(26rem, 100%);
  height: 8rem;
  border: var(--rule-width) solid var(--ink);
  background: #ffffff;
  touch-action: none;
}
</style>
