<script setup lang="ts">
// Where in the job one is: look-over, method, at the unit, proof.
import { onMounted, useTemplateRef, watch } from 'vue'
import { RouterLink, useRoute } from 'vue-router'
import { afterPaint } from '../kit/afterPaint.ts'
import { t } from '../words/words.ts'

defineProps<{ jobId: string; unitId: string; stage: string; readonlyAfter?: boolean }>()
const stations = [
  { name: 'look-over', says: t('screen.lookover.look-over') },
  { name: 'method', says: t('screen.lookover.method') },
  { name: 'at-the-unit', says: t('screen.lookover.unit') },
  { name: 'proof', says: t('screen.lookover.proof') },
  { name: 'record', says: t('screen.lookover.record') },
]
// On a phone the ribbon is longer than the screen: the station that is open comes into view.
const ribbon = useTemplateRef<HTMLElement>('ribbon')
const route = useRoute()
const showOpen = () => ribbon.value?.querySelector('.router-link-exact-active')?.scrollIntoView({ inline: 'center', block: 'nearest' })
onMounted(() => afterPaint(showOpen))
watch(
  () => route.name,
  () => afterPaint(showOpen),
)
const reached = (stage: string) => ['look-over', 'method', 'at-the-unit', 'proof', 'handed-over'].indexOf(stage)
</script>

<template>
  <nav ref="ribbon" class="ribbon no-print" :aria-label="t('screen.lookover.stations-job')">
    <RouterLink
      v-for="(station, index) in stations"
      :key="station.name"
      :to="{ name: station.name, params: { jobId, unitId } }"
      class="station"
      :class="{ passed: index < reached(stage), here: index === reached(stage) }"
    >
      <span class="dot" aria-hidden="true">{{ index < reached(stage) ? '✓' : index + 1 }}</span>{{ station.says }}
    </RouterLink>
  </nav>
</template>

<style scoped>
.ribbon {
  display: flex;
  border-top: var(--rule-width) solid var(--rule);
  border-bottom: var(--rule-width) solid var(--rule);
  overflow-x: auto;
}
.station {
  flex: 1 1 0;
  display: flex;
  align-items: center;
  gap: 0.5rem;
  padding: 0.55rem 0.8rem;
  text-decoration: none;
  border-right: var(--rule-width) solid var(--rule);
  min-height: 48px;
  white-space: nowrap;
}
.station:last-child {
  border-right: 0;
}
.dot {
  border: var(--rule-width) solid var(--ink);
  width: 1.7rem;
  height: 1.7rem;
  display: inline-grid;
  place-items: center;
  font-size: 0.9rem;
}
.passed .dot {
  background: var(--ink);
  color: var(--paper);
}
.here .dot {
  border: 2px solid var(--now);
  color: var(--now);
  font-weight: 600;
}
.router-link-exact-active {
  font-weight: 600;
  box-shadow: inset 0 -4px 0 var(--ink);
}
@media (max-width: 700px) {
  .station {
    flex: 0 0 auto;
    padding: 0.5rem 0.6rem;
  }
}
</style>
