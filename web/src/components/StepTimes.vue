<script setup lang="ts">
// Start values of step times against the firm's own finished runs: what they say, and taking it over.
import type { HouseRules } from '@yastik/core/method'
import { endpoints, type StepTimesRecord } from '@yastik/core/wire'
import { computed, ref, shallowRef } from 'vue'
import { ask } from '../api/client.ts'
import FaultNote from './FaultNote.vue'

const props = defineProps<{ inUse: NonNullable<HouseRules['stepTimes']> }>()
const emit = defineEmits<{ use: [factors: NonNullable<HouseRules['stepTimes']>] }>()
const record = shallowRef<StepTimesRecord>()
const error = ref<unknown>()
const busy = ref(false)

async function look() {
  error.value = undefined
  busy.value = true
  try {
    record.value = await ask(endpoints.stepTimes)
  } catch (caught) {
    error.value = caught
  } finally {
    busy.value = false
  }
}
const moved = computed(() => record.value?.steps.filter(({ factor, stepId }) => factor !== 1 || props.inUse[stepId] !== undefined) ?? [])
const percent = (factor: number | undefined) =>
  factor === undefined || factor === 1 ? 'as it is' : `${factor > 1 ? '+' : '−'}${Math.abs(Math.round((factor - 1) * 100))} %`
const use = () => emit('use', Object.fromEntries(moved.value.flatMap(({ stepId, factor }) => (factor === 1 ? [] : [[stepId, factor]]))))
</script>

<template>
  <section class="stack ruled-top" data-step-times>
    <h2>Step times from your own runs</h2>
    <p>
      Plans start from estimates. Finished runs say how long steps take your people; pauses are taken out, and a tap in passing or a day in a pocket
      does not count. {{ Object.keys(inUse).length > 0 ? `${Object.keys(inUse).length} steps are corrected now.` : 'No step is corrected yet.' }}
    </p>
    <div class="row">
      <button class="tap" :disabled="busy" data-look-through @click="look">
        {{ busy ? 'Looking through them …' : 'Look through finished runs' }}
      </button>
      <button v-if="Object.keys(inUse).length > 0" class="tap bare" data-back-to-start @click="emit('use', {})">Back to the estimates</button>
    </div>
    <FaultNote :error="error" />
    <template v-if="record">
      <p v-if="moved.length === 0" role="status">{{ record.units }} units were looked through: nothing that would move an estimate.</p>
      <template v-else>
        <table class="ledger">
          <thead>
            <tr>
              <th>Step</th>
              <th class="number">Runs</th>
              <th class="number">Set aside</th>
              <th class="number">Now</th>
              <th class="number">By your runs</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="entry in moved" :key="entry.stepId" :data-step-time="entry.stepId">
              <td>{{ entry.title }}</td>
              <td class="number">{{ entry.runs }}</td>
              <td class="number">{{ entry.setAside }}</td>
              <td class="number">{{ percent(inUse[entry.stepId]) }}</td>
              <td class="number">
                <b>{{ percent(entry.factor) }}</b>
              </td>
            </tr>
          </tbody>
        </table>
        <button class="tap now" data-use-times @click="use">Plan with these from now on</button>
      </template>
    </template>
  </section>
</template>
