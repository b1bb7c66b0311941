<script setup lang="ts">
// The section drawing of a wall head: every gradable part a region to tap, with its soil as hatching; during the run it shows what is off, wet and covered.
import { gradeNames, partNames, type Grade, type Grades, type Part } from '@yastik/core'
import { computed, useId } from 'vue'
import SoilPatterns from './SoilPatterns.vue'
import { bladePaths, finPaths, tubes, wallHeadShapes, wheelCentre } from './wallHeadShapes.ts'

const props = withDefaults(
  defineProps<{
    grades: Grades
    selected?: Part
    readonly?: boolean
    off?: readonly Part[]
    wet?: readonly Part[]
    coverOff?: boolean
    bagged?: boolean
    heightCm?: number
    gapCm?: number
  }>(),
  { selected: undefined, readonly: false, off: () => [], wet: () => [], coverOff: false, bagged: false, heightCm: undefined, gapCm: undefined },
)
const emit = defineEmits<{ select: [part: Part]; grade: [part: Part, grade: Grade] }>()
const prefix = useId()

const regions = computed(() =>
  wallHeadShapes.map((shape) => {
    const grade = props.grades[shape.part]?.grade
    const isOff = props.off.includes(shape.part) || (shape.part === 'housing' && props.coverOff)
    return {
      ...shape,
      grade,
      isOff,
      isWet: props.wet.includes(shape.part),
      fill: grade === undefined ? (props.readonly ? 'none' : `url(#${prefix}-unseen)`) : grade === 0 ? 'none' : `url(#${prefix}-soil-${grade})`,
      label: `${partNames[shape.part]}: ${grade === undefined ? 'not graded' : `grade ${grade}, ${gradeNames[grade]}`}${isOff ? ', off' : ''}`,
    }
  }),
)

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
  <svg class="section" viewBox="0 0 760 470" role="group" aria-label="Section through the wall head, seen from the drain end">
    <SoilPatterns :prefix="prefix" />
    <g aria-hidden="true" class="fixed">
      <rect x="84" y="16" width="26" height="446" :fill="`url(#${prefix}-wall)`" />
      <line x1="110" y1="16" x2="110" y2="462" />
      <line x1="60" y1="22" x2="700" y2="22" class="ceiling" />
      <path d="M110,86L118,86M110,330L118,330" />
      <g v-if="gapCm !== undefined" class="dimension">
        <path d="M330,24L330,60M326,31L330,24L334,31M326,53L330,60L334,53" />
        <text x="340" y="48">{{ gapCm }} cm to the ceiling</text>
      </g>
      <g v-if="heightCm !== undefined" class="dimension">
        <path d="M524,392L524,458M520,399L524,392L528,399M520,451L524,458L528,451" />
        <text x="534" y="438">{{ (heightCm / 100).toFixed(1) }} m above the floor</text>
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
      <path v-for="fin in finPaths" :key="fin" :d="fin" class="fin" />
      <circle v-for="[x, y] in tubes" :key="`${x}-${y}`" :cx="x" :cy="y" r="5.5" />
      <g v-if="!off.includes('wheel')"><path v-for="blade in bladePaths" :key="blade" :d="blade" /></g>
      <circle :cx="wheelCentre[0]" :cy="wheelCentre[1]" r="7" />
      <circle :cx="wheelCentre[0]" :cy="wheelCentre[1]" r="1.5" />
      <g v-if="!off.includes('outlet')" class="louvre">
        <path d="M398,372L438,340" />
        <path d="M440,346L468,322" />
      </g>
      <path d="M200,70l0,10M250,68l0,10M300,66l0,10M350,64l0,10M400,63l0,10" class="grille" />
      <path v-if="bagged" d="M104,60Q300,20 520,80L540,330Q470,420 330,452L300,452Q140,420 104,330" class="bag" />
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
      <path
        :d="`M${region.at[0]},${region.at[1]}L${region.side === 'right' ? region.text[0] - 8 : region.text[0] + 44},${region.text[1] - (region.side === 'right' ? 5 : 20)}`"
        class="leader"
      />
      <circle :cx="region.at[0]" :cy="region.at[1]" r="2.6" />
      <text :x="region.side === 'right' ? region.text[0] : region.text[0] - 44" :y="region.text[1] - 12" class="name">
        {{ partNames[region.part] }}
      </text>
      <text :x="region.side === 'right' ? region.text[0] : region.text[0] - 44" :y="region.text[1] + 9" class="grade">
        {{ region.isOff ? 'off' : region.grade === undefined ? (readonly ? '' : 'not graded') : `${region.grade} ${gradeNames[region.grade]}` }}
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
.fixed line,
.fixed path {
  stroke: var(--ink-soft);
  stroke-width: 1;
  fill: none;
}
.ceiling {
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
.detail .louvre path {
  stroke-width: 5;
  stroke-linecap: round;
}
.detail .grille {
  stroke-width: 2.4;
}
.detail .bag {
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
