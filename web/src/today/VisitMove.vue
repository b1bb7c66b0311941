<script setup lang="ts">
// A visit on another day, at another time, with other people, or not at all; and what that makes of the rest of the day.
import { dayStops } from '@yastik/core/rounds'
import { endpoints, type JobCard } from '@yastik/core/wire'
import { computed, ref } from 'vue'
import { ask } from '../api/client.ts'
import { useAsked, useDoing } from '../api/useServer.ts'
import CrewPick from '../components/CrewPick.vue'
import TimePick from '../components/TimePick.vue'
import DayField from '../kit/DayField.vue'
import Drawer from '../kit/Drawer.vue'
import FaultNote from '../kit/FaultNote.vue'
import Field from '../kit/Field.vue'
import Tap from '../kit/Tap.vue'
import { usePlace } from '../measures/usePlace.ts'
import { serverNow } from '../api/clock.ts'
import DayEffect from './DayEffect.vue'
import { minuteOn, visitOf } from './reckon.ts'
import { missingForVisit } from '../components/visitMissing.ts'
import { t } from '../words/words.ts'

const props = defineProps<{ job: JobCard }>()
const emit = defineEmits<{ changed: []; close: [] }>()
const place = usePlace()
const isOpen = ref(true)
const onDate = ref(props.job.onDate)
const startMin = ref(props.job.startMin)
const crewIds = ref<number[]>([...props.job.crewIds])
const people = useAsked(endpoints.crew, () => ({}))
const crew = computed(() => people.said.value ?? [])
const sure = ref(false)
/** What keeps it from being saved. */
const missing = computed(() => missingForVisit(crewIds.value, onDate.value))
const doing = useDoing()
async function change(how: (job: { params: { id: string }; revision: number }) => Promise<unknown>) {
  if (await doing.run(() => how({ params: { id: props.job.id }, revision: props.job.revision }))) emit('changed')
}
const move = () =>
  change(({ params, revision }) =>
    ask(endpoints.moveJob, { params, body: { onDate: onDate.value, startMin: startMin.value, crewIds: crewIds.value, revision } }),
  )
const cancel = () => change(({ params, revision }) => ask(endpoints.cancelJob, { params, body: { revision } }))

// The day as it is, and as it would be.
const thatDay = useAsked(endpoints.today, () => (onDate.value === '' ? undefined : { query: { day: onDate.value } }))
const outlook = useAsked(endpoints.dayOutlook, () => (onDate.value === '' ? undefined : { query: { day: onDate.value } }))
const own = useAsked(endpoints.dayOutlook, () => ({ query: { day: props.job.onDate } }))
const error = computed(() => doing.error.value ?? people.error.value ?? thatDay.error.value ?? outlook.error.value)
const nowMin = computed(() => minuteOn(onDate.value, serverNow(), place))
const rows = computed(() => {
  if (!thatDay.said.value || !outlook.said.value || !own.said.value) return undefined
  const known = new Map([...own.said.value.visits, ...outlook.said.value.visits].map((visit) => [visit.jobId, visit]))
  const there = [...thatDay.said.value.today, ...thatDay.said.value.coming].filter((job) => job.onDate === onDate.value && !job.cancelled)
  const visits = (jobs: readonly JobCard[]) => jobs.map((job) => visitOf(job, known.get(job.id), onDate.value, place))
  const before = new Map(dayStops(visits(there), nowMin.value).map((stop) => [stop.id, stop]))
  const moved = { ...props.job, onDate: onDate.value, startMin: startMin.value, crewIds: crewIds.value }
  const all = [...there.filter(({ id }) => id !== props.job.id), moved]
  const names = new Map(all.map(({ id, siteName }) => [id, siteName]))
  const theirs = new Set(
    all.filter((job) => job.crewIds.some((id) => crewIds.value.includes(id) || props.job.crewIds.includes(id))).map(({ id }) => id),
  )
  return dayStops(visits(all), nowMin.value)
    .filter(({ id }) => theirs.has(id))
    .map((after) => ({ id: after.id, name: names.get(after.id) ?? '', isOwn: after.id === props.job.id, before: before.get(after.id), after }))
})
</script>

<template>
  <Drawer v-model="isOpen" :title="job.siteName" @closed="emit('close')">
    <div class="stack" data-job-move>
      <div class="row">
        <Field :label="t('screen.today.day')"><DayField v-model="onDate" name="move-to" /></Field>
        <Field :label="t('screen.today.begins')"><TimePick v-model="startMin" name="move-at" /></Field>
      </div>
      <Field :label="t('screen.frame.goes')"><CrewPick v-model="crewIds" :crew="crew" /></Field>
      <section :aria-label="t('screen.today.day-then')">
        <h3>{{ t('screen.today.day-then') }}</h3>
        <p v-if="!rows" role="status">{{ t('screen.today.reckoning') }}</p>
        <DayEffect v-else :rows="rows" />
      </section>
      <FaultNote :error="error" />
      <div class="row">
        <Tap now :off="missing" :disabled="doing.busy.value" data-move-it @click="move">{{ t('screen.today.save') }}</Tap>
        <Tap @click="isOpen = false">{{ t('screen.today.leave') }}</Tap>
      </div>
      <p class="ruled-top">
        <Tap v-if="!sure" data-cancel @click="sure = true">{{ t('screen.today.cancel-visit') }}</Tap>
        <Tap v-else data-cancel-sure @click="cancel">{{ t('screen.today.yes-nobody-goes') }}</Tap>
      </p>
    </div>
  </Drawer>
</template>
