<script setup lang="ts">
// One visit: where, who, and where each of its units stands.
import { familyNames } from '@yastik/core/units'
import type { JobCard } from '@yastik/core/wire'
import dayjs from 'dayjs'
import { computed, defineAsyncComponent, ref } from 'vue'
import { RouterLink } from 'vue-router'
import { stageWords } from './stages.ts'
import Tap from '../kit/Tap.vue'

// Opened seldom: loaded then.
const JobMove = defineAsyncComponent(() => import('./JobMove.vue'))

const props = defineProps<{ job: JobCard }>()
const emit = defineEmits<{ changed: [] }>()
const moving = ref(false)
/** A visit on which work has begun keeps its day. */
const isFixed = computed(() => props.job.units.some(({ done }) => done > 0))
function changed() {
  moving.value = false
  emit('changed')
}
const stationOf = (stage: string) => (stage === 'handed-over' ? 'record' : stage)
</script>

<template>
  <article class="sheet">
    <header class="spread">
      <h2>{{ job.siteName }}</h2>
      <span class="small"
        >{{ dayjs(job.onDate).format('ddd D MMM') }} · {{ job.crew.join(', ') }}
        <Tap v-if="!isFixed" bare small :aria-expanded="moving" data-move-visit @click="moving = !moving">Move or cancel</Tap></span
      >
    </header>
    <p class="small">{{ job.address }}</p>
    <Suspense v-if="moving"><JobMove :job="job" @changed="changed" @close="moving = false" /></Suspense>
    <ul class="plain">
      <li v-for="unit in job.units" :key="unit.unitId">
        <RouterLink :to="{ name: stationOf(unit.stage), params: { jobId: job.id, unitId: unit.unitId } }" class="unit">
          <span class="name"
            ><b>{{ unit.name }}</b
            ><small>{{ familyNames[unit.family] }}</small></span
          >
          <span class="bar" aria-hidden="true"
            ><i v-for="n in 10" :key="n" :class="{ full: unit.steps > 0 && unit.done / unit.steps >= n / 10 - 0.001 }"
          /></span>
          <span class="stage">{{ stageWords(unit) }}</span>
          <span class="go" aria-hidden="true">→</span>
        </RouterLink>
      </li>
    </ul>
  </article>
</template>

<style scoped>
.sheet {
  border: var(--rule-width) solid var(--ink);
  padding: 0.7rem 0.9rem 0;
}
.unit {
  display: grid;
  grid-template-columns: minmax(12rem, 1.3fr) 11rem minmax(12rem, 1.2fr) 2rem;
  align-items: center;
  gap: 1rem;
  min-height: var(--touch);
  border-top: var(--rule-width) solid var(--rule);
  text-decoration: none;
  padding: 0.3rem 0;
}
.unit:hover {
  background: var(--paper-deep);
}
.name {
  display: flex;
  flex-direction: column;
  line-height: 1.2;
}
.bar {
  display: flex;
  gap: 2px;
}
.bar i {
  flex: 1;
  height: 14px;
  border: var(--rule-width) solid var(--ink);
}
.bar i.full {
  background: var(--ink);
}
.go {
  font-size: 1.4rem;
  text-align: right;
}
@media (max-width: 700px) {
  .unit {
    grid-template-columns: 1fr auto;
  }
  .bar {
    display: none;
  }
  .stage {
    grid-row: 2;
  }
}
</style>
