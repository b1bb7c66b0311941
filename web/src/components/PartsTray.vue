<script setup lang="ts">
// What is off, where it lies, and whether its fasteners are all there.
import type { UnitState } from '@yastik/core'
import { computed } from 'vue'

const props = defineProps<{ state: UnitState; nameOf: (id: number) => string }>()
const rows = computed(() => props.state.tray.map((item) => ({ ...item, fasteners: props.state.ledger.filter((entry) => entry.item === item.item) })))
const loose = computed(() =>
  props.state.ledger.filter((entry) => entry.out !== entry.in && !props.state.tray.some(({ item }) => item === entry.item)),
)
</script>

<template>
  <section class="tray" aria-label="Parts tray and fastener ledger">
    <h2>
      Parts tray <small>{{ rows.length === 0 ? 'empty' : `${rows.length} off` }}</small>
    </h2>
    <ul class="plain">
      <li v-for="row in rows" :key="row.item" class="slot" :data-tray="row.item">
        <b>{{ row.item }}</b><small>{{ row.slot }} · {{ nameOf(row.by) }}</small>
        <small v-for="entry in row.fasteners" :key="entry.kind">{{ entry.in }} of {{ entry.out }} × {{ entry.kind }} back</small>
      </li>
      <li v-for="entry in loose" :key="entry.item + entry.kind" class="slot short" role="alert">
        <b>{{ entry.out - entry.in }} × {{ entry.kind }} missing</b><small>came out with “{{ entry.item }}”, {{ entry.slot }}</small>
      </li>
    </ul>
  </section>
</template>

<style scoped>
.tray {
  border-top: 3px solid var(--ink);
  padding-top: 0.5rem;
}
ul {
  display: flex;
  flex-wrap: wrap;
  gap: 0;
  margin-top: 0.4rem;
}
.slot {
  display: flex;
  flex-direction: column;
  border: var(--rule-width) solid var(--ink);
  padding: 0.4rem 0.7rem;
  margin: 0 calc(-1 * var(--rule-width)) calc(-1 * var(--rule-width)) 0;
  line-height: 1.2;
  min-width: 9rem;
}
.short {
  border: 3px double var(--now);
}
</style>
