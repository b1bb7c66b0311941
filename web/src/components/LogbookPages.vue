<script setup lang="ts">
// The two sides of the firm's memory: what was done, and what is due.
import { RouterLink } from 'vue-router'
</script>

<template>
  <nav class="row" aria-label="Logbook">
    <RouterLink to="/logbook" class="tap" exact-active-class="on">Handed over</RouterLink>
    <RouterLink to="/logbook/due" class="tap" exact-active-class="on" data-to-due>What is due</RouterLink>
  </nav>
</template>

<style scoped>
.on {
  border-width: 2px;
  font-weight: 600;
}
</style>
