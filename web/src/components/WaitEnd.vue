<script setup lang="ts">
// A wait that somebody may end: by a hand that says it is dry, or by the owner's written word.
import type { RunningWait } from '@yastik/core/run'
import { computed, ref } from 'vue'
import { useJob } from '../stores/job.ts'
import { useSession } from '../stores/session.ts'
import Tap from '../kit/Tap.vue'
import TextField from '../kit/TextField.vue'
import Form from '../kit/Form.vue'
import Field from '../kit/Field.vue'
import { t } from '../words/words.ts'

const props = defineProps<{ unitId: string; wait: RunningWait }>()
const job = useJob()
const session = useSession()
const may = computed(() => (props.wait.phase === 'soaking' ? props.wait.step.mayEndEarly : undefined))
const isOwner = computed(() => session.me?.role === 'owner')
const asking = ref(false)
const text = ref('')
const feelDry = () => job.add(props.unitId, { type: 'wait-ended', stepId: props.wait.step.id, said: 'dry-to-the-touch' })
async function shorten() {
  if (text.value.trim() === '') return
  await job.add(props.unitId, { type: 'wait-shortened', stepId: props.wait.step.id, text: text.value.trim() })
  asking.value = false
  text.value = ''
}
</script>

<template>
  <div v-if="may" class="row" data-wait-end>
    <Tap v-if="may === 'dry-to-the-touch'" data-dry-to-the-touch @click="feelDry">{{ t('screen.work.dry-touch') }}</Tap>
    <template v-else-if="isOwner">
      <Tap v-if="!asking" data-shorten @click="asking = true">{{ t('screen.work.shorten-wait-writing') }}</Tap>
      <Form v-else inline @submit="shorten">
        <Field :label="t('screen.work.why-may-shorter')"><TextField v-model="text" name="shorten" maxlength="500" /></Field>
        <Tap type="submit" :off="text.trim() === '' ? t('screen.work.say-why') : ''">{{ t('screen.work.put-record') }}</Tap>
        <Tap bare @click="asking = false">{{ t('screen.work.no') }}</Tap>
      </Form>
    </template>
    <p v-else class="small">{{ t('screen.work.only-owner-shortens-wait-writing') }}</p>
  </div>
</template>
