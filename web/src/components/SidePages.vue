<script setup lang="ts">
// The sides of a place: which there are, and which is open.
import { RouterLink } from 'vue-router'

defineProps<{ label: string; pages: readonly { readonly to: string; readonly name: string; readonly key: string }[] }>()
</script>

<template>
  <nav class="row" :aria-label="label">
    <RouterLink v-for="{ to, name, key } in pages" :key="key" :to="to" class="tap" exact-active-class="on" v-bind="{ [`data-to-${key}`]: '' }">
      {{ name }}
    </RouterLink>
  </nav>
</template>

<style scoped>
.on {
  border-width: 2px;
  font-weight: 600;
}
</style>
