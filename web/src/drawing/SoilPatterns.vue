<script setup lang="ts">
// Hatching for soil, denser with the grade; waves for wet; sparse dots for "not seen yet". Never colour.
defineProps<{ prefix: string }>()
// Width of a cell, and the strength of its two sets of lines; grades 3 and 4 are cross-hatched.
const hatches = [
  { grade: 1, gap: 15, line: 1.1, cross: 0 },
  { grade: 2, gap: 9, line: 1.1, cross: 0 },
  { grade: 3, gap: 5.5, line: 1.5, cross: 0.7 },
  { grade: 4, gap: 3.4, line: 1.9, cross: 1.5 },
]
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
      patternTransform="rotate(38)"
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
