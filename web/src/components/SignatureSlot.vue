<script setup lang="ts">
// The customer signs on the screen, with a finger or a pen.
import SignaturePad from 'signature_pad'
import { onBeforeUnmount, onMounted, ref, useTemplateRef } from 'vue'
import { useJob } from '../stores/job.ts'
import FaultNote from './FaultNote.vue'

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
  <form class="stack no-print" data-signature @submit.prevent="sign">
    <canvas ref="sheet" class="sheet" aria-label="Sign here with a finger or a pen" />
    <div class="row">
      <input v-model="name" class="line" name="signer" maxlength="120" placeholder="Name of who signs" aria-label="Name of who signs" />
      <button class="tap" type="submit" :disabled="isEmpty || name.trim() === ''">Signed</button>
      <button class="tap bare" type="button" :disabled="isEmpty" @click="clear">Again</button>
    </div>
    <FaultNote :error="error" />
  </form>
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
