<script setup lang="ts">
// Hatching for soil, denser with the grade; waves for wet; sparse dots for "not seen yet". Never colour.
import { hatchAngle, hatches } from './hatches.ts'

defineProps<{ prefix: string }>()
</script>

<template>
  <defs>
    <pattern
      v-for="{ grade, gap, line, cross } in hatches"
      :id="`${prefix}-soil-${grade}`"
      :key="grade"
      :width="gap"
      :height="gap"
      patternUnits="userSpaceOnUse"
      :patternTransform="`rotate(${hatchAngle})`"
    >
      <line x1="0" y1="0" x2="0" :y2="gap" stroke="var(--ink)" :stroke-width="line" />
      <line v-if="cross > 0" x1="0" y1="0" :x2="gap" y2="0" stroke="var(--ink)" :stroke-width="cross" />
    </pattern>
    <pattern :id="`${prefix}-wet`" width="18" height="9" patternUnits="userSpaceOnUse">
      <path d="M0 5q4.5-5 9 0t9 0" fill="none" stroke="var(--ink)" stroke-width="1.2" />
    </pattern>
    <pattern :id="`${prefix}-unseen`" width="11" height="11" patternUnits="userSpaceOnUse">
      <circle cx="2" cy="2" r="0.9" fill="var(--ink-soft)" />
    </pattern>
    <pattern :id="`${prefix}-wall`" width="9" height="9" patternUnits="userSpaceOnUse" patternTransform="rotate(-45)">
      <line x1="0" y1="0" x2="0" y2="9" stroke="var(--rule)" stroke-width="1.4" />
    </pattern>
  </defs>
</template>
