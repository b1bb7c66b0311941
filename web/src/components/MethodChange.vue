<script setup lang="ts">
// What was found since the method was agreed, and what it changes.
import type { Change } from '@yastik/core/run'
import Tap from '../kit/Tap.vue'
import { useMeasures } from '../measures/useMeasures.ts'
import { t } from '../words/words.ts'

const { say } = useMeasures()

defineProps<{ change: Change }>()
const emit = defineEmits<{ agree: [] }>()
</script>

<template>
  <section class="change stack" role="status" data-change>
    <h2>{{ t('screen.method.found-since-changes-work') }}</h2>
    <p class="small">{{ t('screen.method.do-house-rules-stores-changed') }}</p>
    <div v-if="change.added.length > 0">
      <h3>{{ t('screen.method.comes') }}</h3>
      <ul>
        <li v-for="step in change.added" :key="step.id">{{ say(step.title) }}</li>
      </ul>
    </div>
    <div v-if="change.gone.length > 0">
      <h3>{{ t('screen.method.falls-away') }}</h3>
      <ul>
        <li v-for="step in change.gone" :key="step.id">{{ say(step.title) }}</li>
      </ul>
    </div>
    <ul v-if="change.reasons.length > 0" class="plain">
      <li v-for="reason in change.reasons" :key="say(reason)">{{ say(reason) }}</li>
    </ul>
    <Tap now big data-agree-change :off="change.reasons.length > 0 ? t('screen.method.cannot-be-changed-now') : ''" @click="emit('agree')">
      {{ t('screen.method.agree-change-done-stays-done') }}
    </Tap>
  </section>
</template>

<style scoped>
.change {
  border: 2px dashed var(--now);
  padding: 0.6rem 0.9rem;
}
</style>
