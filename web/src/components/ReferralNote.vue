<script setup lang="ts">
// Who has to be called, and why: shown wherever the plan is.
import type { UnitPlan } from '@yastik/core/plan'
import { useMeasures } from '../measures/useMeasures.ts'
import { t } from '../words/words.ts'

const { say } = useMeasures()

defineProps<{ referrals: UnitPlan['referrals'] }>()
</script>

<template>
  <div v-if="referrals.length > 0" class="refer" role="alert">
    <p v-for="(referral, at) in referrals" :key="at">
      <b>{{ t(`names.referee.${referral.to}`) }}:</b> {{ say(referral.because) }}
    </p>
  </div>
</template>

<style scoped>
.refer {
  border-left: 6px double var(--now);
  padding-left: 0.8rem;
}
</style>
