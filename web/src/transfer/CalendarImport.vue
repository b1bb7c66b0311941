<script setup lang="ts">
// Visits from a calendar: first what each entry would do here and what is wrong with it, then, on a person's word, all of it at once.
import { endpoints, type CalendarReceipt, type CalendarRow } from '@yastik/core/wire'
import { computed, ref, shallowRef } from 'vue'
import { ask } from '../api/client.ts'
import { useDoing } from '../api/useServer.ts'
import FaultNote from '../kit/FaultNote.vue'
import FileTap from '../kit/FileTap.vue'
import Tap from '../kit/Tap.vue'
import Ledger from '../kit/Ledger.vue'
import Tick from '../kit/Tick.vue'
import { say, t } from '../words/words.ts'
import { shortWeekdayWords } from '../words/when.ts'

const emit = defineEmits<{ taken: [] }>()
const text = ref('')
const seen = shallowRef<CalendarReceipt>()
const taken = shallowRef<CalendarReceipt['taken']>()
const setAside = ref(false)
const { busy, error, run } = useDoing()
const faulty = computed(() => seen.value?.rows.filter(({ faults }) => faults.length > 0) ?? [])
const doing = computed(() => seen.value?.rows.filter(({ action }) => action === 'plan' || action === 'move' || action === 'cancel') ?? [])
const idle = computed(() => (seen.value?.rows.length ?? 0) - faulty.value.length - doing.value.length)
const columns = [
  { key: 'day', says: t('screen.data.day') },
  { key: 'site', says: t('screen.data.site') },
  { key: 'does', says: t('screen.data.does') },
]
const words: Record<NonNullable<CalendarRow['action']>, string> = {
  plan: t('screen.data.new-visit'),
  move: t('screen.data.moves-day'),
  cancel: t('screen.data.cancelled'),
  nothing: t('screen.data.here-says'),
  'due-day': t('screen.data.due-day-no-visit'),
}

const send = (take?: { setAside: number }) =>
  run(async () => {
    const receipt = await ask(endpoints.takeVisits, { body: { text: text.value, ...(take ? { take } : {}) } })
    if (!take) seen.value = receipt
    else {
      ;[taken.value, seen.value] = [receipt.taken, undefined]
      emit('taken')
    }
  })
async function open([file]: File[]) {
  ;[seen.value, taken.value, setAside.value] = [undefined, undefined, false]
  text.value = await file.text()
  await send()
}
</script>

<template>
  <section class="stack" data-calendar-import>
    <h2>{{ t('screen.data.visits-calendar') }}</h2>
    <p class="small">{{ t('screen.data.icalendar-one-entry-visit-sites') }}</p>
    <FileTap name="calendar" accept=".ics,text/calendar" :disabled="busy" @files="open">{{
      busy ? t('screen.data.reading-2') : t('screen.data.choose-calendar')
    }}</FileTap>
    <FaultNote :error="error" />
    <p v-if="taken" role="status" data-calendar-taken>
      <b>{{ t('screen.data.planned-moved-cancelled', { planned: taken.planned, moved: taken.moved, cancelled: taken.cancelled }) }}</b>
    </p>
    <template v-if="seen">
      <Ledger
        data-calendar-rows
        :title="t('screen.data.calendar-would-do-here')"
        :rows="doing.slice(0, 50)"
        :columns="columns"
        :row-key="({ row }) => row"
      >
        <template #day="{ row }">{{ row.day ? shortWeekdayWords(row.day) : '' }}</template>
        <template #site="{ row }">
          <b>{{ row.siteName }}</b><br /><small>{{ row.summary }}</small>
        </template>
        <template #does="{ row }">{{ row.action ? words[row.action] : '' }}</template>
      </Ledger>
      <p v-if="doing.length > 50" class="small">{{ t('screen.data.more', { doing: doing.length - 50 }) }}</p>
      <p v-if="idle > 0" class="small">
        {{ t('screen.data.entries-change-nothing', { idle }) }}
      </p>
      <div v-if="faulty.length > 0" class="stack" data-calendar-faults>
        <p>
          <b>{{ t('screen.data.entries-not-hold-up', { entries: faulty.length }) }}</b>
        </p>
        <ul class="faults" tabindex="0" :aria-label="t('screen.data.does-not-hold-up')">
          <li v-for="{ row, summary, faults } in faulty" :key="row">
            {{ t('screen.data.entry', { row, summary }) }}
            <span v-for="fault in faults" :key="say(fault.where)"
              >{{ t('screen.data.allowed', { where: fault.where, what: fault.what, allowed: fault.allowed }) }}
            </span>
          </li>
        </ul>
        <Tick v-model="setAside" name="calendar-set-aside">{{ t('screen.data.set-these-aside-take-others') }}</Tick>
      </div>
      <Tap
        v-if="doing.length > 0"
        now
        big
        :off="faulty.length > 0 && !setAside ? t('screen.data.set-faulty-entries-aside-first') : ''"
        :disabled="busy"
        data-take-calendar
        @click="send({ setAside: faulty.length })"
      >
        {{ t('screen.data.do-these', { doing: doing.length }) }}
      </Tap>
    </template>
  </section>
</template>

<style scoped>
.faults {
  max-height: 16rem;
  overflow-y: auto;
  margin: 0;
  padding-left: 1.2rem;
}
</style>
