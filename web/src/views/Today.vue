<script setup lang="ts">
// The day as it goes: who is where when, what this person does next; what is left over, and what comes next.
import { endpoints, type JobCard } from '@yastik/core/wire'
import { computed } from 'vue'
import { ask } from '../api/client.ts'
import { useDoing } from '../api/useServer.ts'
import FaultNote from '../kit/FaultNote.vue'
import Tap from '../kit/Tap.vue'
import { clearShelf, fetchAhead } from '../offline/shelf.ts'
import { useJob } from '../stores/job.ts'
import { useSession } from '../stores/session.ts'
import CrewDayLine from '../today/CrewDayLine.vue'
import NextForYou from '../today/NextForYou.vue'
import { useDay } from '../today/useDay.ts'
import VisitSheet from '../today/VisitSheet.vue'
import { t } from '../words/words.ts'
import { weekdayWords } from '../words/when.ts'

useJob().close()
const session = useSession()
const me = computed(() => session.me?.id ?? 0)
const { day, cards, crews, nowMin, cancelled, left, coming, fromDevice, error, load } = useDay()
const taking = useDoing()
const takeBack = ({ id, onDate, crewIds, revision }: JobCard) =>
  taking.run(async () => {
    await ask(endpoints.moveJob, { params: { id }, body: { onDate, crewIds, revision } })
    await load()
  })
/** Whose own day comes first; the others in the order of their first visit. */
const lines = computed(() => {
  const isMine = ({ ids }: { ids: readonly number[] }) => ids.includes(me.value)
  return [...crews.value].sort((one, other) => Number(isMine(other)) - Number(isMine(one)))
})

const ids = await load()
// Everything for today is on the device before anybody goes where there is no signal.
if (ids.length > 0) void clearShelf().then(() => fetchAhead(ids))
</script>

<template>
  <div class="page stack">
    <div class="spread">
      <h1>{{ weekdayWords(day) }}</h1>
      <div class="row">
        <Tap to="/stores/load">{{ t('screen.today.days-load') }}</Tap>
        <Tap to="/sites">{{ t('screen.today.plan-visit-site') }}</Tap>
      </div>
    </div>
    <FaultNote :error="error ?? taking.error.value" />
    <p v-if="fromDevice" role="status" data-from-device>{{ t('screen.today.no-signal-server-said-last') }}</p>
    <NextForYou :cards="cards" :me="me" />
    <p v-if="!error && cards.length === 0">{{ t('screen.today.nothing-planned-today-open-site') }}</p>
    <div class="lines">
      <CrewDayLine v-for="crew in lines" :key="crew.key" :crew="crew" :now-min="nowMin" @changed="load" />
    </div>
    <ul v-if="cancelled.length > 0" class="plain ruled-top" :aria-label="t('screen.today.cancelled-today')">
      <li v-for="job in cancelled" :key="job.id" class="cancelled" :data-cancelled="job.siteName">
        <span
          ><s>{{ job.siteName }}</s> <small>{{ job.crew.join(', ') }}</small> {{ t('screen.today.cancelled-nobody-goes') }}</span
        >
        <Tap small :disabled="taking.busy.value" data-take-back @click="takeBack(job)">{{ t('screen.today.go-after-all') }}</Tap>
      </li>
    </ul>
    <template v-if="left.length > 0"
      ><h2 class="ruled-top">{{ t('screen.today.left-open') }}</h2>
      <VisitSheet v-for="job in left" :key="job.id" :card="{ job }" dated named @changed="load"
    /></template>
    <template v-if="coming.length > 0"
      ><h2 class="ruled-top">{{ t('screen.today.coming') }}</h2>
      <VisitSheet v-for="job in coming" :key="job.id" :card="{ job }" dated named @changed="load"
    /></template>
  </div>
</template>

<style scoped>
/* Days of the week begin small in some languages, and head a page here. */
h1::first-letter {
  text-transform: uppercase;
}
/* All crews side by side, as many as there is room for. */
.lines {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(26rem, 100%), 1fr));
  gap: 1.2rem 1.6rem;
  align-items: start;
}
.cancelled {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  justify-content: space-between;
  gap: 0.3rem 1rem;
}
</style>
