<script setup lang="ts">
// What may come a moment later: drawn once what is around it was painted.
import { usePainted } from './afterPaint.ts'

const painted = usePainted()
</script>

<template><slot v-if="painted" /></template>
