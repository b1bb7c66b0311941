<script setup lang="ts">
// One visit of a day: when, where, who, how one gets in, what is special and missing, and where each of its units stands.
import { clockWords, durationWords } from '@yastik/core/quantities'
import type { JobCard } from '@yastik/core/wire'
import { computed, defineAsyncComponent, ref } from 'vue'
import { RouterLink } from 'vue-router'
import { stationWords } from '../components/stations.ts'
import Tap from '../kit/Tap.vue'
import { useMeasures } from '../measures/useMeasures.ts'
import { spanWords, standWords } from './stopWords.ts'
import type { DayCard } from './useDay.ts'
import { stationRoute } from './stationRoute.ts'
import { t } from '../words/words.ts'
import { dayWords } from '../words/when.ts'

// Opened seldom: loaded then.
const VisitMove = defineAsyncComponent(() => import('./VisitMove.vue'))
const MessageDialog = defineAsyncComponent(() => import('../components/MessageDialog.vue'))

const props = defineProps<{
  card: DayCard
  /** Whether the day it is on has to be said. */ dated?: boolean
  /** Whether who goes has to be said. */ named?: boolean
}>()
const emit = defineEmits<{ changed: [] }>()
const { quantity, say } = useMeasures()
const job = computed(() => props.card.job)
const stop = computed(() => props.card.stop)
/** A message names a time of this day. */
const lastMin = 1439
const moving = ref(false)
const telling = ref(false)
/** A visit on which work has begun keeps its day. */
const isFixed = computed(() => job.value.units.some(({ done }) => done > 0))
function changed() {
  moving.value = false
  telling.value = false
  emit('changed')
}
const missing = computed(() =>
  (props.card.outlook?.missing ?? []).map(
    ({ item, quantity: much, unit }) => `${say(item)} ${unit === 'L' ? quantity(much, 'L') : `${much} ${say(unit)}`}`,
  ),
)
/** Tenths of a unit's steps that are done. */
const tenthsOf = ({ steps, done }: JobCard['units'][number]) => (steps > 0 ? Math.floor((10 * done) / steps + 0.01) : 0)
const how = computed(() => [job.value.contact, job.value.access].filter((text) => text !== ''))
</script>

<template>
  <article class="visit" :class="stop?.state" :data-visit="job.id">
    <p v-if="stop || job.startMin !== null" class="when" :class="{ late: stop?.isLate }" data-when>
      {{ stop ? spanWords(stop) : clockWords(job.startMin ?? 0) }}
    </p>
    <div class="sheet">
      <header class="spread">
        <h3>
          <RouterLink :to="`/sites/${job.siteId}`">{{ job.siteName }}</RouterLink>
        </h3>
        <Tap v-if="!isFixed" bare small data-move-visit @click="moving = true">{{ t('screen.today.move-cancel') }}</Tap>
      </header>
      <p v-if="stop" class="stands" data-stands>{{ standWords(job, stop, card.outlook?.leftMin) }}</p>
      <p v-if="card.outlook?.because" class="small">{{ t('screen.today.nobody-can-tell-how-long', { because: card.outlook.because }) }}</p>
      <p class="small">
        <template v-if="dated">{{ dayWords(job.onDate) }} · </template>
        <template v-if="named">{{ job.crew.join(', ') }} · </template>{{ job.address }}
      </p>
      <p v-if="how.length > 0" class="small" data-access>{{ how.join(' · ') }}</p>
      <p v-if="card.outlook && card.outlook.special.length > 0" class="marks" data-special>
        <span v-for="special in card.outlook.special" :key="special" class="mark">{{ t(`names.special.${special}`) }}</span>
      </p>
      <p v-if="missing.length > 0" class="missing" data-missing>
        {{ t('screen.today.not-enough-van', { missing: missing.join(', ') }) }}
        <RouterLink to="/stores/load">{{ t('screen.today.days-load') }}</RouterLink>
      </p>
      <p v-if="stop?.isLate" class="missing" data-late>
        {{ t('screen.today.about-late', { lateMin: durationWords(stop.lateMin) }) }}
        <Tap small data-tell-late @click="telling = true">{{ t('screen.today.write-customer') }}</Tap>
      </p>
      <ul class="plain">
        <li v-for="unit in job.units" :key="unit.unitId">
          <RouterLink :to="{ name: stationRoute(unit.stage), params: { jobId: job.id, unitId: unit.unitId } }" class="unit">
            <span class="name"
              ><b>{{ unit.name }}</b
              ><small>{{ t(`names.family.${unit.family}`) }}</small></span
            >
            <span class="bar" aria-hidden="true" :style="{ '--tenths': tenthsOf(unit) }" />
            <span class="stage">{{ stationWords(unit) }}</span>
            <span class="go" aria-hidden="true">→</span>
          </RouterLink>
        </li>
      </ul>
      <VisitMove v-if="moving" :job="job" @changed="changed" @close="moving = false" />
      <Suspense v-if="telling && stop?.startMin !== undefined">
        <MessageDialog
          :site-id="job.siteId"
          :site-name="job.siteName"
          :late="{ jobId: job.id, startMin: Math.min(lastMin, Math.round(stop.startMin)) }"
          @sent="changed"
          @close="telling = false"
        />
      </Suspense>
    </div>
  </article>
</template>

<style scoped>
/* Times stand on the line of the day, left of the sheets. */
.visit {
  display: grid;
  grid-template-columns: 4.2rem minmax(0, 1fr);
  gap: 0 0.7rem;
  container-type: inline-size;
}
.when {
  font-weight: 600;
  line-height: 1.15;
  padding-top: 0.75rem;
  overflow-wrap: anywhere;
}
.when.late {
  text-decoration: underline wavy var(--now) 1px;
  text-underline-offset: 0.3em;
}
.sheet {
  grid-column: 2;
  border: var(--rule-width) solid var(--ink);
  padding: 0.5rem 0.8rem 0;
}
.done .sheet {
  border-color: var(--rule);
}
.under-way .sheet {
  border-width: 2px;
}
.stands {
  font-weight: 600;
}
.done .stands {
  font-weight: 400;
}
.marks {
  display: flex;
  flex-wrap: wrap;
  gap: 0.3rem 0.4rem;
  margin: 0.25rem 0;
}
.mark {
  border: var(--rule-width) solid var(--ink);
  padding: 0 0.45rem;
  font-size: 0.85rem;
}
.missing {
  border-left: 6px double var(--now);
  padding-left: 0.6rem;
  margin: 0.3rem 0;
}
.unit {
  display: grid;
  grid-template-columns: minmax(8rem, 1.2fr) minmax(4rem, 1fr) minmax(9rem, 1.2fr) 1.4rem;
  align-items: center;
  gap: 0.2rem 0.8rem;
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
  height: 12px;
  border: var(--rule-width) solid var(--ink);
  background:
    linear-gradient(to left, var(--ink) 1px, var(--paper) 1px 2px, transparent 2px) left / 10% 100%,
    linear-gradient(var(--ink), var(--ink)) left / calc(var(--tenths) * 10%) 100% no-repeat;
}
.go {
  font-size: 1.4rem;
  text-align: right;
}
@container (max-width: 34rem) {
  .unit {
    grid-template-columns: 1fr auto;
  }
  .bar {
    display: none;
  }
  .stage {
    grid-row: 2;
    font-size: 0.9rem;
  }
  .go {
    grid-row: 1 / span 2;
    grid-column: 2;
  }
}
@media (max-width: 700px) {
  .visit {
    grid-template-columns: minmax(0, 1fr);
  }
  .sheet {
    grid-column: 1;
  }
  .when {
    padding: 0.2rem 0;
  }
}
</style>
