<script setup lang="ts">
// Below the line of a unit's life, on the same days (D3): cooling against clean, every part as it was found, findings from first to last, parts changed.
import { type Finding } from '@yastik/core/lookover'
import { parts } from '@yastik/core/units'
import type { UnitOutlook } from '@yastik/core/wire'
import { computed } from 'vue'
import { squeezed } from '../drawing/squeezed.ts'
import { t } from '../words/words.ts'
import { dayWords } from '../words/when.ts'
import { inWords } from '../words/names.ts'

type Visit = UnitOutlook['visits'][number]
const props = defineProps<{
  visits: readonly Visit[]
  /** Where a moment lies, from the chart above. */
  x: (ms: number) => number
  width: number
  right: number
  nowMs: number
}>()
const emit = defineEmits<{ open: [jobId: string] }>()
const rowHeight = 24
/** Words above, line below. */
const findingHeight = 30
const coolingHeight = 64
const labelX = 76

const seen = computed(() => props.visits.flatMap((visit) => (visit.seen ? [{ ...visit, seen: visit.seen, ms: new Date(visit.at).getTime() }] : [])))
const share = (part: number | undefined, whole: number | undefined) => (part === undefined || !whole ? undefined : part / whole)
const cooling = computed(() =>
  seen.value.flatMap(({ jobId, ms, seen: { cooling: c } }) => {
    const [before, after] = [share(c.beforeKw, c.cleanBeforeKw), share(c.afterKw, c.cleanAfterKw)]
    return before === undefined && after === undefined ? [] : [{ jobId, ms, before, after }]
  }),
)
const coolingTop = 10
/** From half of clean cooling, below which nothing is drawn further down, to a little above it. */
const coolingY = (value: number) => coolingTop + (1 - (Math.min(1.15, Math.max(0.5, value)) - 0.5) / 0.65) * (coolingHeight - 20)
const gradedParts = computed(() => parts.filter((part) => seen.value.some(({ seen: { grades } }) => grades[part] !== undefined)))
const partsTop = computed(() => (cooling.value.length > 0 ? coolingHeight + 8 : 8))
/** Findings with the visits from which to which each was seen; one that a later visit did not find any more is closed there. */
const findings = computed(() => {
  const names = [...new Set(seen.value.flatMap(({ seen: { findings: own } }) => own))]
  return names.map((finding: Finding) => {
    const at = seen.value.flatMap(({ seen: { findings: own } }, index) => (own.includes(finding) ? [index] : []))
    const closing = seen.value[at.at(-1)! + 1]
    return { finding, fromMs: seen.value[at[0]].ms, toMs: closing?.ms ?? props.nowMs, isOpen: closing === undefined }
  })
})
const findingsTop = computed(() => partsTop.value + gradedParts.value.length * rowHeight + 6)
const changed = computed(() => seen.value.flatMap(({ jobId, ms, seen: { parts: own } }) => own.map((part) => ({ jobId, ms, ...part }))))
const changedTop = computed(() => findingsTop.value + findings.value.length * findingHeight + 6)
const height = computed(() => changedTop.value + (changed.value.length > 0 ? rowHeight : 0) + 6)
const percent = (value: number | undefined) => (value === undefined ? '–' : `${Math.round(value * 100)} %`)
const lines = [1, 2, 3, 4]
const label = computed(() =>
  t('screen.sites.measured-visits-parts-findings', {
    cooling: cooling.value.length,
    gradedParts: gradedParts.value.map((part) => t(`names.part.${part}`)).join(', '),
    findings:
      findings.value
        .map(({ finding, isOpen }) => t(isOpen ? 'screen.sites.finding-open' : 'screen.sites.finding-closed', { finding: inWords(finding) }))
        .join(', ') || t('screen.sites.none'),
  }),
)
</script>

<template>
  <svg v-if="seen.length > 0" :viewBox="`0 0 ${width} ${height}`" role="img" :aria-label="label" data-life-rows>
    <g v-if="cooling.length > 0" data-life-cooling>
      <text :x="labelX" :y="coolingTop + 14" text-anchor="end" v-bind="squeezed(t('screen.sites.cooling'), labelX)">
        {{ t('screen.sites.cooling') }}
      </text>
      <text :x="labelX" :y="coolingTop + 32" text-anchor="end" class="soft" v-bind="squeezed(t('screen.sites.clean'), labelX)">
        {{ t('screen.sites.clean') }}
      </text>
      <line :x1="labelX + 8" :x2="right" :y1="coolingY(1)" :y2="coolingY(1)" class="rule" />
      <g v-for="visit in cooling" :key="visit.jobId" class="open" @click="emit('open', visit.jobId)">
        <line
          v-if="visit.before !== undefined && visit.after !== undefined"
          :x1="x(visit.ms)"
          :x2="x(visit.ms)"
          :y1="coolingY(visit.before)"
          :y2="coolingY(visit.after)"
          class="rise"
        />
        <circle v-if="visit.before !== undefined" :cx="x(visit.ms)" :cy="coolingY(visit.before)" r="4" class="found" />
        <circle v-if="visit.after !== undefined" :cx="x(visit.ms)" :cy="coolingY(visit.after)" r="4" class="left" />
        <text :x="x(visit.ms) + 8" :y="coolingTop + coolingHeight - 12">{{ percent(visit.before) }} → {{ percent(visit.after) }}</text>
        <title>
          {{
            t('screen.sites.delivered-clean-cooling-before-after', {
              ms: dayWords(visit.ms),
              before: percent(visit.before),
              after: percent(visit.after),
            })
          }}
        </title>
      </g>
    </g>
    <g v-for="(part, index) in gradedParts" :key="part" :data-life-part="part">
      <text :x="labelX" :y="partsTop + index * rowHeight + 16" text-anchor="end" v-bind="squeezed(t(`screen.sites.part.${part}`), labelX)">
        {{ t(`screen.sites.part.${part}`) }}
      </text>
      <line :x1="labelX + 8" :x2="right" :y1="partsTop + (index + 1) * rowHeight" :y2="partsTop + (index + 1) * rowHeight" class="rule" />
      <g
        v-for="visit in seen.filter(({ seen: { grades } }) => grades[part] !== undefined)"
        :key="visit.jobId"
        class="open"
        @click="emit('open', visit.jobId)"
      >
        <rect :x="x(visit.ms) - 9" :y="partsTop + index * rowHeight + 3" width="18" height="18" class="cell" />
        <line
          v-for="line in lines.filter((n) => n <= visit.seen.grades[part]!)"
          :key="line"
          :x1="x(visit.ms) - 9"
          :x2="x(visit.ms) + 9"
          :y1="partsTop + index * rowHeight + 3 + line * 3.6"
          :y2="partsTop + index * rowHeight + 3 + line * 3.6"
          class="soil"
        />
        <text :x="x(visit.ms) + 13" :y="partsTop + index * rowHeight + 17">{{ visit.seen.grades[part] }}</text>
        <title>
          {{ dayWords(visit.ms) }}: {{ t(`names.part.${part}`) }} {{ visit.seen.grades[part] }} {{ t(`names.grade.${visit.seen.grades[part]!}`) }}
        </title>
      </g>
    </g>
    <g v-for="(entry, index) in findings" :key="entry.finding" :data-life-finding="entry.finding" :data-open="entry.isOpen">
      <line
        :x1="x(entry.fromMs)"
        :x2="x(entry.toMs)"
        :y1="findingsTop + index * findingHeight + 22"
        :y2="findingsTop + index * findingHeight + 22"
        class="finding"
        :class="{ closed: !entry.isOpen }"
      />
      <text :x="x(entry.fromMs)" :y="findingsTop + index * findingHeight + 15">
        {{ inWords(entry.finding) }}, {{ entry.isOpen ? t('screen.sites.open') : t('screen.sites.closed') }}
      </text>
    </g>
    <g v-if="changed.length > 0" data-life-parts-changed>
      <text v-for="part in changed" :key="part.jobId + part.item" :x="x(part.ms)" :y="changedTop + 16" class="open" @click="emit('open', part.jobId)">
        ▲ {{ part.item }} {{ part.need === 'changed' ? t('screen.sites.changed') : t('screen.sites.order') }}
      </text>
    </g>
  </svg>
</template>

<style scoped>
svg {
  min-width: 46rem;
  width: 100%;
  font-size: 14px;
  display: block;
}
text {
  fill: var(--ink);
}
.soft {
  fill: var(--ink-soft);
}
.rule {
  stroke: var(--rule);
  stroke-width: 0.7;
}
.rise {
  stroke: var(--ink);
  stroke-width: 2;
}
.found,
.cell {
  fill: var(--paper);
  stroke: var(--ink);
  stroke-width: 1.6;
}
.left {
  fill: var(--ink);
}
.soil {
  stroke: var(--ink);
  stroke-width: 1.8;
}
.finding {
  stroke: var(--now);
  stroke-width: 4;
}
.finding.closed {
  stroke: var(--ink-soft);
  stroke-dasharray: 6 4;
}
.open {
  cursor: pointer;
}
</style>
