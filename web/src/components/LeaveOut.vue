<script setup lang="ts">
// A step that may be left out is left out on purpose: with a reason, and knowing what is lost.
import type { Step } from '@yastik/core/procedure'
import { ref } from 'vue'
import { useJob } from '../stores/job.ts'
import Tap from '../kit/Tap.vue'
import TextField from '../kit/TextField.vue'
import Form from '../kit/Form.vue'
import Field from '../kit/Field.vue'
import { useMeasures } from '../measures/useMeasures.ts'
import { t } from '../words/words.ts'

const { say } = useMeasures()

const props = defineProps<{ unitId: string; step: Step }>()
const job = useJob()
const asking = ref(false)
const because = ref('')
async function leaveOut() {
  if (because.value.trim() === '') return
  await job.add(props.unitId, { type: 'step-skipped', stepId: props.step.id, because: because.value.trim() })
  asking.value = false
  because.value = ''
}
</script>

<template>
  <Tap v-if="!asking" bare data-leave-out @click="asking = true">{{ t('screen.work.leave-out') }}</Tap>
  <Form v-else @submit="leaveOut">
    <p>{{ t('screen.work.lost', { optional: say(step.optional ?? '') }) }}</p>
    <Field :label="t('screen.work.why-left-out')"><TextField v-model="because" name="left-out-because" maxlength="500" /></Field>
    <template #doings>
      <div class="row">
        <Tap type="submit" :off="because.trim() === '' ? t('screen.work.say-why') : ''">{{ t('screen.work.leave-out-2') }}</Tap>
        <Tap bare @click="asking = false">{{ t('screen.work.keep') }}</Tap>
      </div>
    </template>
  </Form>
</template>
