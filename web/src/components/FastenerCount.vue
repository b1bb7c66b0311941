<script setup lang="ts">
// How many of one kind of fastener came out, or went back: counted with a thumb.
import { fastenerName } from '@yastik/core/units'
import { computed } from 'vue'
import Tap from '../kit/Tap.vue'
import { say, t } from '../words/words.ts'
const props = defineProps<{
  kind: string
  beside: string
  direction: 'out' | 'back'
  /** All of them, at one tap; nobody confirms what nobody counted. */
  all?: number
}>()
const count = defineModel<number>({ required: true })
const name = computed(() => say(fastenerName(props.kind)))
</script>

<template>
  <div class="count" role="group" :aria-label="name">
    <span
      ><b>{{ name }}</b
      ><small class="beside">{{ beside }}</small></span
    >
    <Tap :aria-label="t('screen.work.one-less', { kind: name })" data-less @click="count = Math.max(0, count - 1)">−</Tap>
    <span class="figure" data-count>{{ count }}</span>
    <Tap :aria-label="t('screen.work.one-more', { kind: name })" data-more @click="count = count + 1">+</Tap>
    <small>{{ t(`screen.work.direction.${direction}`) }}</small>
    <Tap v-if="all !== undefined && all > 0" class="all" :pressed="count === all" data-all-back @click="count = all">
      {{ all === 1 ? t('screen.work.back-3') : t('screen.work.all-back', { all }) }}
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
