<script setup lang="ts">
// The section drawing of a unit: every gradable part a region to tap, with its soil as hatching; during the run it shows what is off, wet and covered.
import type { Grades } from '@yastik/core/lookover'
import { type Grade } from '@yastik/core/quantities'
import { type Family, type Part } from '@yastik/core/units'
import { computed, useId } from 'vue'
import { useMediaQuery } from '@vueuse/core'
import SoilPatterns from './SoilPatterns.vue'
import type { Point, Shape } from './sheet.ts'
import { sheets } from './sheets.ts'
import { squeezed } from './squeezed.ts'
import type { ReportWords } from '@yastik/core/report'
import { say, t } from '../words/words.ts'

const props = withDefaults(
  defineProps<{
    family: Family
    grades: Grades
    selected?: Part
    readonly?: boolean
    /** Whether what nobody graded is told from what is clean, where nothing can be graded. */
    marksUnseen?: boolean
    off?: readonly Part[]
    wet?: readonly Part[]
    bagged?: boolean
    heightCm?: number
    gapCm?: number
    /** What stands beside it, in somebody else’s language. */
    words?: ReportWords
  }>(),
  {
    selected: undefined,
    readonly: false,
    marksUnseen: false,
    off: () => [],
    wet: () => [],
    bagged: false,
    heightCm: undefined,
    gapCm: undefined,
    words: undefined,
  },
)
const emit = defineEmits<{ select: [part: Part]; grade: [part: Part, grade: Grade] }>()
const prefix = useId()

const nameOf = (part: Part) => props.words?.parts[part] ?? t(`names.part.${part}`)
const notGraded = computed(() => props.words?.labels['not-graded'] ?? t('screen.lookover.not-graded'))
const sheet = computed(() => sheets[props.family])
const regions = computed(() =>
  sheet.value.shapes.map((shape) => {
    const grade = props.grades[shape.part]?.grade
    const isOff = props.off.includes(shape.part)
    return {
      ...shape,
      grade,
      isOff,
      isWet: props.wet.includes(shape.part),
      fill:
        grade === undefined
          ? props.readonly && !props.marksUnseen
            ? 'none'
            : `url(#${prefix}-unseen)`
          : grade === 0
            ? 'none'
            : `url(#${prefix}-soil-${grade})`,
      label: `${nameOf(shape.part)}: ${grade === undefined ? notGraded.value : props.words ? props.words.grades[grade] : t('screen.lookover.grade-5', { grade, grade2: t(`names.grade.${grade}`) })}${isOff ? t('screen.lookover.off-2') : ''}`,
    }
  }),
)

const strokes = computed(() => sheet.value.strokes.filter(({ goesWith }) => !goesWith || !props.off.includes(goesWith)))
/** A dimension line from one point to another above or below it, with an arrow at either end. */
const arrow = ([x1, y1]: Point, [x2, y2]: Point) => {
  const [top, bottom] = [Math.min(y1, y2), Math.max(y1, y2)]
  return `M${x1},${y1}L${x2},${y2}M${x1 - 4},${top + 7}L${x1},${top}L${x1 + 4},${top + 7}M${x2 - 4},${bottom - 7}L${x2},${bottom}L${x2 + 4},${bottom - 7}`
}

/** Room for a part's name beside the drawing; type is larger on a phone, as the style below has it. */
const nameRoom = 192
const isNarrow = useMediaQuery('(max-width: 700px)')
/** Width of a letter of a part's name on the sheet, and where names on the left begin. */
const letter = 6.2
const leftEdge = 4
const leader = ({ at, text, side, part }: Shape) => {
  const [x, y] =
    side === 'right'
      ? [text[0] - 8, text[1] - 5]
      : [Math.max(text[0] + 44, leftEdge + Math.min(nameRoom, nameOf(part).length * letter)), text[1] - 20]
  return `M${at[0]},${at[1]}L${x},${y}`
}

function onKey(event: KeyboardEvent, part: Part) {
  if (props.readonly) return
  if (/^[0-4]$/.test(event.key)) {
    event.preventDefault()
    event.stopPropagation()
    emit('grade', part, Number(event.key) as Grade)
  } else if (event.key === 'Enter' || event.key === ' ') {
    event.preventDefault()
    event.stopPropagation()
    emit('select', part)
  }
}
</script>

<template>
  <svg class="section" viewBox="0 0 760 470" role="group" :aria-label="say({ key: sheet.label })" :data-family="family">
    <SoilPatterns :prefix="prefix" />
    <g aria-hidden="true" class="fixed">
      <path v-for="path in sheet.hatched" :key="path" :d="path" :fill="`url(#${prefix}-wall)`" class="hatched" />
      <path v-for="path in sheet.lines" :key="path" :d="path" />
      <path v-for="path in sheet.dashed" :key="path" :d="path" class="dashed" />
      <g v-if="gapCm !== undefined && sheet.gap" class="dimension">
        <path :d="arrow(sheet.gap.from, sheet.gap.to)" />
        <text :x="sheet.gap.text[0]" :y="sheet.gap.text[1]">{{ t('screen.lookover.cm-ceiling', { gapCm }) }}</text>
      </g>
      <g v-if="heightCm !== undefined && sheet.height" class="dimension">
        <path :d="arrow(sheet.height.from, sheet.height.to)" />
        <text :x="sheet.height.text[0]" :y="sheet.height.text[1]">
          {{ t('screen.lookover.m-above-floor', { heightCm: (heightCm / 100).toFixed(1) }) }}
        </text>
      </g>
    </g>
    <g
      v-for="region in regions"
      :key="region.part"
      class="region"
      :class="{ chosen: region.part === selected, off: region.isOff, still: readonly }"
      :role="readonly ? 'img' : 'button'"
      :tabindex="readonly ? undefined : 0"
      :aria-label="region.label"
      :aria-pressed="readonly ? undefined : region.part === selected"
      :data-part="region.part"
      :data-grade="region.grade ?? ''"
      @click="!readonly && emit('select', region.part)"
      @keydown="onKey($event, region.part)"
    >
      <path :d="region.hit ?? region.path" class="ground" fill-rule="evenodd" />
      <path :d="region.path" :fill="region.fill" class="soil" fill-rule="evenodd" />
      <path v-if="region.isWet" :d="region.path" :fill="`url(#${prefix}-wet)`" fill-rule="evenodd" />
      <path :d="region.path" class="edge" fill-rule="evenodd" />
    </g>
    <g aria-hidden="true" class="detail">
      <path v-for="stroke in strokes" :key="stroke.path" :d="stroke.path" :class="stroke.kind" />
      <circle v-for="[x, y, radius] in sheet.circles" :key="`${x}-${y}-${radius}`" :cx="x" :cy="y" :r="radius" />
      <text v-for="word in sheet.words" :key="word.says" :x="word.at[0]" :y="word.at[1]">{{ say({ key: word.says }) }}</text>
      <path v-if="bagged && sheet.caught" :d="sheet.caught" class="caught" />
    </g>
    <g
      v-for="region in regions"
      :key="`${region.part}-note`"
      class="callout"
      :data-callout="region.part"
      :class="{ chosen: region.part === selected }"
      aria-hidden="true"
      @click="!readonly && emit('select', region.part)"
    >
      <path :d="leader(region)" class="leader" />
      <circle :cx="region.at[0]" :cy="region.at[1]" r="2.6" />
      <text
        :x="region.side === 'right' ? region.text[0] : region.text[0] - 44"
        :y="region.text[1] - 12"
        class="name"
        v-bind="squeezed(nameOf(region.part), nameRoom, isNarrow ? 21 : 15)"
      >
        {{ nameOf(region.part) }}
      </text>
      <text :x="region.side === 'right' ? region.text[0] : region.text[0] - 44" :y="region.text[1] + 9" class="grade">
        {{
          region.isOff
            ? t('screen.lookover.off')
            : region.grade === undefined
              ? readonly && !marksUnseen
                ? ''
                : notGraded
              : (words?.grades[region.grade] ?? `${region.grade} ${t(`names.grade.${region.grade}`)}`)
        }}
      </text>
      <rect :x="region.side === 'right' ? region.text[0] - 8 : region.text[0] - 48" :y="region.text[1] - 34" width="150" height="48" class="hit" />
    </g>
  </svg>
</template>

<style scoped>
.section {
  width: 100%;
  height: auto;
  display: block;
  font-family: inherit;
}
.fixed path {
  stroke: var(--ink-soft);
  stroke-width: 1;
}
.fixed path:not(.hatched) {
  fill: none;
}
.fixed .hatched {
  stroke: none;
}
.fixed .dashed {
  stroke-dasharray: 14 4 2 4;
}
.dimension text {
  font-size: 13px;
  fill: var(--ink-soft);
}
.region {
  cursor: pointer;
  outline: none;
}
.region.still {
  cursor: default;
}
.ground {
  fill: var(--paper);
}
.edge {
  fill: none;
  stroke: var(--ink);
  stroke-width: 1.6;
  stroke-linejoin: round;
}
.region:hover:not(.still) .edge {
  stroke-width: 2.6;
}
.region:focus-visible .edge,
.region.chosen .edge {
  stroke: var(--now);
  stroke-width: 3.4;
}
.region.off .edge {
  stroke-dasharray: 5 5;
  stroke-width: 1;
}
.region.off .soil {
  opacity: 0;
}
.detail {
  pointer-events: none;
}
.detail path,
.detail circle {
  fill: none;
  stroke: var(--ink);
  stroke-width: 0.9;
}
.detail circle {
  fill: var(--paper);
}
.detail .fin {
  stroke-width: 0.35;
}
.detail .bar {
  stroke-width: 5;
  stroke-linecap: round;
}
.detail .thick {
  stroke-width: 2.4;
}
.detail .water {
  stroke-width: 1.2;
  stroke-dasharray: 9 4;
}
.detail text {
  font-size: 12px;
  fill: var(--ink-soft);
}
.detail .caught {
  stroke: var(--now);
  stroke-width: 2.4;
  stroke-dasharray: 10 6;
}
.leader {
  stroke: var(--ink-soft);
  stroke-width: 0.8;
  fill: none;
}
.callout {
  cursor: pointer;
}
.callout circle {
  fill: var(--ink);
}
.callout .hit {
  fill: transparent;
}
/* A ground of paper under the letters: a leader may run behind them. */
.callout text {
  paint-order: stroke;
  stroke: var(--paper);
  stroke-width: 4px;
}
.callout .name {
  font-size: 15px;
  fill: var(--ink-soft);
}
.callout .grade {
  font-size: 19px;
  font-weight: 600;
  fill: var(--ink);
}
.callout.chosen .name,
.callout.chosen .grade {
  fill: var(--now);
}
@media (max-width: 700px) {
  .callout .name {
    font-size: 21px;
  }
  .callout .grade {
    font-size: 26px;
  }
}
</style>
