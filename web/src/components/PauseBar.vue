<script setup lang="ts">
// A person stops for a while: one tap, with a reason if there is one; clocks that run go on and stay in view.
import { pauseOf, type RunningWait, type UnitState } from '@yastik/core/run'
import { durationWords } from '@yastik/core/quantities'
import { computed, ref } from 'vue'
import { useJob } from '../stores/job.ts'
import { useSession } from '../stores/session.ts'
import Tap from '../kit/Tap.vue'
import { useNames } from '../job/useNames.ts'
import { useMeasures } from '../measures/useMeasures.ts'
import { t } from '../words/words.ts'
import { timeWords } from '../words/when.ts'

const { say } = useMeasures()

const props = defineProps<{ unitId: string; state: UnitState; waits: readonly RunningWait[]; nowMs: number }>()
const { personName } = useNames()
const job = useJob()
const session = useSession()
const reasons = [t('screen.work.break'), t('screen.work.waiting-somebody'), t('screen.work.something-missing')]
const asking = ref(false)
const own = computed(() => (session.me ? pauseOf(props.state, session.me.id) : undefined))
const others = computed(() => props.state.pauses.filter((pause) => pause.toMs === undefined && pause.by !== session.me?.id))
const minutes = (fromMs: number) => Math.max(0, Math.floor((props.nowMs - fromMs) / 60_000))
/** The first wait that would run over while one is away. */
const presses = computed(() =>
  props.waits
    .flatMap(({ mostAtMs, step }) => (mostAtMs === undefined ? [] : [{ mostAtMs, what: say(step.wait?.for ?? step.title) }]))
    .sort((a, b) => a.mostAtMs - b.mostAtMs)
    .at(0),
)
async function pause(because?: string) {
  asking.value = false
  await job.add(props.unitId, { type: 'paused', ...(because === undefined ? {} : { because }) })
}
</script>

<template>
  <div class="stack pause">
    <div v-if="own" class="own" role="status" data-paused>
      <p class="words">
        {{ t('screen.work.paused-since', { fromMs: timeWords(own.fromMs) })
        }}<template v-if="own.because">{{ ' ' }}{{ t('screen.work.for', { because: own.because }) }}</template>
        <small>{{ durationWords(minutes(own.fromMs)) }}</small>
      </p>
      <Tap now big data-resume @click="job.add(unitId, { type: 'resumed' })">{{ t('screen.frame.go') }}</Tap>
    </div>
    <template v-else>
      <div v-if="asking" class="chips" role="group" :aria-label="t('screen.work.why-paused')">
        <Tap v-for="reason in reasons" :key="reason" @click="pause(reason)">{{ reason }}</Tap>
        <Tap data-pause-now @click="pause()">{{ t('screen.work.no-reason') }}</Tap>
        <Tap bare @click="asking = false">{{ t('screen.work.not-now') }}</Tap>
      </div>
      <Tap v-else class="start" data-pause @click="asking = true">{{ t('screen.work.pause') }}</Tap>
    </template>
    <p v-if="presses && (own || asking)" class="presses">
      <b>{{ t('screen.work.back-2', { mostAtMs: timeWords(presses.mostAtMs) }) }}</b> {{ t('screen.work.later-too-long', { what: presses.what }) }}
    </p>
    <p v-for="other in others" :key="other.by" class="small">
      {{ t('screen.work.paused', { by: personName(other.by), fromMs: timeWords(other.fromMs) })
      }}<template v-if="other.because">: {{ other.because }}</template
      >.
    </p>
  </div>
</template>

<style scoped>
.own {
  display: flex;
  flex-wrap: wrap;
  gap: 0.8rem;
  align-items: center;
  justify-content: space-between;
  border: 2px dashed var(--ink);
  padding: 0.6rem 0.8rem;
}
.start {
  align-self: flex-start;
}
.words small {
  margin-left: 0.6rem;
}
.words {
  font-size: 1.3rem;
}
.presses {
  border-left: 6px solid var(--now);
  padding-left: 0.6rem;
}
</style>
