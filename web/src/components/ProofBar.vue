<script setup lang="ts">
// Before, after and expected of one measured line on one scale (D3), the tolerance as a bracket.
import type { ProofLine } from '@yastik/core/proof'
import { extent } from 'd3-array'
import { scaleLinear } from 'd3-scale'
import { computed } from 'vue'
import { t } from '../words/words.ts'

const props = defineProps<{ line: ProofLine }>()
const width = 320
const scale = computed(() => {
  const { before, after, expected, tolerance = 0 } = props.line
  const values = [before, after, expected].filter((value): value is number => value !== undefined)
  const [low = 0, high = 1] = extent([0, ...values.map((value) => value + tolerance), ...values])
  return scaleLinear()
    .domain([Math.min(low, 0), high || 1])
    .nice(4)
    .range([8, width - 8])
})
const ticks = computed(() => scale.value.ticks(4))
/** A long figure at the edge stands within it. */
const anchorOf = (tick: number) => (scale.value(tick) > width - 20 && tick >= 1000 ? 'end' : 'middle')
const xOf = (tick: number) => (anchorOf(tick) === 'end' ? width : scale.value(tick))
</script>

<template>
  <svg
    class="bar"
    :viewBox="`0 0 ${width} 56`"
    role="img"
    :aria-label="
      t('screen.proof.before-after-expected', {
        before: line.before ?? t('screen.proof.not-measured'),
        after: line.after ?? t('screen.proof.not-measured'),
        expected: line.expected ?? t('screen.proof.not-known'),
        unit: line.unit,
      })
    "
  >
    <line :x1="scale.range()[0]" :x2="scale.range()[1]" y1="34" y2="34" class="axis" />
    <g v-for="tick in ticks" :key="tick">
      <line :x1="scale(tick)" :x2="scale(tick)" y1="31" y2="37" class="axis" />
      <text :x="xOf(tick)" y="52" :text-anchor="anchorOf(tick)">{{ tick }}</text>
    </g>
    <line v-if="line.expected !== undefined" :x1="scale(line.expected)" :x2="scale(line.expected)" y1="6" y2="42" class="expected" />
    <path
      v-if="line.after !== undefined && line.tolerance"
      :d="`M${scale(line.after - line.tolerance)},14v8M${scale(line.after - line.tolerance)},18H${scale(line.after + line.tolerance)}M${scale(line.after + line.tolerance)},14v8`"
      class="bracket"
    />
    <circle v-if="line.before !== undefined" :cx="scale(line.before)" cy="26" r="5" class="before" />
    <circle v-if="line.after !== undefined" :cx="scale(line.after)" cy="26" r="5" class="after" />
  </svg>
</template>

<style scoped>
.bar {
  width: 100%;
  max-width: 20rem;
  overflow: visible;
  display: block;
}
.axis,
.bracket {
  stroke: var(--ink);
  stroke-width: 1;
  fill: none;
}
.expected {
  stroke: var(--ink);
  stroke-width: 1.4;
  stroke-dasharray: 4 3;
}
.before {
  fill: var(--paper);
  stroke: var(--ink);
  stroke-width: 1.6;
}
.after {
  fill: var(--ink);
}
text {
  font-size: 12px;
  fill: var(--ink-soft);
}
</style>
