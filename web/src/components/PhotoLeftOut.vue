<script setup lang="ts">
// A photograph that a step asks for is taken, or left out with a tap on a reason.
import { useJob } from '../stores/job.ts'
import Tap from '../kit/Tap.vue'

const props = defineProps<{ unitId: string; stepId: string; because?: string }>()
const job = useJob()
const reasons = ['as on an earlier photograph', 'hands are wet', 'too dark or too tight', 'nobody wants it']
const leaveOut = (because: string) => job.add(props.unitId, { type: 'photo-left-out', stepId: props.stepId, because })
</script>

<template>
  <p v-if="because" class="small" data-photo-left-out>No photograph: {{ because }}.</p>
  <div v-else class="chips" role="group" aria-label="Leave the photograph out, because">
    <span class="small">Or none:</span>
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
