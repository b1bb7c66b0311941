<script setup lang="ts">
// The crew's day: all units of the visit that were looked over, from now on; who does what, what sets the end, what would shorten it.
import { partNames, type CrewDay, type FaultLine, type UnitSteps } from '@yastik/core'
import { computed, onBeforeUnmount, ref, shallowRef, watch } from 'vue'
import { RouterLink } from 'vue-router'
import CrewTimeline from '../components/CrewTimeline.vue'
import { useJob } from '../stores/job.ts'
import type { CrewDayAnswer, CrewDayAsked } from '../workers/crewDay.worker.ts'

defineProps<{ jobId: string; unitId: string }>()
const job = useJob()
const units = shallowRef<UnitSteps[]>([])
const day = shallowRef<CrewDay>()
const faults = ref<{ sentence: string; lines: readonly FaultLine[] }>()
const people = computed(() => job.record?.crew.map(({ name }) => name) ?? [])
const letterOf = (id: string) => String.fromCharCode(65 + units.value.findIndex((unit) => unit.id === id))
const nameOf = (id: string) => job.unitFor(id)?.name ?? id
const missing = computed(() =>
  (job.record?.unitIds ?? []).filter((id) => !units.value.some((unit) => unit.id === id) && !job.stateFor(id).handedOver),
)

const worker = new Worker(new URL('../workers/crewDay.worker.ts', import.meta.url), { type: 'module' })
worker.onmessage = ({ data }: MessageEvent<CrewDayAnswer>) => {
  if ('day' in data) [day.value, faults.value] = [data.day, undefined]
  else [day.value, faults.value] = [undefined, data]
}
onBeforeUnmount(() => worker.terminate())

function compute() {
  units.value = job.visitSteps(Date.now())
  day.value = undefined
  if (units.value.length === 0) return
  const asked: CrewDayAsked = {
    units: units.value,
    crew: (job.record?.crew ?? []).map(({ name, trained }) => ({ name, ...(trained ? { trained } : {}) })),
    equipment: job.record?.equipment ?? [],
  }
  // What is reactive cannot be sent to a worker: a plain copy.
  worker.postMessage(JSON.parse(JSON.stringify(asked)))
}
watch(() => job.events.length, compute, { immediate: true })

const first = computed(() =>
  people.value.map((person) => {
    const task = day.value?.timeline.tasks.find(({ who }) => who.includes(person))
    const step = task && units.value.find(({ id }) => id === task.unitId)?.steps.find(({ id }) => id === task.step)
    return { person, task, step }
  }),
)
const hours = (minutes: number) => `${Math.floor(minutes / 60)} h ${String(Math.round(minutes % 60)).padStart(2, '0')}`
</script>

<template>
  <div class="stack" data-crew-day>
    <h2>The crew’s day, from now on</h2>
    <p v-if="units.length === 0">
      Nothing was looked over yet. <RouterLink :to="{ name: 'look-over', params: { jobId, unitId } }">Grade the first unit</RouterLink>, and its work
      is put in time here.
    </p>
    <div v-else-if="faults" role="alert" class="stack">
      <p>
        <b>{{ faults.sentence }}</b>
      </p>
      <ul>
        <li v-for="line in faults.lines" :key="line.where">{{ line.where }}: {{ line.what }}. Allowed: {{ line.allowed }}</li>
      </ul>
    </div>
    <p v-else-if="!day" role="status">Putting {{ units.length === 1 ? 'one unit' : `${units.length} units` }} in order …</p>
    <template v-else>
      <div class="figures" data-day-figures>
        <div>
          <span class="figure">{{ hours(day.timeline.finishMin) }}<small>by these people</small></span>
        </div>
        <div>
          <span class="figure">{{ hours(day.timeline.lowerBoundMin) }}<small>no order is shorter</small></span>
        </div>
        <div>
          <span class="figure">{{ units.length }}<small>units</small></span>
        </div>
      </div>
      <CrewTimeline :day="day" :units="units" :people="people" :letter-of="letterOf" />
      <div class="three">
        <section>
          <h3>Next, each</h3>
          <ul class="plain">
            <li v-for="{ person, task, step } in first" :key="person">
              <b>{{ person }}</b>:
              <template v-if="task && step"
                >{{ nameOf(task.unitId) }} — {{ step.title }}<small v-if="step.part"> ({{ partNames[step.part] }})</small></template
              ><template v-else>nothing to do</template>
            </li>
          </ul>
        </section>
        <section>
          <h3>Units</h3>
          <ul class="plain">
            <li v-for="unit in units" :key="unit.id">
              <b class="letter">{{ letterOf(unit.id) }}</b>
              <RouterLink :to="{ name: 'method', params: { jobId, unitId: unit.id } }">{{ nameOf(unit.id) }}</RouterLink>
            </li>
          </ul>
          <p v-if="missing.length > 0" class="small">Not looked over yet, so not counted: {{ missing.map(nameOf).join(', ') }}.</p>
        </section>
        <section>
          <h3>What would shorten it</h3>
          <p v-if="day.gains.length === 0">Neither one more person nor more equipment: waits set the end.</p>
          <ul v-else class="plain" data-gains>
            <li v-for="gain in day.gains" :key="gain.what">
              <b>−{{ gain.savesMin }} min</b> {{ gain.what }}
            </li>
          </ul>
          <p class="small">What sets the end is drawn dark: a minute lost there is a minute lost to all.</p>
        </section>
      </div>
    </template>
  </div>
</template>

<style scoped>
.three {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(16rem, 1fr));
  gap: 1.4rem 2rem;
}
.letter {
  margin-right: 0.6rem;
}
.three li {
  border-bottom: var(--rule-width) solid var(--rule);
  padding: 0.3rem 0;
}
</style>
