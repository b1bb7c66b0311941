<script setup lang="ts">
// The sides of the stores: labels and tools, what a day needs, and what came and went.
import SidePages from './SidePages.vue'
import { t } from '../words/words.ts'

const pages = [
  { to: '/stores', name: t('screen.stores.labels-tools'), key: 'labels' },
  { to: '/stores/load', name: t('screen.stores.days-load'), key: 'load' },
  { to: '/stores/stock', name: t('screen.stores.came-went'), key: 'stock' },
] as const
</script>

<template><SidePages :label="t('screen.frame.stores')" :pages="pages" /></template>
