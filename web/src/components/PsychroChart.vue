<script setup lang="ts">
// The air on its way through the unit, before and after, on one chart of states (D3): where the clean unit would bring it is hatched.
import { chartPoint, humidityLine, pressureAt, type ChartPoint } from '@yastik/core/air'
import type { Readings } from '@yastik/core/lookover'
import { cleanCoolingAt, coolingBy } from '@yastik/core/proof'
import type { KnownDesign } from '@yastik/core/units'
import { scaleLinear } from 'd3-scale'
import { computed, useId } from 'vue'
import { useMeasures } from '../measures/useMeasures.ts'
import { t } from '../words/words.ts'

const props = defineProps<{ design: KnownDesign; before?: Readings; after?: Readings; altitudeM?: number; outdoorC?: number }>()
const { figure, unit, quantity } = useMeasures()
const width = 720
const height = 400
const frame = { left: 16, right: 64, top: 14, bottom: 44 }
const hatch = useId()

const pressurePa = computed(() => pressureAt(props.altitudeM ?? 0))
const processes = computed(() =>
  ([['before', props.before] as const, ['after', props.after] as const] as const).flatMap(([when, readings]) => {
    if (!readings) return []
    const { returnAir, supplyAir, cooling } = coolingBy(readings, props.altitudeM)
    return [{ when, from: chartPoint(returnAir), to: chartPoint(supplyAir), totalKw: cooling?.totalKw.value }]
  }),
)
const latest = computed(() => props.after ?? props.before)
const clean = computed(() => {
  if (!latest.value) return undefined
  const { coil, supplyToleranceK, supplyToleranceRatio } = cleanCoolingAt(props.design, latest.value, {
    altitudeM: props.altitudeM,
    outdoorC: props.outdoorC,
  })
  return { at: chartPoint(coil.supplyAir), toleranceK: supplyToleranceK, toleranceGKg: supplyToleranceRatio * 1000 }
})
const points = computed(() => [...processes.value.flatMap(({ from, to }) => [from, to]), ...(clean.value ? [clean.value.at] : [])])
const x = computed(() => {
  const values = points.value.map(({ dryBulbC }) => dryBulbC)
  return scaleLinear()
    .domain([Math.min(5, ...values) - 3, Math.max(30, ...values) + 3])
    .nice(5)
    .range([frame.left, width - frame.right])
})
const y = computed(() =>
  scaleLinear()
    .domain([0, Math.max(16, ...points.value.map(({ humidityGKg }) => humidityGKg + 3))])
    .nice(4)
    .range([height - frame.bottom, frame.top]),
)
const shares = [0.2, 0.4, 0.6, 0.8, 1]
const lines = computed(() => {
  const [from, to] = x.value.domain()
  const top = y.value.domain()[1]
  return shares.map((share) => {
    const inside = humidityLine(share, from, to, pressurePa.value).filter(({ humidityGKg }) => humidityGKg <= top)
    return { share, path: inside.map((point, index) => `${index === 0 ? 'M' : 'L'}${px(point)}`).join(''), end: inside.at(-1)! }
  })
})
const px = ({ dryBulbC, humidityGKg }: ChartPoint) => `${x.value(dryBulbC).toFixed(1)},${y.value(humidityGKg).toFixed(1)}`
const zone = computed(() => {
  if (!clean.value) return undefined
  const { at, toleranceK, toleranceGKg } = clean.value
  return {
    cx: x.value(at.dryBulbC),
    cy: y.value(at.humidityGKg),
    rx: Math.max(4, x.value(at.dryBulbC + toleranceK) - x.value(at.dryBulbC)),
    ry: Math.max(4, y.value(at.humidityGKg) - y.value(at.humidityGKg + toleranceGKg)),
  }
})
/** Both labels below both points, so that neither lies on a line. */
const labelTop = computed(() => Math.max(...processes.value.map(({ to }) => y.value(to.humidityGKg)), 0))
const says = (point: ChartPoint) => `${quantity(Math.round(point.dryBulbC * 10) / 10, '°C')}, ${Math.round(point.humidityGKg * 10) / 10} g/kg`
const spoken = computed(() =>
  processes.value
    .map(({ when, from, to }) => t('screen.work.from-to', { when: t(`screen.proof.${when}-2`), says: says(from), says2: says(to) }))
    .join('; '),
)
</script>

<template>
  <figure class="chart" data-air-chart>
    <div class="along" tabindex="0" role="region" :aria-label="t('screen.work.chart-air-scrolls-sideways-narrow')">
      <svg class="chart-sheet" :viewBox="`0 0 ${width} ${height}`" role="img" :aria-label="t('screen.work.air-states', { spoken })">
        <defs>
          <pattern :id="hatch" width="6" height="6" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
            <line x1="0" y1="0" x2="0" y2="6" class="hatch" />
          </pattern>
        </defs>
        <g class="grid">
          <g v-for="tick in x.ticks(8)" :key="`x${tick}`">
            <line :x1="x(tick)" :x2="x(tick)" :y1="frame.top" :y2="height - frame.bottom" />
            <text :x="x(tick)" :y="height - frame.bottom + 18" text-anchor="middle">{{ figure(tick, '°C') }}</text>
          </g>
          <g v-for="tick in y.ticks(6)" :key="`y${tick}`">
            <line :x1="frame.left" :x2="width - frame.right" :y1="y(tick)" :y2="y(tick)" />
            <text :x="width - frame.right + 8" :y="y(tick) + 4">{{ tick }}</text>
          </g>
          <text :x="(frame.left + width - frame.right) / 2" :y="height - 8" text-anchor="middle">
            {{ t('screen.work.air-temperature', { unit: unit('°C') }) }}
          </text>
          <text :x="width - 4" :y="height - 8" text-anchor="end">{{ t('screen.work.g-water-kg-air') }}</text>
        </g>
        <g class="humidity">
          <template v-for="line in lines" :key="line.share">
            <path :d="line.path" :class="{ saturated: line.share === 1 }" />
            <text v-if="line.end" :x="x(line.end.dryBulbC) - 4" :y="y(line.end.humidityGKg) - 4" text-anchor="end">{{ line.share * 100 }} %</text>
          </template>
        </g>
        <g v-if="zone" class="zone">
          <ellipse v-bind="zone" :fill="`url(#${hatch})`" />
          <text :x="zone.cx - zone.rx - 4" :y="zone.cy - zone.ry - 4" text-anchor="end">{{ t('screen.work.clean-unit-brings-here') }}</text>
        </g>
        <g v-for="process in processes" :key="process.when" :class="['process', process.when]">
          <path :d="`M${px(process.from)}L${px(process.to)}`" />
          <circle v-for="(point, index) in [process.from, process.to]" :key="index" :cx="x(point.dryBulbC)" :cy="y(point.humidityGKg)" r="5">
            <title>
              {{ t(`screen.proof.${process.when}-2`) }}, {{ index === 0 ? t('screen.work.return') : t('screen.work.supply-2') }}: {{ says(point) }}
            </title>
          </circle>
          <text :x="x(process.to.dryBulbC) + 4" :y="labelTop + (process.when === 'before' ? 36 : 18)">
            {{ t(`screen.proof.${process.when}-2`)
            }}{{ process.totalKw === undefined ? '' : `, ${quantity(Math.round(process.totalKw * 100) / 100, 'kW')}` }}
          </text>
        </g>
      </svg>
    </div>
    <figcaption class="small">
      {{ t('screen.work.return-air-down-supply-air', { unit: unit('kW') }) }}
    </figcaption>
  </figure>
</template>

<style scoped>
.chart {
  margin: 0;
  max-width: 46rem;
}
text {
  font-size: 13px;
  fill: var(--ink-soft);
}
.grid line {
  stroke: var(--rule);
  stroke-width: 0.6;
}
.humidity path {
  fill: none;
  stroke: var(--ink-soft);
  stroke-width: 0.9;
  stroke-dasharray: 2 3;
}
.humidity .saturated {
  stroke: var(--ink);
  stroke-width: 1.6;
  stroke-dasharray: none;
}
.hatch {
  stroke: var(--ink);
  stroke-width: 1;
}
.zone ellipse {
  stroke: var(--ink);
  stroke-width: 1;
}
.process path {
  fill: none;
  stroke: var(--ink);
  stroke-width: 2.4;
}
.process circle {
  fill: var(--ink);
  stroke: var(--ink);
  stroke-width: 1.6;
}
.process.before path {
  stroke-dasharray: 7 5;
  stroke-width: 1.6;
}
.process.before circle {
  fill: var(--paper);
}
.process text {
  fill: var(--ink);
  font-weight: 600;
}
</style>
