<script setup lang="ts">
// The sides of the stores: labels and tools, what a day needs, and what came and went.
import { RouterLink } from 'vue-router'
</script>

<template>
  <nav class="row" aria-label="Stores">
    <RouterLink to="/stores" class="tap" exact-active-class="on">Labels and tools</RouterLink>
    <RouterLink to="/stores/load" class="tap" exact-active-class="on" data-to-load>The day’s load</RouterLink>
    <RouterLink to="/stores/stock" class="tap" exact-active-class="on" data-to-stock>What came and went</RouterLink>
  </nav>
</template>

<style scoped>
.on {
  border-width: 2px;
  font-weight: 600;
}
</style>
