<script setup lang="ts">
// A photograph that a step asks for is taken, or left out with a tap on a reason.
import { useJob } from '../stores/job.ts'
import Tap from '../kit/Tap.vue'
import { t } from '../words/words.ts'

const props = defineProps<{ unitId: string; stepId: string; because?: string }>()
const job = useJob()
const reasons = [
  t('screen.proof.earlier-photograph'),
  t('screen.proof.hands-wet'),
  t('screen.proof.too-dark-too-tight'),
  t('screen.proof.nobody-wants'),
]
const leaveOut = (because: string) => job.add(props.unitId, { type: 'photo-left-out', stepId: props.stepId, because })
</script>

<template>
  <p v-if="because" class="small" data-photo-left-out>{{ t('screen.proof.no-photograph', { because }) }}</p>
  <div v-else class="chips" role="group" :aria-label="t('screen.proof.leave-photograph-out-because')">
    <span class="small">{{ t('screen.proof.none') }}</span>
    <Tap v-for="reason in reasons" :key="reason" data-leave-photo @click="leaveOut(reason)">{{ reason }}</Tap>
  </div>
</template>

<style scoped>
/* On a phone the reasons stay one row that moves sideways, so that what ends the step stays in sight. */
@media (max-width: 700px) {
  .chips {
    flex-wrap: nowrap;
    overflow-x: auto;
  }
  .chips > * {
    flex: none;
  }
}
</style>
