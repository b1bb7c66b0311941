<script setup lang="ts">
import { RouterLink } from 'vue-router'
</script>

<template>
  <div class="page stack">
    <h1>No sheet of this name</h1>
    <p>The address leads nowhere. <RouterLink to="/">Back to today</RouterLink></p>
  </div>
</template>
