<script setup lang="ts">
// What is on today, what is left over, and what comes next.
import { endpoints, type JobCard } from '@yastik/core/wire'
import dayjs from 'dayjs'
import { computed, ref } from 'vue'
import FaultNote from '../kit/FaultNote.vue'
import JobSheet from '../components/JobSheet.vue'
import { askOrKept, clearShelf, fetchAhead } from '../offline/shelf.ts'
import { useJob } from '../stores/job.ts'
import Tap from '../kit/Tap.vue'

useJob().close()
const day = dayjs().format('YYYY-MM-DD')
const jobs = ref<{ today: JobCard[]; coming: JobCard[] }>({ today: [], coming: [] })
const fromDevice = ref(false)
const error = ref<unknown>()
async function load() {
  error.value = undefined
  try {
    const { answer, kept } = await askOrKept(endpoints.today, { query: { day } })
    jobs.value = answer
    fromDevice.value = kept
    // Everything for today is on the device before anybody goes where there is no signal.
    if (!kept) void clearShelf().then(() => fetchAhead(answer.today.map(({ id }) => id)))
  } catch (caught) {
    error.value = caught
  }
}
await load()
const due = computed(() => jobs.value.today.filter(({ onDate }) => onDate === day))
const left = computed(() => jobs.value.today.filter(({ onDate }) => onDate < day))
</script>

<template>
  <div class="page stack">
    <div class="spread">
      <h1>{{ dayjs(day).format('dddd, D MMMM YYYY') }}</h1>
      <div class="row">
        <Tap to="/stores/load">The day’s load</Tap>
        <Tap to="/sites">Plan a visit from a site</Tap>
      </div>
    </div>
    <FaultNote :error="error" />
    <p v-if="fromDevice" role="status" data-from-device>No signal: this is what the server said last. Work goes on; it is sent when there is one.</p>
    <p v-if="!error && due.length === 0">Nothing is planned for today. Open a site, choose its units, and plan a visit.</p>
    <JobSheet v-for="job in due" :key="job.id" :job="job" @changed="load" />
    <template v-if="left.length > 0"
      ><h2 class="ruled-top">Left open</h2>
      <JobSheet v-for="job in left" :key="job.id" :job="job" @changed="load"
    /></template>
    <template v-if="jobs.coming.length > 0"
      ><h2 class="ruled-top">Coming</h2>
      <JobSheet v-for="job in jobs.coming" :key="job.id" :job="job" @changed="load"
    /></template>
  </div>
</template>
