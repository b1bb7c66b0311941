<script setup lang="ts">
// What each way costs over the years (D3): a step each time a unit needs it again.
import { returnsOf, type QuoteOption } from '@yastik/core/plan'
import { weeksPerYear } from '@yastik/core/upkeep'
import { wayLetter } from '@yastik/core/wire'
import { scaleLinear } from 'd3-scale'
import { computed } from 'vue'
import { usePlace } from '../measures/usePlace.ts'
import { t } from '../words/words.ts'

const props = defineProps<{ options: readonly QuoteOption[]; toPay: (option: QuoteOption) => number }>()
const place = usePlace()
const years = 4
const width = 1080
const height = 260
const frame = { left: 64, right: 110, top: 14, bottom: 34 }

const courses = computed(() =>
  props.options.flatMap((option, index) => {
    const each = props.toPay(option)
    // Every unit comes again in its own time; a way that does not last has no course.
    const again = returnsOf(option).flatMap(({ weeks, share }) => {
      const step = weeks / weeksPerYear
      return Array.from({ length: Math.floor(years / step) }, (_, time) => ({ year: (time + 1) * step, adds: each * share }))
    })
    if (again.length === 0 && option.againWeeks <= 0) return []
    let sum = each
    const later = again.sort((one, other) => one.year - other.year).map(({ year, adds }) => ({ year, sum: (sum += adds) }))
    return [{ letter: wayLetter(index), at: [{ year: 0, sum: each }, ...later] }]
  }),
)
const x = scaleLinear()
  .domain([0, years])
  .range([frame.left, width - frame.right])
const y = computed(() =>
  scaleLinear()
    .domain([0, Math.max(1, ...courses.value.map(({ at }) => at.at(-1)?.sum ?? 0))])
    .nice()
    .range([height - frame.bottom, frame.top]),
)
const path = (at: readonly { year: number; sum: number }[]) =>
  `M${x(0)},${y.value(0)}${at.map(({ year, sum }) => `H${x(year)}V${y.value(sum)}`).join('')}H${x(years)}`
/** Labels at the right, moved apart where lines end close together. */
const labels = computed(() => {
  const sorted = courses.value
    .map(({ letter, at }) => ({ letter, sum: at.at(-1)?.sum ?? 0, y: y.value(at.at(-1)?.sum ?? 0) }))
    .sort((a, b) => a.y - b.y)
  sorted.forEach((label, index) => {
    if (index > 0) label.y = Math.max(label.y, sorted[index - 1].y + 20)
  })
  return sorted
})
const dashes = ['', '9 5', '2 4', '12 4 2 4', '5 2', '1 6']
</script>

<template>
  <figure class="years">
    <figcaption>{{ t('screen.quotes.each-way-adds-up-over', { years }) }}</figcaption>
    <div class="along" tabindex="0" role="region" :aria-label="t('screen.quotes.each-way-adds-up-scrolls')">
      <svg
        :viewBox="`0 0 ${width} ${height}`"
        class="chart-sheet"
        role="img"
        :aria-label="t('screen.quotes.cost-each-way-over-years')"
        data-quote-years
      >
        <g v-for="tick in y.ticks(5)" :key="tick">
          <line :x1="frame.left" :x2="width - frame.right" :y1="y(tick)" :y2="y(tick)" class="rule" />
          <text :x="frame.left - 8" :y="y(tick) + 5" text-anchor="end">{{ place.whole(tick) }}</text>
        </g>
        <text v-for="year in years + 1" :key="year" :x="x(year - 1)" :y="height - 10" text-anchor="middle">
          {{ year === 1 ? t('screen.quotes.now') : `${year - 1} y` }}
        </text>
        <path v-for="({ letter, at }, index) in courses" :key="letter" :d="path(at)" class="course" :stroke-dasharray="dashes[index]" />
        <text v-for="label in labels" :key="label.letter" :x="width - frame.right + 10" :y="label.y + 5">
          <tspan class="strong">{{ label.letter }}</tspan>
          {{ place.whole(label.sum) }}
        </text>
      </svg>
    </div>
  </figure>
</template>

<style scoped>
.years {
  margin: 0;
}
figcaption {
  font-size: 0.9rem;
  color: var(--ink-soft);
}
text {
  fill: var(--ink);
  font-size: 15px;
}
.strong {
  font-weight: 600;
}
.rule {
  stroke: var(--rule);
  stroke-width: 1;
}
.course {
  fill: none;
  stroke: var(--ink);
  stroke-width: 2;
}
</style>
