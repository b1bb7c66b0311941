<script setup lang="ts">
// The sides of the stores: labels and tools, what a day needs, and what came and went.
import SidePages from './SidePages.vue'

const pages = [
  { to: '/stores', name: 'Labels and tools', key: 'labels' },
  { to: '/stores/load', name: 'The day’s load', key: 'load' },
  { to: '/stores/stock', name: 'What came and went', key: 'stock' },
] as const
</script>

<template><SidePages label="Stores" :pages="pages" /></template>
