<script setup lang="ts">
// The sides of a place: which there are, and which is open.
import Tap from '../kit/Tap.vue'

defineProps<{ label: string; pages: readonly { readonly to: string; readonly name: string; readonly key: string }[] }>()
</script>

<template>
  <nav class="row" :aria-label="label">
    <Tap v-for="{ to, name, key } in pages" :key="key" :to="to" exact-active-class="on" v-bind="{ [`data-to-${key}`]: '' }">
      {{ name }}
    </Tap>
  </nav>
</template>

<style scoped>
.on {
  border-width: 2px;
  font-weight: 600;
}
</style>
