<script setup lang="ts">
// What follows from a look-over, as far as it went: the method, its minutes, what the unit still does, and what the signs point to.
import { type Choice } from '@yastik/core/method'
import type { UnitPlan } from '@yastik/core/plan'
import { computed } from 'vue'
import Fold from '../kit/Fold.vue'
import Tap from '../kit/Tap.vue'
import ReferralNote from './ReferralNote.vue'
import { useMeasures } from '../measures/useMeasures.ts'
import { usePlace } from '../measures/usePlace.ts'
import { nameOf } from '@yastik/core/words'
import { t } from '../words/words.ts'

const { say } = useMeasures()
const place = usePlace()

const props = defineProps<{ jobId: string; unitId: string; plan: UnitPlan; isGraded: boolean }>()
const scope = computed(() => props.plan.decisions.find(({ topic }) => topic === 'scope'))
const minutes = computed(() => Math.round(props.plan.steps.reduce((sum, { handsMin }) => sum + handsMin, 0)))
const helps = {
  yes: t('screen.method.cleaning-helps'),
  partly: t('screen.method.cleaning-helps-part'),
  no: t('screen.method.cleaning-does-not-help'),
}
/** What its soil costs in electricity, where anybody noted the price, and as far as it is worth a word. */
const fouling = computed(() => {
  const { fouledCostLow: low = 0, fouledCostHigh: high = 0 } = props.plan.expected
  return high >= 1 ? t('screen.method.soil-costs-year', { low: place.whole(low), high: place.whole(high) }) : undefined
})
const wholeWords = (choice: string) => t(`names.choice.${choice as Choice}`)
</script>

<template>
  <aside class="stack" :aria-label="t('screen.method.follows')">
    <template v-if="scope">
      <p class="eyebrow">{{ isGraded ? t('screen.method.graded-far') : t('screen.method.before-anything-graded') }}</p>
      <h2 class="verdict" data-scope>{{ wholeWords(scope.choice) }}</h2>
      <ul class="because">
        <li v-for="(reason, at) in scope.because" :key="at">{{ say(reason) }}</li>
      </ul>
      <div class="figures">
        <div>
          <span class="figure"
            >{{ minutes }}<small>{{ t('screen.method.min-work') }}</small></span
          >
        </div>
        <template v-if="plan.expected.basedOn !== 'nothing'">
          <div>
            <span class="figure"
              >{{ Math.round(plan.expected.airflowShareNow * 100) }}<small>{{ t('screen.method.air') }}</small></span
            >
          </div>
          <div data-cooling-now>
            <span class="figure"
              >{{ Math.round(plan.expected.coolingShareNow * 100) }}<small>{{ t('screen.method.cooling') }}</small></span
            >
          </div>
        </template>
      </div>
      <p v-if="plan.expected.basedOn === 'nothing'" class="small" data-nothing-known>
        {{ t('screen.method.still-does-told-once-filter') }}
      </p>
      <p v-else-if="plan.expected.basedOn === 'readings'" class="small">{{ t('screen.method.air-cooling-told-readings') }}</p>
      <p v-if="fouling" class="small" data-fouling-cost>{{ fouling }}</p>
      <ReferralNote :referrals="plan.referrals" />
      <h3 class="ruled-top">{{ t('screen.method.likely-causes') }}</h3>
      <p v-if="plan.diagnosis.length === 0" class="small">{{ t('screen.method.nothing-points-anywhere-yet') }}</p>
      <ol class="plain causes">
        <li v-for="entry in plan.diagnosis.slice(0, 4)" :key="entry.cause">
          <Fold>
            <template #title>
              <span
                ><span class="weight">{{ Math.round(entry.weight * 100) }}<small>%</small></span
                ><b>{{ say(nameOf('cause', entry.cause)) }}</b> <span class="small">{{ helps[entry.cleaningHelps] }}</span></span
              >
            </template>
            <ul>
              <li v-for="(line, at) in entry.evidence" :key="at" class="small">{{ say(line) }}</li>
            </ul>
          </Fold>
        </li>
      </ol>
      <Tap now big :to="{ name: 'method', params: { jobId, unitId } }">{{ t('screen.method.see-method') }}</Tap>
    </template>
  </aside>
</template>

<style scoped>
.verdict {
  font-size: 1.6rem;
  line-height: 1.1;
}
.verdict::first-letter {
  text-transform: uppercase;
}
.because {
  margin: 0;
  padding-left: 1.1rem;
}
.causes li {
  border-bottom: var(--rule-width) solid var(--rule);
}
.weight {
  display: inline-block;
  min-width: 3.2rem;
  font-weight: 600;
}
</style>
