<script setup lang="ts">
// What this person does next, one tap away.
import { clockWords } from '@yastik/core/quantities'
import { computed } from 'vue'
import Tap from '../kit/Tap.vue'
import type { DayCard } from './useDay.ts'
import { useMeasures } from '../measures/useMeasures.ts'
import { t } from '../words/words.ts'

const { say } = useMeasures()

const props = defineProps<{ cards: readonly DayCard[]; me: number }>()
const mine = computed(() => props.cards.filter(({ job }) => job.crewIds.includes(props.me)))
const card = computed(() => mine.value.find(({ job }) => job.units.some(({ stage }) => stage !== 'handed-over')))
const next = computed(() => {
  const { job, outlook, stop } = card.value ?? {}
  if (!job) return undefined
  const open = job.units.filter(({ stage }) => stage !== 'handed-over')
  const task = outlook?.next.find(({ userId }) => userId === props.me)
  // Where work is under way it goes on; what nobody looked over comes before what is planned by forecast.
  const unit = open.find(({ stage }) => stage === 'at-the-unit' || stage === 'proof') ?? open.find(({ unitId }) => unitId === task?.unitId) ?? open[0]
  const own = task?.unitId === unit.unitId && unit.stage === 'at-the-unit' ? task.title : undefined
  const does = {
    'look-over': t('screen.today.look-over'),
    method: t('screen.today.agree-method'),
    'at-the-unit': own ?? t('screen.today.go-unit'),
    proof: t('screen.today.prove'),
    'handed-over': '',
  }[unit.stage]
  return {
    does,
    to: { name: unit.stage, params: { jobId: job.id, unitId: unit.unitId } },
    where: `${unit.name}, ${job.siteName}`,
    when: stop?.state === 'to-come' && stop.startMin !== undefined ? t('screen.today.from', { startMin: clockWords(stop.startMin) }) : '',
  }
})
</script>

<template>
  <section v-if="mine.length > 0" class="next" :aria-label="t('screen.today.next-you')" data-next>
    <template v-if="next">
      <p>
        <b>{{ say(next.does) }}</b> <span>{{ next.where }}</span> <small v-if="next.when">{{ next.when }}</small>
      </p>
      <Tap :to="next.to" now data-go-on>{{ t('screen.today.go') }}</Tap>
    </template>
    <p v-else>{{ t('screen.today.all-planned-you-today-handed') }}</p>
  </section>
</template>

<style scoped>
.next {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  justify-content: space-between;
  gap: 0.5rem 1rem;
  border: 2px solid var(--ink);
  padding: 0.5rem 0.9rem;
}
.next p {
  flex: 1 1 14rem;
}
.next span {
  margin-left: 0.4rem;
}
</style>
