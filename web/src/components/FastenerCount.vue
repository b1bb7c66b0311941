<script setup lang="ts">
// How many of one kind of fastener came out, or went back: counted with a thumb.
import Tap from '../kit/Tap.vue'
defineProps<{
  kind: string
  beside: string
  direction: 'out' | 'back'
  /** All of them, at one tap; nobody confirms what nobody counted. */
  all?: number
}>()
const count = defineModel<number>({ required: true })
</script>

<template>
  <div class="count" role="group" :aria-label="kind">
    <span
      ><b>{{ kind }}</b
      ><small class="beside">{{ beside }}</small></span
    >
    <Tap :aria-label="`one ${kind} less`" data-less @click="count = Math.max(0, count - 1)">−</Tap>
    <span class="figure" data-count>{{ count }}</span>
    <Tap :aria-label="`one ${kind} more`" data-more @click="count = count + 1">+</Tap>
    <small>{{ direction }}</small>
    <Tap v-if="all !== undefined && all > 0" class="all" :pressed="count === all" data-all-back @click="count = all">
      {{ all === 1 ? 'It is back' : `All ${all} back` }}
    </Tap>
  </div>
</template>

<style scoped>
.beside {
  margin-left: 0.6rem;
}
.count {
  display: grid;
  grid-template-columns: minmax(5rem, 1fr) var(--touch) 3rem var(--touch) auto;
  align-items: center;
  gap: 0.5rem;
  border-top: var(--rule-width) solid var(--rule);
  padding-top: 0.5rem;
}
.tap {
  min-height: var(--touch);
  padding: 0.2rem;
  font-size: 1.5rem;
}
.figure {
  text-align: center;
}
.all {
  grid-column: 1 / -1;
  font-size: 1.15rem;
}
</style>
