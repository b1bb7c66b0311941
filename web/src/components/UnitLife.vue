<script setup lang="ts">
// A unit's life on one line (D3): soil as it was found and left, the band in which it will grow, when it is due; and what other use would change.
import { allGrades } from '@yastik/core/quantities'
import { dueIndex, forecastOf, weeksPerYear, type Surrounding } from '@yastik/core/upkeep'
import type { LogEntry, UnitOutlook } from '@yastik/core/wire'
import { scaleLinear, scaleTime } from 'd3-scale'
import { computed, ref, useId } from 'vue'
import { serverNow } from '../api/clock.ts'
import LifeRows from './LifeRows.vue'
import NumberField from '../kit/NumberField.vue'
import Field from '../kit/Field.vue'
import Tick from '../kit/Tick.vue'
import { t } from '../words/words.ts'
import { dayWords, monthAloneWords, monthWords } from '../words/when.ts'

const props = defineProps<{ outlook: UnitOutlook; entries: readonly LogEntry[] }>()
const emit = defineEmits<{ open: [jobId: string] }>()
const hatch = useId()
const width = 1080
const height = 300
const frame = { left: 84, right: 20, top: 16, bottom: 40 }
const yearMs = 365.25 * 86_400_000
/** The line ends so long after today. */
const aheadMs = 2 * yearMs
const bandPoints = 40

const hours = ref<number | undefined>(props.outlook.hoursPerDay)
/** What is no number of hours changes nothing. */
const hoursMeant = computed(() => {
  const value = hours.value
  return value !== undefined && value > 0 && value <= 24 ? value : props.outlook.hoursPerDay
})
const kitchen = ref(props.outlook.surroundings.includes('kitchen'))
const monthly = ref(false)
const asIs = computed(() => ({ surroundings: props.outlook.surroundings, hoursPerDay: props.outlook.hoursPerDay }))
const whatIf = computed(() => {
  const around: Surrounding[] = props.outlook.surroundings.filter((name) => name !== 'kitchen')
  return { surroundings: kitchen.value ? [...around, 'kitchen' as const] : around, hoursPerDay: hoursMeant.value, filterWashedMonthly: monthly.value }
})
const isChanged = computed(
  () => monthly.value || hoursMeant.value !== props.outlook.hoursPerDay || kitchen.value !== props.outlook.surroundings.includes('kitchen'),
)
const nowMs = serverNow()
const threshold = computed(() => Math.min(dueIndex.value, props.outlook.lossIndex))
const forecastWith = (use: Parameters<typeof forecastOf>[2]) =>
  forecastOf(props.outlook.visits, nowMs / yearMs, use, props.outlook.rates, { threshold: threshold.value, learnedUnder: asIs.value })
const plain = computed(() => forecastWith(asIs.value))
const shown = computed(() => (isChanged.value ? forecastWith(whatIf.value) : plain.value))

const visits = computed(() => props.outlook.visits.map((visit) => ({ ...visit, ms: new Date(visit.at).getTime() })))
const x = computed(() =>
  scaleTime()
    .domain([(visits.value[0]?.ms ?? nowMs) - 0.1 * yearMs, nowMs + aheadMs])
    .range([frame.left, width - frame.right]),
)
const y = scaleLinear()
  .domain([0, 4])
  .clamp(true)
  .range([height - frame.bottom, frame.top])
const at = (ms: number, index: number) => `${x.value(ms).toFixed(1)},${y(index).toFixed(1)}`
/** Found, left, found, left … and to today. */
const past = computed(() => visits.value.map(({ ms, found, left }, index) => `${index === 0 ? 'M' : 'L'}${at(ms, found)}L${at(ms, left)}`).join(''))
/** Weeks from today: from the last visit on. */
const ahead = computed(() => {
  const from = (((visits.value.at(-1)?.ms ?? nowMs) - nowMs) / yearMs) * weeksPerYear
  const to = (aheadMs / yearMs) * weeksPerYear
  return Array.from({ length: bandPoints + 1 }, (_, step) => from + (step / bandPoints) * (to - from))
})
const msAfter = (weeks: number) => nowMs + (weeks / weeksPerYear) * yearMs
const line = (share: number) => ahead.value.map((weeks) => ({ ms: msAfter(weeks), index: shown.value.indexAfter(weeks, share) }))
const band = computed(() => {
  if (visits.value.length === 0) return undefined
  const [low, middle, high] = [line(0.1), line(0.5), line(0.9)]
  const path = (points: typeof low) => points.map(({ ms, index }) => at(ms, index)).join('L')
  return { area: `M${path(high)}L${path([...low].reverse())}Z`, middle: `M${path(middle)}` }
})
const dueMs = computed(() => msAfter(shown.value.dueWeeks))
const day = (weeks: number) => monthWords(msAfter(weeks))
const says = computed(() => {
  if (visits.value.length === 0) return t('screen.sites.no-visit-graded-yet-nothing')
  const { dueWeeks, lowWeeks, highWeeks } = shown.value
  const chance = Math.round(shown.value.chanceAfter(0) * 100)
  if (dueWeeks === 0) return t('screen.sites.due-now-passed-point-cleaning', { chance })
  return t('screen.sites.due-about-between-today-passed', { day: day(dueWeeks), day2: day(lowWeeks), day3: day(highWeeks), chance })
})
const change = computed(() => {
  if (!isChanged.value) return ''
  const weeks = Math.round(shown.value.dueWeeks - plain.value.dueWeeks)
  return weeks === 0
    ? t('screen.sites.no-other-date')
    : weeks < 0
      ? t('screen.sites.weeks-sooner', { weeks: -weeks })
      : t('screen.sites.weeks-later', { weeks })
})
const entryFor = (jobId: string) => props.entries.find((entry) => entry.jobId === jobId)
</script>

<template>
  <section class="stack" data-unit-life>
    <p class="lead" data-due-says>{{ says }}</p>
    <div class="scroll" tabindex="0" role="region" :aria-label="t('screen.sites.units-life-one-line-scrolls')">
      <svg :viewBox="`0 0 ${width} ${height}`" role="img" :aria-label="says">
        <defs>
          <pattern :id="hatch" width="9" height="9" patternUnits="userSpaceOnUse" patternTransform="rotate(38)">
            <line x1="0" y1="0" x2="0" y2="9" class="hatch" />
          </pattern>
        </defs>
        <g v-for="grade in allGrades" :key="grade">
          <line :x1="frame.left" :x2="width - frame.right" :y1="y(grade)" :y2="y(grade)" class="rule" />
          <text :x="frame.left - 8" :y="y(grade) + 5" text-anchor="end">{{ grade }} {{ t(`names.grade.${grade}`) }}</text>
        </g>
        <g v-for="tick in x.ticks(8)" :key="tick.getTime()">
          <line :x1="x(tick)" :x2="x(tick)" :y1="height - frame.bottom" :y2="height - frame.bottom + 6" class="ink" />
          <text :x="x(tick)" :y="height - frame.bottom + 22" text-anchor="middle">
            {{ tick.getMonth() === 0 ? tick.getFullYear() : monthAloneWords(tick) }}
          </text>
        </g>
        <line :x1="frame.left" :x2="width - frame.right" :y1="y(threshold)" :y2="y(threshold)" class="threshold" />
        <template v-if="band">
          <path :d="band.area" :fill="`url(#${hatch})`" data-band />
          <path :d="band.middle" class="middle" />
        </template>
        <path :d="past" class="past" />
        <g v-for="visit in visits" :key="visit.jobId" class="visit" @click="emit('open', visit.jobId)">
          <circle :cx="x(visit.ms)" :cy="y(visit.found)" r="6" />
          <title>
            {{
              t('screen.sites.found', {
                ms: dayWords(visit.ms),
                found: visit.found,
                grade: t(`names.grade.${visit.found}`),
                by: entryFor(visit.jobId) ? `, ${entryFor(visit.jobId)!.by}` : '',
              })
            }}
          </title>
        </g>
        <line :x1="x(nowMs)" :x2="x(nowMs)" :y1="frame.top" :y2="height - frame.bottom" class="today" />
        <text :x="x(nowMs) + 5" :y="frame.top + 10">{{ t('screen.sites.today') }}</text>
        <g v-if="band && dueMs < nowMs + aheadMs" data-due-mark>
          <line :x1="x(dueMs)" :x2="x(dueMs)" :y1="y(threshold)" :y2="height - frame.bottom" class="due" />
          <text :x="x(dueMs) + 5" :y="height - frame.bottom - 8" class="now">{{ t('screen.sites.due-2') }}</text>
        </g>
      </svg>
      <LifeRows :visits="outlook.visits" :x="x" :width="width" :right="width - frame.right" :now-ms="nowMs" @open="emit('open', $event)" />
    </div>
    <p class="small">
      {{ t('screen.sites.hatched-band-holds-eight-times', { dueIndex: dueIndex.value, units: outlook.rates.units }) }}
    </p>
    <fieldset v-if="visits.length > 0" class="row">
      <legend>{{ t('screen.sites.if') }}</legend>
      <Field class="hours" :label="t('screen.sites.hours-day')"><NumberField v-model="hours" name="what-if-hours" /></Field>
      <Tick v-model="kitchen" name="what-if-kitchen">{{ t('screen.sites.kitchen-nearby') }}</Tick>
      <Tick v-model="monthly" name="what-if-monthly">{{ t('screen.sites.filter-washed-every-month') }}</Tick>
      <b v-if="change" data-what-if>{{ change }}</b>
    </fieldset>
  </section>
</template>

<style scoped>
.lead {
  font-size: 1.2rem;
}
.scroll {
  overflow-x: auto;
}
svg {
  min-width: 46rem;
  width: 100%;
  font-size: 14px;
}
text {
  fill: var(--ink);
}
.rule {
  stroke: var(--rule);
  stroke-width: 0.7;
}
.ink,
.past {
  stroke: var(--ink);
  fill: none;
}
.past {
  stroke-width: 2.2;
}
.hatch {
  stroke: var(--ink);
  stroke-width: 1.4;
  stroke-opacity: 0.55;
}
.middle {
  stroke: var(--ink);
  stroke-width: 2;
  stroke-dasharray: 2 4;
  fill: none;
}
.threshold {
  stroke: var(--now);
  stroke-width: 1.6;
  stroke-dasharray: 9 5;
}
.today {
  stroke: var(--ink);
  stroke-dasharray: 1 4;
}
.due {
  stroke: var(--now);
  stroke-width: 3;
}
.now {
  fill: var(--now);
  font-weight: 600;
}
.visit {
  cursor: pointer;
}
.visit circle {
  fill: var(--paper);
  stroke: var(--ink);
  stroke-width: 2.4;
}
fieldset {
  border: var(--rule-width) solid var(--rule);
  padding: 0.4rem 1rem 0.8rem;
  align-items: end;
}
.hours {
  width: 7rem;
}
</style>
