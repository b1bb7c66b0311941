<script setup lang="ts">
// The whole day in little, a line a unit: what is worked on when; and the window on it, drawn or pushed by hand (D3).
import type { TimelineTask, UnitSteps } from '@yastik/core/crew'
import { clockWords } from '@yastik/core/quantities'
import { brushX, type D3BrushEvent } from 'd3-brush'
import { scaleLinear } from 'd3-scale'
import { select } from 'd3-selection'
import { computed, onMounted, useTemplateRef, watch } from 'vue'
import { clockTicks, leastMin, type DayWindow } from './dayWindow.ts'

const props = defineProps<{
  tasks: readonly TimelineTask[]
  units: readonly UnitSteps[]
  endMin: number
  /** When the day begins, by the clock. */
  startMin: number
  letterOf: (unitId: string) => string
  width: number
}>()
const shown = defineModel<DayWindow>({ required: true })
const left = 26
const line = 11
const top = 4
const bottom = computed(() => top + props.units.length * line)
const height = computed(() => bottom.value + 20)
const scale = computed(() =>
  scaleLinear()
    .domain([0, props.endMin])
    .range([left, props.width - 2]),
)
/** Work of a unit as one path: a day has hundreds of pieces. */
const lines = computed(() =>
  props.units.map(({ id }, index) => {
    const y = top + index * line + line / 2
    const own = props.tasks.filter(({ unitId, who }) => unitId === id && who.length > 0)
    return { id, y, path: own.map(({ startMin, endMin }) => `M${scale.value(startMin)},${y}H${scale.value(endMin)}`).join('') }
  }),
)
const ticks = computed(() =>
  clockTicks({ fromMin: 0, toMin: props.endMin }, props.startMin, Math.max(2, props.width / 110)).map((minute) => ({
    x: scale.value(minute - props.startMin),
    says: clockWords(minute),
  })),
)

const frame = useTemplateRef<SVGGElement>('frame')
const brush = brushX<unknown>()
/** While the library is told where the window is, it says so as if somebody had drawn it. */
let isPlaced = false
brush.on('brush end', ({ sourceEvent, selection }: D3BrushEvent<unknown>) => {
  // Where it is put by what is drawn, nobody drew it.
  if (!sourceEvent || isPlaced) return
  if (!selection) {
    place()
    return
  }
  const [from, to] = (selection as [number, number]).map((x) => scale.value.invert(x))
  if (to - from >= leastMin) shown.value = { fromMin: from, toMin: to }
})
function place() {
  if (!frame.value) return
  brush.extent([
    [left, 0],
    [props.width - 2, bottom.value + 2],
  ])
  const { fromMin, toMin } = shown.value
  isPlaced = true
  select(frame.value)
    .call(brush)
    // Where all is shown there is no window yet: one can be drawn anywhere.
    .call(brush.move, fromMin <= 0 && toMin >= props.endMin ? null : [scale.value(fromMin), scale.value(toMin)])
  isPlaced = false
}
onMounted(place)
watch([shown, scale, bottom], place, { flush: 'post' })
</script>

<template>
  <svg class="overview" :width="width" :height="height" :viewBox="`0 0 ${width} ${height}`" aria-hidden="true" data-crew-overview>
    <g v-for="tick in ticks" :key="tick.says" class="tick">
      <line :x1="tick.x" :x2="tick.x" :y1="top" :y2="bottom + 2" />
      <text :x="tick.x" :y="height - 4" text-anchor="middle">{{ tick.says }}</text>
    </g>
    <g v-for="own in lines" :key="own.id">
      <text x="4" :y="own.y + 4" class="unit">{{ letterOf(own.id) }}</text>
      <path :d="own.path" class="work" />
    </g>
    <g ref="frame" class="frame" />
  </svg>
</template>

<style scoped>
.overview {
  display: block;
  touch-action: none;
}
.tick line {
  stroke: var(--rule);
}
text {
  font-size: 11px;
  fill: var(--ink-soft);
}
.unit {
  fill: var(--ink);
}
.work {
  stroke: var(--ink);
  stroke-width: 5;
}
.frame :deep(.selection) {
  fill: var(--ink);
  fill-opacity: 0.08;
  stroke: var(--now);
  stroke-width: 2;
}
</style>
