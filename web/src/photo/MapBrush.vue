<script setup lang="ts">
// A brush over the drawn part: by finger or mouse, or by keys: arrows move it, space dabs.
import { ref } from 'vue'
import { t } from '../words/words.ts'

/** Radius of the brush, share of the part's width. */
const props = defineProps<{ radius: number; covers: boolean }>()
const emit = defineEmits<{ dab: [u: number, v: number] }>()
const frame = ref<HTMLElement>()
const at = ref({ u: 0.5, v: 0.5 })
/** An arrow key moves the brush by this share of the part. */
const step = 0.03

const within = (value: number) => Math.min(1, Math.max(0, value))
function move(event: PointerEvent) {
  const box = frame.value?.getBoundingClientRect()
  if (!box) return
  at.value = { u: within((event.clientX - box.left) / box.width), v: within((event.clientY - box.top) / box.height) }
  if (frame.value?.hasPointerCapture(event.pointerId)) emit('dab', at.value.u, at.value.v)
}
function take(event: PointerEvent) {
  frame.value?.setPointerCapture(event.pointerId)
  move(event)
}
const directions: Record<string, readonly [number, number]> = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] }
function key(event: KeyboardEvent) {
  const direction = directions[event.key]
  if (!direction && event.key !== ' ' && event.key !== 'Enter') return
  event.preventDefault()
  event.stopPropagation()
  if (direction) at.value = { u: within(at.value.u + direction[0] * step), v: within(at.value.v + direction[1] * step) }
  else emit('dab', at.value.u, at.value.v)
}
</script>

<template>
  <div
    ref="frame"
    class="brush"
    role="application"
    tabindex="0"
    data-brush
    :aria-label="t('screen.proof.brush-marks-drag-arrow-keys', { covered: props.covers ? t('screen.proof.covered-2') : t('screen.proof.bare') })"
    @pointerdown.prevent="take"
    @pointermove="move"
    @keydown="key"
  >
    <i :class="{ covers: props.covers }" :style="{ left: `${at.u * 100}%`, top: `${at.v * 100}%`, width: `${props.radius * 200}%` }" />
  </div>
</template>

<style scoped>
.brush {
  position: absolute;
  inset: 0;
  touch-action: none;
  cursor: none;
}
i {
  position: absolute;
  aspect-ratio: 1;
  transform: translate(-50%, -50%);
  border: 3px dashed var(--paper);
  outline: 2px solid var(--ink);
  border-radius: 50%;
}
i.covers {
  border-style: solid;
}
</style>
