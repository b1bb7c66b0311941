<script setup lang="ts">
// Visits from a calendar: first what each entry would do here and what is wrong with it, then, on a person's word, all of it at once.
import { endpoints, type CalendarReceipt, type CalendarRow } from '@yastik/core/wire'
import dayjs from 'dayjs'
import { computed, ref, shallowRef } from 'vue'
import { ask } from '../api/client.ts'
import { useDoing } from '../api/useServer.ts'
import FaultNote from '../kit/FaultNote.vue'
import FileTap from '../kit/FileTap.vue'
import Tap from '../kit/Tap.vue'
import Ledger from '../kit/Ledger.vue'
import Tick from '../kit/Tick.vue'

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
  { key: 'day', says: 'Day' },
  { key: 'site', says: 'Site' },
  { key: 'does', says: 'What it does' },
]
const words: Record<NonNullable<CalendarRow['action']>, string> = {
  plan: 'a new visit',
  move: 'moves to this day',
  cancel: 'is cancelled',
  nothing: 'is here as it says',
  'due-day': 'a due day, no visit',
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
    <h2>Visits from a calendar</h2>
    <p class="small">iCalendar, one entry a visit, with a site’s name or address as its place. What moved or was cancelled there moves here.</p>
    <FileTap name="calendar" accept=".ics,text/calendar" :disabled="busy" @files="open">{{ busy ? 'Reading …' : 'Choose a calendar' }}</FileTap>
    <FaultNote :error="error" />
    <p v-if="taken" role="status" data-calendar-taken>
      <b>{{ taken.planned }} planned, {{ taken.moved }} moved, {{ taken.cancelled }} cancelled.</b>
    </p>
    <template v-if="seen">
      <Ledger data-calendar-rows title="What the calendar would do here" :rows="doing.slice(0, 50)" :columns="columns" :row-key="({ row }) => row">
        <template #day="{ row }">{{ row.day ? dayjs(row.day).format('ddd D MMM YYYY') : '' }}</template>
        <template #site="{ row }">
          <b>{{ row.siteName }}</b><br /><small>{{ row.summary }}</small>
        </template>
        <template #does="{ row }">{{ row.action ? words[row.action] : '' }}</template>
      </Ledger>
      <p v-if="doing.length > 50" class="small">and {{ doing.length - 50 }} more</p>
      <p v-if="idle > 0" class="small">{{ idle }} {{ idle === 1 ? 'entry changes' : 'entries change' }} nothing.</p>
      <div v-if="faulty.length > 0" class="stack" data-calendar-faults>
        <p>
          <b>{{ faulty.length }} {{ faulty.length === 1 ? 'entry does' : 'entries do' }} not hold up.</b>
        </p>
        <ul class="faults" tabindex="0" aria-label="What does not hold up">
          <li v-for="{ row, summary, faults } in faulty" :key="row">
            entry {{ row }}, {{ summary }}:
            <span v-for="fault in faults" :key="fault.where">{{ fault.where }}: {{ fault.what }}; allowed: {{ fault.allowed }}. </span>
          </li>
        </ul>
        <Tick v-model="setAside" name="calendar-set-aside">set these aside and take the others</Tick>
      </div>
      <Tap
        v-if="doing.length > 0"
        now
        big
        :off="faulty.length > 0 && !setAside ? 'set the faulty entries aside first' : ''"
        :disabled="busy"
        data-take-calendar
        @click="send({ setAside: faulty.length })"
      >
        Do these {{ doing.length }}
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
