<script setup lang="ts">
// A wait that runs: how long it has to last, and when it would be too long. Three signs that differ in shape and words, not in colour alone.
import type { RunningWait } from '@yastik/core/run'
import { computed, ref, watch } from 'vue'
import { isSilent, raise, setSilent, type Alarm } from './alarm.ts'
import Tap from '../kit/Tap.vue'
import { useMeasures } from '../measures/useMeasures.ts'
import { t } from '../words/words.ts'

const { say } = useMeasures()

const props = defineProps<{ wait: RunningWait; nowMs: number }>()
const what = computed(() => say(props.wait.step.wait?.for ?? ''))
const startMs = computed(() => props.wait.leastAtMs - (props.wait.step.wait?.leastMin ?? 0) * 60_000)
const clock = (ms: number) => {
  const seconds = Math.max(0, Math.ceil(ms / 1000))
  const hours = Math.floor(seconds / 3600)
  return `${hours > 0 ? `${hours}:` : ''}${String(Math.floor((seconds % 3600) / 60)).padStart(hours > 0 ? 2 : 1, '0')}:${String(seconds % 60).padStart(2, '0')}`
}
const words = {
  soaking: t('screen.work.still-wait'),
  ready: t('screen.work.may-go'),
  near: t('screen.work.go-on-now-soon-too-long'),
  late: t('screen.work.too-long-rinse-now'),
}
/** So long before the most it asks for somebody. */
const nearMs = 2 * 60_000
const sign = computed<'soaking' | Alarm>(() => {
  const { phase, mostAtMs } = props.wait
  return phase === 'ready' && mostAtMs !== undefined && mostAtMs - props.nowMs <= nearMs ? 'near' : phase
})
// A phone that slept finds out as soon as it wakes: what holds then is what is heard.
watch(sign, (next) => next !== 'soaking' && raise(next), { immediate: true })
const silent = ref(isSilent())
function toggleSilent() {
  silent.value = !silent.value
  setSilent(silent.value)
}
const shown = computed(() => {
  const { phase, leastAtMs, mostAtMs } = props.wait
  if (phase === 'soaking') return clock(leastAtMs - props.nowMs)
  if (phase === 'ready') return mostAtMs === undefined ? t('screen.work.wait-done') : clock(mostAtMs - props.nowMs)
  return `+${clock(props.nowMs - (mostAtMs ?? leastAtMs))}`
})
const spanMs = computed(() => (props.wait.mostAtMs ?? props.wait.leastAtMs) - startMs.value)
const passed = computed(() => Math.min(100, ((props.nowMs - startMs.value) / spanMs.value) * 100))
const least = computed(() => ((props.wait.leastAtMs - startMs.value) / spanMs.value) * 100)
</script>

<template>
  <div class="clock" :class="sign" role="timer" :aria-label="`${what}: ${words[sign]}`" :data-alarm="sign">
    <span class="time">{{ shown }}</span>
    <span class="words"
      ><b>{{ words[sign] }}</b
      ><small>{{ what }}</small></span
    >
    <Tap bare small :pressed="silent" @click="toggleSilent">{{ silent ? t('screen.work.silent') : t('screen.work.sound') }}</Tap>
    <span class="track" aria-hidden="true"><i :style="{ width: `${passed}%` }" /><u :style="{ left: `${least}%` }" /></span>
  </div>
</template>

<style scoped>
.clock {
  display: grid;
  grid-template-columns: auto 1fr auto;
  gap: 0 0.9rem;
  align-items: center;
  border: 2px solid var(--ink);
  padding: 0.4rem 0.8rem 0.5rem;
}
.time {
  font-size: 2.3rem;
  font-weight: 600;
  line-height: 1;
}
.words {
  display: flex;
  flex-direction: column;
  line-height: 1.2;
}
.track {
  grid-column: 1 / -1;
  position: relative;
  height: 10px;
  border: var(--rule-width) solid var(--ink);
  margin-top: 0.4rem;
}
.track i {
  display: block;
  height: 100%;
  background: repeating-linear-gradient(120deg, var(--ink) 0 3px, transparent 3px 6px);
}
.track u {
  position: absolute;
  top: -4px;
  bottom: -4px;
  border-left: 3px solid var(--ink);
}
.ready {
  border-style: double;
  border-width: 6px;
  border-color: var(--now);
}
.near {
  border: 6px solid var(--now);
}
.late {
  background: var(--now);
  color: var(--on-now);
  border-color: var(--now);
}
.late small {
  color: inherit;
}
</style>
