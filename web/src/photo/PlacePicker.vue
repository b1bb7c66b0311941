<script setup lang="ts">
// Places on a photograph, each on a handle that is moved by finger, mouse or arrow keys, never out of the picture; joined, they are an outline.
import type { Region } from '@yastik/core/lookover'
import { ref } from 'vue'
import { t } from '../words/words.ts'

type Place = Region[number]
const props = defineProps<{
  source: string
  says: string
  places: readonly Place[]
  names: readonly string[]
  /** Lines from place to place. */
  joined?: boolean
  /** A tap on the picture puts the places there, one after the other. */
  tapped?: boolean
}>()
const emit = defineEmits<{ move: [index: number, place: Place]; shown: [wide: number] }>()
const frame = ref<HTMLElement>()
/** The place that the next tap puts. */
const next = ref(0)
/** An arrow key moves a place by this share of the picture, with Shift by ten times as much. */
const step = 0.004

const within = (value: number) => Math.min(1, Math.max(0, value))
const put = (index: number, x: number, y: number) => emit('move', index, { x: within(x), y: within(y) })
function putAt(event: PointerEvent, index: number) {
  const box = frame.value?.getBoundingClientRect()
  if (box) put(index, (event.clientX - box.left) / box.width, (event.clientY - box.top) / box.height)
}
const take = (event: PointerEvent) => event.currentTarget instanceof Element && event.currentTarget.setPointerCapture(event.pointerId)
function drag(event: PointerEvent, index: number) {
  if (event.currentTarget instanceof Element && event.currentTarget.hasPointerCapture(event.pointerId)) putAt(event, index)
}
function tap(event: PointerEvent) {
  if (!props.tapped) return
  putAt(event, next.value)
  next.value = (next.value + 1) % props.places.length
}
const directions: Record<string, readonly [number, number]> = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] }
function key(event: KeyboardEvent, index: number) {
  const direction = directions[event.key]
  if (!direction) return
  event.preventDefault()
  event.stopPropagation()
  const by = step * (event.shiftKey ? 10 : 1)
  put(index, props.places[index].x + direction[0] * by, props.places[index].y + direction[1] * by)
}
const tellShape = ({ currentTarget }: Event) =>
  currentTarget instanceof HTMLImageElement && emit('shown', currentTarget.naturalWidth / currentTarget.naturalHeight)
</script>

<template>
  <div ref="frame" class="frame">
    <img :src="source" :alt="says" draggable="false" @load="tellShape" @pointerdown.prevent="tap" />
    <svg v-if="joined" viewBox="0 0 1 1" preserveAspectRatio="none" class="lines" aria-hidden="true">
      <polygon :points="places.map(({ x, y }) => `${x},${y}`).join(' ')" vector-effect="non-scaling-stroke" />
    </svg>
    <svg
      v-for="(place, index) in places"
      :key="index"
      class="handle"
      viewBox="-28 -28 56 56"
      role="button"
      tabindex="0"
      :aria-label="t('screen.proof.drag-arrow-keys', { names: names[index] })"
      :data-corner="index"
      :style="{ left: `${place.x * 100}%`, top: `${place.y * 100}%` }"
      @pointerdown.prevent="take"
      @pointermove="drag($event, index)"
      @keydown="key($event, index)"
    >
      <circle r="11" />
      <path d="M-22 0H-5M5 0H22M0-22V-5M0 5V22" />
      <text v-if="tapped" x="14" y="-10">{{ index + 1 }}</text>
    </svg>
  </div>
</template>

<style scoped>
.frame {
  position: relative;
  touch-action: none;
  user-select: none;
  width: fit-content;
}
/* Upright photographs stay in view with their corners. */
img {
  display: block;
  max-width: 100%;
  max-height: 72vh;
}
.lines {
  position: absolute;
  inset: 0;
  width: 100%;
  height: 100%;
  pointer-events: none;
}
polygon {
  fill: none;
  stroke: var(--now);
  stroke-width: 2.5;
  stroke-dasharray: 10 4;
}
.handle {
  position: absolute;
  width: 56px;
  height: 56px;
  margin: -28px 0 0 -28px;
  cursor: grab;
  overflow: visible;
}
.handle circle {
  fill: var(--paper);
  fill-opacity: 0.55;
  stroke: var(--now);
  stroke-width: 3;
}
.handle path {
  stroke: var(--ink);
  stroke-width: 1.6;
}
.handle text {
  font-size: 22px;
  font-weight: 700;
  fill: var(--ink);
  stroke: var(--paper);
  stroke-width: 5px;
  paint-order: stroke;
}
.handle:focus-visible {
  outline: 3px solid var(--now);
}
</style>
