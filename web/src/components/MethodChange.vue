<script setup lang="ts">
// What was found since the method was agreed, and what it changes.
import type { Change } from '@yastik/core/run'
import Tap from '../kit/Tap.vue'
import { useMeasures } from '../measures/useMeasures.ts'

const { say } = useMeasures()

defineProps<{ change: Change }>()
const emit = defineEmits<{ agree: [] }>()
</script>

<template>
  <section class="change stack" role="status" data-change>
    <h2>What was found since changes the work</h2>
    <p class="small">So do house rules and stores that changed meanwhile.</p>
    <div v-if="change.added.length > 0">
      <h3>Comes in</h3>
      <ul>
        <li v-for="step in change.added" :key="step.id">{{ say(step.title) }}</li>
      </ul>
    </div>
    <div v-if="change.gone.length > 0">
      <h3>Falls away</h3>
      <ul>
        <li v-for="step in change.gone" :key="step.id">{{ say(step.title) }}</li>
      </ul>
    </div>
    <ul v-if="change.reasons.length > 0" class="plain">
      <li v-for="reason in change.reasons" :key="reason">{{ say(reason) }}</li>
    </ul>
    <Tap now big data-agree-change :off="change.reasons.length > 0 ? 'it cannot be changed now: see above' : ''" @click="emit('agree')">
      Agree the change, what is done stays done
    </Tap>
  </section>
</template>

<style scoped>
.change {
  border: 2px dashed var(--now);
  padding: 0.6rem 0.9rem;
}
</style>
