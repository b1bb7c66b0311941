<script setup lang="ts">
// The day of a crew on one time axis (D3): a lane a person, below them a lane a unit with what it waits for; what sets the end is drawn heavy.
// A piece of work is dragged to another lane, or moved there with the arrow keys.
import type { CrewDay, TimelineTask, UnitSteps } from '@yastik/core/crew'
import type { Step } from '@yastik/core/procedure'
import { drag, type D3DragEvent } from 'd3-drag'
import { scaleLinear } from 'd3-scale'
import { select } from 'd3-selection'
import { computed, onMounted, ref, useTemplateRef, watch } from 'vue'

const props = defineProps<{
  day: CrewDay
  units: readonly UnitSteps[]
  people: readonly string[]
  letterOf: (unitId: string) => string
  picked?: TimelineTask
}>()
const emit = defineEmits<{ pick: [task: TimelineTask]; give: [task: TimelineTask, to: string] }>()
const left = 110
const width = 1180
const lane = 46
const waitLane = 26
const top = 26

const end = computed(() => Math.max(props.day.timeline.finishMin, props.day.timeline.lowerBoundMin, 1))
const scale = computed(() =>
  scaleLinear()
    .domain([0, end.value])
    .range([left, width - 12]),
)
const ticks = computed(() => scale.value.ticks(10))
const stepOf = computed(() => new Map<string, Step>(props.units.flatMap(({ id, steps }) => steps.map((step) => [`${id}/${step.id}`, step]))))
const chain = computed(() => new Set(props.day.chain.map(({ unitId, step }) => `${unitId}/${step}`)))
const bars = computed(() =>
  props.day.timeline.tasks.flatMap((task) => {
    const key = `${task.unitId}/${task.step}`
    const x = scale.value(task.startMin)
    return task.who.map((who) => ({
      key: `${key}/${who}`,
      task,
      who,
      given: props.units.find(({ id }) => id === task.unitId)?.given?.[task.step] === who,
      x,
      y: top + props.people.indexOf(who) * lane,
      width: Math.max(1, scale.value(task.endMin) - x),
      letter: props.letterOf(task.unitId),
      critical: chain.value.has(key),
      says: `${props.letterOf(task.unitId)}: ${stepOf.value.get(key)?.title ?? task.step}, ${Math.round(task.startMin)} to ${Math.round(task.endMin)} min, ${task.who.join(' and ')}${props.units.find(({ id }) => id === task.unitId)?.given?.[task.step] ? ', given' : ''}`,
    }))
  }),
)
const waitsTop = computed(() => top + props.people.length * lane + 12)
const waits = computed(() =>
  props.day.timeline.tasks.flatMap((task) => {
    const step = stepOf.value.get(`${task.unitId}/${task.step}`)
    const ownWait = task.who.length === 0 ? task.endMin - task.startMin : (step?.wait?.leastMin ?? 0)
    if (ownWait <= 0) return []
    const from = task.who.length === 0 ? task.startMin : task.endMin
    const [x, until] = [scale.value(from), scale.value(Math.min(from + ownWait, end.value))]
    return [
      {
        key: `${task.unitId}/${task.step}`,
        x,
        width: Math.max(1, until - x),
        y: waitsTop.value + props.units.findIndex(({ id }) => id === task.unitId) * waitLane,
        says: `${props.letterOf(task.unitId)}: ${Math.round(ownWait)} min for ${step?.wait?.for ?? step?.title ?? 'waiting'}`,
        short: step?.wait?.for ?? '',
      },
    ]
  }),
)
const height = computed(() => waitsTop.value + props.units.length * waitLane + 34)

/** The bar that is being dragged: how far, and over whose lane. */
const dragged = ref<{ key: string; dy: number; over: number }>()
const laneAt = (y: number) => Math.min(props.people.length - 1, Math.max(0, Math.floor((y - top + lane / 2) / lane)))
const sheet = useTemplateRef<SVGSVGElement>('sheet')
type Bar = (typeof bars.value)[number]
function moveTo({ task, who }: Bar, lane_: number) {
  const to = props.people[lane_]
  if (to !== undefined && to !== who && !task.who.includes(to)) emit('give', task, to)
}
const behaviour = drag<SVGGElement, Bar>()
  .container(() => sheet.value!)
  .clickDistance(4)
  .on(
    'start',
    ({ subject }: D3DragEvent<SVGGElement, Bar, Bar>) => (dragged.value = { key: subject.key, dy: 0, over: props.people.indexOf(subject.who) }),
  )
  .on('drag', ({ subject, y }: D3DragEvent<SVGGElement, Bar, Bar>) => (dragged.value = { key: subject.key, dy: y - subject.y, over: laneAt(y) }))
  .on('end', ({ subject }: D3DragEvent<SVGGElement, Bar, Bar>) => {
    const over = dragged.value?.over
    dragged.value = undefined
    if (over !== undefined) moveTo(subject, over)
  })
function bindBars() {
  if (sheet.value) select(sheet.value).selectAll<SVGGElement, Bar>('g.task').data(bars.value).call(behaviour)
}
onMounted(bindBars)
watch(bars, bindBars, { flush: 'post' })
const shortEnough = (text: string, room: number) => text.length * 6 < room
</script>

<template>
  <div class="along" tabindex="0" role="region" aria-label="Timeline, scrolls sideways on a narrow screen">
    <svg ref="sheet" class="day" :viewBox="`0 0 ${width} ${height}`" role="group" aria-label="Timeline of the crew" data-crew-timeline>
      <g class="axis">
        <g v-for="tick in ticks" :key="tick">
          <line :x1="scale(tick)" :x2="scale(tick)" :y1="top - 6" :y2="height - 26" />
          <text :x="scale(tick)" :y="height - 10" text-anchor="middle">{{ tick }}</text>
        </g>
        <text :x="4" :y="height - 10">minutes</text>
      </g>
      <text v-for="(person, index) in people" :key="person" x="4" :y="top + index * lane + 24" class="who">{{ person }}</text>
      <text v-for="(unit, index) in units" :key="unit.id" x="4" :y="waitsTop + index * waitLane + 16" class="small">
        {{ letterOf(unit.id) }} waits
      </text>
      <rect v-if="dragged" class="over" :x="left" :y="top + dragged.over * lane - 3" :width="width - left - 12" :height="lane - 6" />
      <g
        v-for="bar in bars"
        :key="bar.key"
        class="task"
        :class="{ critical: bar.critical, picked: bar.task === picked }"
        :transform="dragged?.key === bar.key ? `translate(0 ${dragged.dy})` : undefined"
        tabindex="0"
        role="button"
        :aria-label="bar.says"
        :data-task="`${bar.task.unitId}/${bar.task.step}`"
        :data-who="bar.who"
        @click="emit('pick', bar.task)"
        @keydown.enter.prevent="emit('pick', bar.task)"
        @keydown.up.prevent="moveTo(bar, people.indexOf(bar.who) - 1)"
        @keydown.down.prevent="moveTo(bar, people.indexOf(bar.who) + 1)"
      >
        <title>{{ bar.says }}</title>
        <rect :x="bar.x" :y="bar.y" :width="bar.width" :height="lane - 12" />
        <path v-if="bar.given" class="given" :d="`M${bar.x} ${bar.y} h9 l-9 9 z`" />
        <text v-if="bar.width > 11" :x="bar.x + bar.width / 2" :y="bar.y + 22" text-anchor="middle">{{ bar.letter }}</text>
      </g>
      <g v-for="wait in waits" :key="wait.key" class="wait">
        <title>{{ wait.says }}</title>
        <line :x1="wait.x" :x2="wait.x + wait.width" :y1="wait.y + 12" :y2="wait.y + 12" />
        <text v-if="shortEnough(wait.short, wait.width)" :x="wait.x + 3" :y="wait.y + 8">{{ wait.short }}</text>
      </g>
      <g class="bound">
        <line :x1="scale(day.timeline.lowerBoundMin)" :x2="scale(day.timeline.lowerBoundMin)" :y1="4" :y2="height - 26" />
        <text :x="scale(day.timeline.lowerBoundMin) - 5" y="14" text-anchor="end">
          no order can end before {{ Math.round(day.timeline.lowerBoundMin) }} min
        </text>
      </g>
    </svg>
  </div>
</template>

<style scoped>
.day {
  width: 100%;
  min-width: 54rem;
  height: auto;
  display: block;
  font-family: inherit;
}
text {
  font-size: 13px;
  fill: var(--ink);
}
.axis line {
  stroke: var(--rule);
  stroke-width: 1;
}
.axis text,
.small,
.wait text {
  fill: var(--ink-soft);
  font-size: 12px;
}
.who {
  font-size: 15px;
  font-weight: 600;
}
.task rect {
  fill: var(--paper);
  stroke: var(--ink);
  stroke-width: 1;
}
.task {
  cursor: grab;
  touch-action: pan-x;
}
.task.picked rect {
  stroke-width: 4;
}
.given {
  fill: var(--now);
}
.over {
  fill: none;
  stroke: var(--now);
  stroke-width: 2;
  stroke-dasharray: 6 4;
}
.task.critical rect {
  fill: var(--ink);
}
.task.critical text {
  fill: var(--paper);
  font-weight: 700;
}
.wait line {
  stroke: var(--ink);
  stroke-width: 2;
  stroke-dasharray: 2 4;
}
.bound line {
  stroke: var(--now);
  stroke-width: 1.6;
  stroke-dasharray: 8 5;
}
.bound text {
  fill: var(--now);
}
</style>
