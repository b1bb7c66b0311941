<script setup lang="ts">
// A visit on another day, with other people, or not at all.
import type { CrewRecord, JobCard } from '@yastik/core'
import { ref } from 'vue'
import { ask } from '../api/client.ts'
import CrewPick from './CrewPick.vue'
import FaultNote from './FaultNote.vue'

const props = defineProps<{ job: JobCard }>()
const emit = defineEmits<{ changed: []; close: [] }>()
const onDate = ref(props.job.onDate)
const crewIds = ref<number[]>([...props.job.crewIds])
const crew = ref<CrewRecord[]>([])
const sure = ref(false)
const error = ref<unknown>()
try {
  crew.value = await ask<CrewRecord[]>('GET', '/api/crew')
} catch (caught) {
  error.value = caught
}
async function change(method: 'PUT' | 'POST', path: string, body: object) {
  error.value = undefined
  try {
    await ask(method, `/api/jobs/${props.job.id}${path}`, { ...body, revision: props.job.revision })
    emit('changed')
  } catch (caught) {
    error.value = caught
  }
}
</script>

<template>
  <div class="move" data-job-move>
    <label class="field"><span>Day</span><input v-model="onDate" type="date" class="line" name="move-to" /></label>
    <CrewPick v-model="crewIds" :crew="crew" />
    <button class="tap now" :disabled="crewIds.length === 0 || onDate === ''" data-move-it @click="change('PUT', '', { onDate, crewIds })">
      Save
    </button>
    <button v-if="!sure" class="tap" data-cancel @click="sure = true">Cancel the visit</button>
    <button v-else class="tap" data-cancel-sure @click="change('POST', '/cancel', {})">Yes, nobody goes there</button>
    <button class="tap bare" @click="emit('close')">Leave it</button>
    <FaultNote :error="error" />
  </div>
</template>

<style scoped>
.move {
  display: flex;
  flex-wrap: wrap;
  gap: 0.8rem;
  align-items: end;
  border-top: var(--rule-width) solid var(--rule);
  padding: 0.6rem 0;
}
.move .line {
  min-width: 10rem;
}
</style>
