<script setup lang="ts">
// Where on the photograph is the part? Four corners on handles, moved by finger, mouse or arrow keys; never out of the picture.
import type { Region } from '@yastik/core'
import { ref } from 'vue'

const props = defineProps<{ source: string; says: string; region: Region }>()
const emit = defineEmits<{ move: [region: Region] }>()
const frame = ref<HTMLElement>()
const names = ['top left corner', 'top right corner', 'bottom right corner', 'bottom left corner'] as const
/** An arrow key moves a corner by this share of the picture, with Shift by ten times as much. */
const step = 0.004

const within = (value: number) => Math.min(1, Math.max(0, value))
function put(index: number, x: number, y: number) {
  emit('move', props.region.map((corner, at) => (at === index ? { x: within(x), y: within(y) } : corner)) as Region)
}
function drag(event: PointerEvent, index: number) {
  const handle = event.currentTarget as SVGElement
  if (!handle.hasPointerCapture(event.pointerId)) return
  const box = frame.value!.getBoundingClientRect()
  put(index, (event.clientX - box.left) / box.width, (event.clientY - box.top) / box.height)
}
const take = (event: PointerEvent) => (event.currentTarget as SVGElement).setPointerCapture(event.pointerId)
const directions: Record<string, readonly [number, number]> = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] }
function key(event: KeyboardEvent, index: number) {
  const direction = directions[event.key]
  if (!direction) return
  event.preventDefault()
  event.stopPropagation()
  const by = step * (event.shiftKey ? 10 : 1)
  put(index, props.region[index].x + direction[0] * by, props.region[index].y + direction[1] * by)
}
</script>

<template>
  <div ref="frame" class="frame" data-region>
    <img :src="source" :alt="says" draggable="false" />
    <svg viewBox="0 0 1 1" preserveAspectRatio="none" class="lines" aria-hidden="true">
      <polygon :points="region.map(({ x, y }) => `${x},${y}`).join(' ')" vector-effect="non-scaling-stroke" />
    </svg>
    <svg
      v-for="(corner, index) in region"
      :key="index"
      class="handle"
      viewBox="-28 -28 56 56"
      role="button"
      tabindex="0"
      :aria-label="`${names[index]}: drag, or arrow keys`"
      :data-corner="index"
      :style="{ left: `${corner.x * 100}%`, top: `${corner.y * 100}%` }"
      @pointerdown.prevent="take"
      @pointermove="drag($event, index)"
      @keydown="key($event, index)"
    >
      <circle r="11" />
      <path d="M-22 0H-5M5 0H22M0-22V-5M0 5V22" />
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
.handle:focus-visible {
  outline: 3px solid var(--now);
}
</style>
