<script setup lang="ts">
// Washing, tried before it is done: level in the bag and in the bucket over time (D3), while flow, minutes and pauses are dragged.
import { round } from '@yastik/core/quantities'
import { pausesFor, type WashCourse, type WashPlan, type WashRun } from '@yastik/core/wash'
import { drag, type D3DragEvent } from 'd3-drag'
import { select } from 'd3-selection'
import { computed, onBeforeUnmount, onMounted, ref, shallowRef, useTemplateRef, watch } from 'vue'
import { useWashChart } from './useWashChart.ts'
import { useMeasures } from '../measures/useMeasures.ts'
import type { WashAnswer, WashAsked } from '../workers/wash.worker.ts'
import Tap from '../kit/Tap.vue'
import Slide from '../kit/Slide.vue'
import { t } from '../words/words.ts'

const props = defineProps<{ run: WashRun; chosen?: WashPlan; flowIsFree: boolean }>()
const emit = defineEmits<{ choose: [wash: WashPlan | null] }>()
const { figure, quantity, unit } = useMeasures()

const flowLMin = ref(props.run.flowLMin)
const washMin = ref(props.run.washMin)
const pauses = ref([...props.run.pausesAtMin])
watch(
  () => props.run,
  (run) => ([flowLMin.value, washMin.value, pauses.value] = [run.flowLMin, run.washMin, [...run.pausesAtMin]]),
)
const tried = computed<WashRun>(() => ({ ...props.run, flowLMin: flowLMin.value, washMin: washMin.value, pausesAtMin: pauses.value }))
const isTried = computed(
  () => flowLMin.value !== props.run.flowLMin || washMin.value !== props.run.washMin || pauses.value.join() !== props.run.pausesAtMin.join(),
)

const worker = new Worker(new URL('../workers/wash.worker.ts', import.meta.url), { type: 'module' })
const course = shallowRef<WashCourse>()
let asking = 0
worker.onmessage = ({ data }: MessageEvent<WashAnswer>) => {
  // Only the newest move of the hand counts.
  if (data.asking === asking) course.value = data.course
}
onBeforeUnmount(() => worker.terminate())
watch(tried, (run) => worker.postMessage({ asking: ++asking, run: JSON.parse(JSON.stringify(run)) } satisfies WashAsked), { immediate: true })

const { width, frame, high, low, gap, height, x, bag, bucketTop, bucket, bagLine, bucketLine, pauseBands } = useWashChart(
  course,
  washMin,
  () => props.run,
)

/** Whether it runs over as tried, and pauses could keep it in. */
const runsOver = computed(() => course.value !== undefined && course.value.overflowsAtMin !== null && pausesFor(tried.value).length > 0)

/** Minutes of washing at a place on the time axis: what lies in pauses before it does not count. */
function washedAt(minute: number): number {
  const paused = pauseBands.value.filter(({ to }) => to <= minute).reduce((sum, { from, to }) => sum + to - from, 0)
  return Math.min(washMin.value - 0.25, Math.max(0.25, round((minute - paused) * 4) / 4))
}
const sheet = useTemplateRef<SVGSVGElement>('sheet')
const behaviour = drag<SVGGElement, number>()
  .container(() => sheet.value!)
  .subject(({ x: at, y }: { x: number; y: number }) => ({ x: at, y }))
  .on('drag', function (this: SVGGElement, { x: at }: D3DragEvent<SVGGElement, number, { x: number; y: number }>) {
    const index = Number(this.dataset.pause)
    pauses.value = pauses.value.map((pause, other) => (other === index ? washedAt(x.value.invert(at)) : pause))
  })
  .on('end', () => (pauses.value = [...new Set(pauses.value)].sort((a, b) => a - b)))
const bind = () => sheet.value && select(sheet.value).selectAll<SVGGElement, number>('g.pause').data(pauses.value).call(behaviour)
onMounted(bind)
watch([pauses, course], bind, { flush: 'post' })

const add = () => (pauses.value = [...new Set([...pauses.value, round((washMin.value / 2) * 4) / 4])].sort((a, b) => a - b))
const move = (index: number, by: number) =>
  (pauses.value = pauses.value.map((pause, other) => (other === index ? Math.min(washMin.value - 0.25, Math.max(0.25, pause + by)) : pause)))
const remove = (index: number) => (pauses.value = pauses.value.filter((_, other) => other !== index))
/** Where the time axis shows the pause that follows so many minutes of washing. */
const pauseX = (index: number) => x.value(pauseBands.value[index]?.from ?? pauses.value[index])
function choose() {
  emit('choose', {
    ...(flowLMin.value === props.run.flowLMin && props.chosen?.flowLMin === undefined ? {} : { flowLMin: flowLMin.value }),
    ...(washMin.value === props.run.washMin && props.chosen?.washMin === undefined ? {} : { washMin: washMin.value }),
    pausesAtMin: pauses.value,
  })
}
const at = (minute: number) => `${round(minute, 1)} min`
</script>

<template>
  <section class="stack" data-wash>
    <h3>{{ t('screen.method.washing-tried-beforehand') }}</h3>
    <div class="sliders">
      <Slide
        v-model="flowLMin"
        :label="t('screen.method.flow')"
        name="wash-flow"
        :min="0.5"
        :max="8"
        :step="0.1"
        :disabled="!flowIsFree"
        :says="`${figure(round(flowLMin, 1), 'L/min')} ${unit('L/min')}`"
      />
      <Slide
        v-model="washMin"
        :label="t('screen.method.minutes-washing')"
        name="wash-minutes"
        :min="1"
        :max="30"
        :step="0.5"
        :says="String(round(washMin, 1))"
      />
      <div class="row">
        <Tap data-keep-in :off="runsOver ? '' : t('screen.method.nothing-runs-over')" @click="pauses = pausesFor(tried)">{{
          t('screen.method.pause')
        }}</Tap>
        <Tap data-add-pause :off="pauses.length >= 12 ? t('screen.method.twelve-enough') : ''" @click="add">{{ t('screen.method.add-pause') }}</Tap>
        <span class="small">{{ t('screen.method.drag-along-time-move-delete') }}</span>
      </div>
    </div>
    <div class="along" tabindex="0" role="region" :aria-label="t('screen.method.course-washing-scrolls-sideways-narrow')">
      <svg ref="sheet" class="chart-sheet" :viewBox="`0 0 ${width} ${height}`" role="img" :aria-label="t('screen.method.level-bag-bucket-over-time')">
        <g class="axis">
          <template v-for="tick in x.ticks(8)" :key="`t${tick}`">
            <line :x1="x(tick)" :x2="x(tick)" :y1="frame.top" :y2="bucketTop + low" />
            <text :x="x(tick)" :y="bucketTop + low + 16" text-anchor="middle">{{ tick }}</text>
          </template>
          <text :x="width / 2" :y="height - 6" text-anchor="middle">{{ t('screen.method.minutes') }}</text>
          <template v-for="tick in bag.ticks(4)" :key="`b${tick}`">
            <text :x="frame.left - 6" :y="bag(tick) + 4" text-anchor="end">{{ figure(tick, 'L') }}</text>
          </template>
          <text :x="4" :y="frame.top - 5">{{ t('screen.method.bag', { unit: unit('L') }) }}</text>
          <template v-for="tick in bucket.ticks(3)" :key="`k${tick}`">
            <text :x="frame.left - 6" :y="bucket(tick) + 4" text-anchor="end">{{ figure(tick, 'L') }}</text>
          </template>
          <text :x="4" :y="bucketTop - 9">{{ t('screen.method.bucket', { unit: unit('L') }) }}</text>
        </g>
        <rect
          v-for="band in pauseBands"
          :key="band.from"
          class="band"
          :x="x(band.from)"
          :width="Math.max(2, x(band.to) - x(band.from))"
          :y="frame.top"
          :height="bucketTop + low - frame.top"
        />
        <g class="edge">
          <line :x1="frame.left" :x2="width - frame.right" :y1="bag(run.holdsL)" :y2="bag(run.holdsL)" />
          <text :x="width - frame.right" :y="bag(run.holdsL) - 4" text-anchor="end">{{ t('screen.method.runs-over-above-edge') }}</text>
        </g>
        <path :d="bagLine" class="level" />
        <path :d="bucketLine" class="level thin" />
        <g v-if="course && course.overflowsAtMin !== null" class="spill">
          <line :x1="x(course.overflowsAtMin)" :x2="x(course.overflowsAtMin)" :y1="frame.top" :y2="frame.top + high" />
          <text :x="x(course.overflowsAtMin) + 5" :y="frame.top + high - 6">{{ t('screen.method.runs-over') }}</text>
        </g>
        <g v-for="minute in course?.bucketChangesAtMin ?? []" :key="minute" class="change">
          <line :x1="x(minute)" :x2="x(minute)" :y1="bucketTop" :y2="bucketTop + low" />
          <text :x="x(minute) - 4" :y="bucketTop + 12" text-anchor="end">{{ t('screen.method.new-bucket') }}</text>
        </g>
        <g
          v-for="(pause, index) in pauses"
          :key="index"
          class="pause"
          tabindex="0"
          role="slider"
          :aria-label="t('screen.method.pause-after-min-washing', { pause })"
          :aria-valuenow="pause"
          :data-pause="index"
          @keydown.left.prevent="move(index, -0.25)"
          @keydown.right.prevent="move(index, 0.25)"
          @keydown.delete.prevent="remove(index)"
        >
          <line :x1="pauseX(index)" :x2="pauseX(index)" :y1="frame.top" :y2="bucketTop + low" />
          <circle :cx="pauseX(index)" :cy="frame.top + high + gap / 2" r="11" />
          <text :x="pauseX(index)" :y="frame.top + high + gap / 2 + 4" text-anchor="middle">{{ index + 1 }}</text>
        </g>
      </svg>
    </div>
    <p class="says" role="status" data-wash-says>
      <template v-if="course">
        <b>{{ quantity(round(course.inL, 1), 'L') }}</b> {{ t('screen.method.water-3', { at: at(course.endMin) }) }}
        <template v-if="course.overflowsAtMin === null">{{
          t('screen.method.bag-fills-most', { peakL: Math.round((course.peakL / run.holdsL) * 100) })
        }}</template>
        <b v-else>{{
          t('screen.method.runs-over-after-floor', { at: at(course.overflowsAtMin), overflowL: quantity(round(course.overflowL, 1), 'L') })
        }}</b>
        {{
          course.bucketChangesAtMin.length === 0
            ? t('screen.method.one-bucket-takes')
            : t('screen.method.new-bucket-after', { bucketChangesAtMin: course.bucketChangesAtMin.map(at).join(', ') })
        }}
      </template>
    </p>
    <div class="row">
      <Tap data-choose-wash :now="isTried" :off="isTried ? '' : t('screen.method.washed-like')" @click="choose">{{
        t('screen.method.wash-like')
      }}</Tap>
      <Tap v-if="chosen" data-plan-wash @click="emit('choose', null)">{{ t('screen.method.back-plans-way') }}</Tap>
    </div>
  </section>
</template>

<style scoped>
.sliders {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(15rem, 1fr));
  gap: 0.6rem 1.6rem;
  align-items: end;
}
/* Its place is kept while it is reckoned: the buttons below must not move under a thumb. */
.says {
  min-height: 3em;
}
@media (max-width: 700px) {
  .says {
    min-height: 4.5em;
  }
}
text {
  font-size: 13px;
  fill: var(--ink-soft);
}
.axis line {
  stroke: var(--rule);
  stroke-width: 0.6;
}
.level {
  fill: none;
  stroke: var(--ink);
  stroke-width: 2.4;
}
.level.thin {
  stroke-width: 1.6;
}
.edge line {
  stroke: var(--ink);
  stroke-width: 1;
  stroke-dasharray: 8 5;
}
.spill line {
  stroke: var(--now);
  stroke-width: 2.5;
}
.spill text {
  fill: var(--now);
  font-weight: 600;
}
.change line {
  stroke: var(--ink);
  stroke-width: 1;
  stroke-dasharray: 2 3;
}
.band {
  fill: var(--paper-deep);
}
.pause {
  cursor: ew-resize;
  touch-action: pan-y;
}
.pause line {
  stroke: var(--ink);
  stroke-width: 1.4;
}
.pause circle {
  fill: var(--paper);
  stroke: var(--ink);
  stroke-width: 1.6;
}
.pause text {
  fill: var(--ink);
  font-weight: 600;
}
</style>
