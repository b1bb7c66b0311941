<script setup lang="ts">
// A part seen from straight above, and on it what is covered: outlined and hatched, so that it can be told without colour.
import type { PhotoMeasured, Raster } from '@yastik/core/proof'
import { contours } from 'd3-contour'
import { computed, onMounted, ref, useId, watch } from 'vue'

const props = defineProps<{ upright: Raster; map?: PhotoMeasured['map']; says: string }>()
const canvas = ref<HTMLCanvasElement>()
/** A place counts as covered when more than half of it is. */
const half = 0.5
const hatch = useId()

function draw() {
  const context = canvas.value?.getContext('2d')
  const { width, height, data } = props.upright
  context?.putImageData(new ImageData(new Uint8ClampedArray(data), width, height), 0, 0)
}
onMounted(draw)
watch(() => props.upright, draw, { flush: 'post' })

const outline = computed(() => {
  if (!props.map) return ''
  const { columns, rows, covered } = props.map
  const [shape] = contours().size([columns, rows]).thresholds([half])([...covered])
  return shape.coordinates
    .flatMap((polygon) => polygon.map((ring) => `M${ring.map(([x, y]) => `${x.toFixed(2)} ${y.toFixed(2)}`).join('L')}Z`))
    .join('')
})
</script>

<template>
  <figure class="part-map" data-part-map>
    <canvas ref="canvas" :width="upright.width" :height="upright.height" role="img" :aria-label="says" />
    <svg v-if="map" :viewBox="`0 0 ${map.columns} ${map.rows}`" preserveAspectRatio="none" aria-hidden="true">
      <defs>
        <pattern :id="hatch" width="1.1" height="1.1" patternUnits="userSpaceOnUse" patternTransform="rotate(52)">
          <rect width="0.4" height="1.1" class="stripe" />
        </pattern>
      </defs>
      <path :d="outline" :fill="`url(#${hatch})`" class="edge" vector-effect="non-scaling-stroke" />
    </svg>
    <slot />
  </figure>
</template>

<style scoped>
.part-map {
  position: relative;
  margin: 0;
}
canvas {
  display: block;
  width: 100%;
}
svg {
  position: absolute;
  inset: 0;
  width: 100%;
  height: 100%;
  pointer-events: none;
}
.stripe {
  fill: var(--now);
  fill-opacity: 0.55;
}
.edge {
  stroke: var(--now);
  stroke-width: 2;
}
</style>
