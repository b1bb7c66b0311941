<script setup lang="ts">
// The window on the day of a crew, on one time axis (D3): a lane a person, below them a lane a unit with what it waits for; what sets the end is
// drawn heavy. A piece of work is dragged to another lane, or moved there with the arrow keys; the window is dragged, pinched, or turned nearer.
import type { CrewDay, StageWork, UnitSteps } from '@yastik/core/crew'
import type { Step } from '@yastik/core/procedure'
import { clockWords } from '@yastik/core/quantities'
import { drag, type D3DragEvent } from 'd3-drag'
import { scaleLinear } from 'd3-scale'
import { select } from 'd3-selection'
import { zoom, zoomIdentity, type D3ZoomEvent } from 'd3-zoom'
import { computed, onMounted, ref, useTemplateRef, watch } from 'vue'
import { clockTicks, leastMin, type DayWindow } from './dayWindow.ts'
import { useMeasures } from '../measures/useMeasures.ts'
import { t } from '../words/words.ts'

const { say } = useMeasures()

const props = defineProps<{
  day: CrewDay
  units: readonly UnitSteps[]
  people: readonly string[]
  letterOf: (unitId: string) => string
  works: readonly StageWork[]
  picked?: StageWork
  /** When the day begins, by the clock. */
  startMin: number
  endMin: number
  /** On the page, pixels. */
  width: number
}>()
const shown = defineModel<DayWindow>('window', { required: true })
const emit = defineEmits<{ pick: [work: StageWork]; give: [work: StageWork, to: string] }>()
const left = computed(() => (props.width < 700 ? 76 : 110))
const lane = 46
const waitLane = 26
const top = 26

const right = computed(() => props.width - 12)
const scale = computed(() => scaleLinear().domain([shown.value.fromMin, shown.value.toMin]).range([left.value, right.value]))
/** Where a time lies, as far as it is in the window. */
const within = (minute: number) => Math.min(right.value, Math.max(left.value, scale.value(minute)))
const isShown = (fromMin: number, toMin: number) => toMin >= shown.value.fromMin && fromMin <= shown.value.toMin
const ticks = computed(() =>
  clockTicks(shown.value, props.startMin, Math.max(2, props.width / 110)).map((minute) => ({
    x: scale.value(minute - props.startMin),
    says: clockWords(minute),
  })),
)
const stepOf = computed(() => new Map<string, Step>(props.units.flatMap(({ id, steps }) => steps.map((step) => [`${id}/${step.id}`, step]))))
const chain = computed(() => new Set(props.day.chain.map(({ unitId, step }) => `${unitId}/${step}`)))
const bars = computed(() =>
  props.works.flatMap((work) => {
    if (!isShown(work.startMin, work.endMin)) return []
    const { unitId, who: people, tasks } = work
    const keys = tasks.map(({ step }) => `${unitId}/${step}`)
    const given = props.units.find(({ id }) => id === unitId)?.given ?? {}
    const x = within(work.startMin)
    const title = say(work.stage)
    return people.map((who) => ({
      key: `${keys[0]}/${who}`,
      keys,
      work,
      who,
      given: tasks.some(({ step }) => given[step] === who),
      x,
      y: top + props.people.indexOf(who) * lane,
      width: Math.max(1, within(work.endMin) - x),
      letter: props.letterOf(unitId),
      title,
      critical: keys.some((key) => chain.value.has(key)),
      says: t('screen.crew.stage-from-to', {
        letterOf: props.letterOf(unitId),
        title,
        steps: { semicolon: tasks.map(({ step }) => stepOf.value.get(`${unitId}/${step}`)?.title ?? step) },
        startMin: clockWords(props.startMin + work.startMin),
        endMin: clockWords(props.startMin + work.endMin),
        who: { and: people },
        given: tasks.some(({ step }) => given[step] !== undefined) ? t('screen.crew.given') : '',
      }),
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
    const to = Math.min(from + ownWait, props.endMin)
    if (!isShown(from, to)) return []
    const [x, until] = [within(from), within(to)]
    return [
      {
        key: `${task.unitId}/${task.step}`,
        x,
        width: Math.max(1, until - x),
        y: waitsTop.value + props.units.findIndex(({ id }) => id === task.unitId) * waitLane,
        says: t('screen.crew.min', {
          letterOf: props.letterOf(task.unitId),
          ownWait: Math.round(ownWait),
          for: say(step?.wait?.for ?? step?.title ?? 'waiting'),
        }),
        short: say(step?.wait?.for ?? ''),
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
function moveTo({ work, who }: Bar, lane_: number) {
  const to = props.people[lane_]
  if (to !== undefined && to !== who && !work.who.includes(to)) emit('give', work, to)
}
const behaviour = drag<SVGGElement, Bar>()
  .container(() => sheet.value!)
  .clickDistance(4)
  // Two fingers are for the window.
  .filter((event: MouseEvent | TouchEvent) => !('touches' in event && event.touches.length > 1) && !event.ctrlKey)
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

/** While the library is told where the window is, it says so as if somebody had moved it. */
let isPlaced = false
/** The window as the library has it: how near, and how far along. */
const zooming = zoom<SVGSVGElement, unknown>()
  // The page still scrolls over it: a wheel turns it nearer only while Ctrl is held, as a pinch on a touchpad does.
  .filter((event: MouseEvent | WheelEvent | TouchEvent) =>
    event.type === 'wheel' ? event.ctrlKey : 'touches' in event ? event.touches.length > 1 : !(event.target as Element).closest('.task'),
  )
  .on('zoom', ({ sourceEvent, transform }: D3ZoomEvent<SVGSVGElement, unknown>) => {
    if (!sourceEvent || isPlaced) return
    const [fromMin, toMin] = transform.rescaleX(whole()).domain()
    shown.value = { fromMin, toMin }
  })
const whole = () => scaleLinear().domain([0, props.endMin]).range([left.value, right.value])
function bindWindow() {
  if (!sheet.value) return
  const box: [[number, number], [number, number]] = [
    [left.value, 0],
    [right.value, 1],
  ]
  zooming
    .extent(box)
    .translateExtent(box)
    .scaleExtent([1, Math.max(1, props.endMin / leastMin)])
  const { fromMin, toMin } = shown.value
  const near = props.endMin / (toMin - fromMin)
  const along = left.value - near * whole()(fromMin)
  isPlaced = true
  // The double click is the bar's.
  select(sheet.value).call(zooming).on('dblclick.zoom', null).call(zooming.transform, zoomIdentity.translate(along, 0).scale(near))
  isPlaced = false
}
onMounted(bindWindow)
watch([shown, () => props.endMin, () => props.width], bindWindow, { flush: 'post' })
watch(bars, bindBars, { flush: 'post' })
const shortEnough = (text: string, room: number) => text.length * 6 < room
/** As many whole words of what a bar is as stand in it: half a word is not what it is called. */
function label({ letter, title, width }: Bar): string {
  const room = Math.floor((width - 8) / 6.6)
  const whole = `${letter} ${title}`
  if (room >= whole.length) return whole
  const words = whole.slice(0, room).split(' ').slice(0, -1)
  return words.length > 1 ? `${words.join(' ')}…` : letter
}
</script>

<template>
  <div>
    <svg
      ref="sheet"
      class="day"
      :width="width"
      :height="height"
      :viewBox="`0 0 ${width} ${height}`"
      role="group"
      :aria-label="t('screen.crew.timeline-crew')"
      data-crew-timeline
    >
      <g class="axis">
        <g v-for="tick in ticks" :key="tick.says">
          <line :x1="tick.x" :x2="tick.x" :y1="top - 6" :y2="height - 26" />
          <text :x="tick.x" :y="height - 10" text-anchor="middle">{{ tick.says }}</text>
        </g>
      </g>
      <text v-for="(person, index) in people" :key="person" x="4" :y="top + index * lane + 24" class="who">
        {{ width < 700 ? person.split(' ')[0] : person }}
      </text>
      <text v-for="(unit, index) in units" :key="unit.id" x="4" :y="waitsTop + index * waitLane + 16" class="small">
        {{ t('screen.crew.waits', { letterOf: letterOf(unit.id) }) }}
      </text>
      <rect v-if="dragged" class="over" :x="left" :y="top + dragged.over * lane - 3" :width="right - left" :height="lane - 6" />
      <g
        v-for="bar in bars"
        :key="bar.key"
        class="task"
        :class="{ critical: bar.critical, picked: bar.work.tasks[0] === picked?.tasks[0] }"
        :transform="dragged?.key === bar.key ? `translate(0 ${dragged.dy})` : undefined"
        tabindex="0"
        role="button"
        :aria-label="bar.says"
        :data-task="bar.keys.join(' ')"
        :data-who="bar.who"
        @click="emit('pick', bar.work)"
        @keydown.enter.prevent="emit('pick', bar.work)"
        @keydown.up.prevent="moveTo(bar, people.indexOf(bar.who) - 1)"
        @keydown.down.prevent="moveTo(bar, people.indexOf(bar.who) + 1)"
      >
        <title>{{ bar.says }}</title>
        <rect :x="bar.x" :y="bar.y" :width="bar.width" :height="lane - 12" />
        <path v-if="bar.given" class="given" :d="`M${bar.x} ${bar.y} h9 l-9 9 z`" />
        <text v-if="bar.width > 11" :x="bar.x + bar.width / 2" :y="bar.y + 22" text-anchor="middle">{{ label(bar) }}</text>
      </g>
      <g v-for="wait in waits" :key="wait.key" class="wait">
        <title>{{ wait.says }}</title>
        <line :x1="wait.x" :x2="wait.x + wait.width" :y1="wait.y + 12" :y2="wait.y + 12" />
        <text v-if="shortEnough(wait.short, wait.width)" :x="wait.x + 3" :y="wait.y + 8">{{ wait.short }}</text>
      </g>
      <g v-if="isShown(day.timeline.lowerBoundMin, day.timeline.lowerBoundMin)" class="bound">
        <line :x1="scale(day.timeline.lowerBoundMin)" :x2="scale(day.timeline.lowerBoundMin)" :y1="4" :y2="height - 26" />
        <text :x="scale(day.timeline.lowerBoundMin) - 5" y="14" text-anchor="end">
          {{ t('screen.crew.no-order-can-end-before', { startMin: clockWords(startMin + day.timeline.lowerBoundMin) }) }}
        </text>
      </g>
    </svg>
  </div>
</template>

<style scoped>
.day {
  display: block;
  /* One finger scrolls the page; two are for the window. */
  touch-action: pan-y;
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
  touch-action: none;
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
