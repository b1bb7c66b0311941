<script setup lang="ts">
// Calendars that other programs fetch by themselves: a secret address each, made for oneself or, by owners, for whomever; taken back at once.
import { dayWords } from '@yastik/core/quantities'
import { endpoints, type CalendarRecord, type PersonRecord } from '@yastik/core/wire'
import { computed, ref } from 'vue'
import { ask } from '../api/client.ts'
import { useAsked, useDoing } from '../api/useServer.ts'
import ShownOnce from '../components/ShownOnce.vue'
import FaultNote from '../kit/FaultNote.vue'
import Pick from '../kit/Pick.vue'
import Tap from '../kit/Tap.vue'
import Tick from '../kit/Tick.vue'
import { useSession } from '../stores/session.ts'

const props = defineProps<{ isOwner: boolean }>()
const session = useSession()
const list = useAsked(endpoints.calendars, () => ({}))
const people = props.isOwner ? useAsked(endpoints.people, () => ({})) : undefined
const doing = useDoing()
const error = computed(() => doing.error.value ?? list.error.value ?? people?.error.value)
const made = ref<{ whose: string; address: string }>()
const sure = ref<string>()
/** Whose visits: a person's id, or nothing for the whole firm. */
const whose = ref('')
const showsContact = ref(false)
const wholeFirm = 'the whole firm'
const options = computed(() => [
  { value: '', says: wholeFirm },
  ...(people?.said.value ?? []).filter(({ active }: PersonRecord) => active).map(({ id, name }) => ({ value: String(id), says: name })),
])
const whoseWords = ({ person }: CalendarRecord) => person ?? wholeFirm

const attempt = (work: () => Promise<void>) => {
  sure.value = undefined
  return doing.run(async () => {
    await work()
    await list.reload()
  })
}
const make = () =>
  attempt(async () => {
    const own = session.me?.id ?? null
    const personId = props.isOwner ? (whose.value === '' ? null : Number(whose.value)) : own
    const { record, path } = await ask(endpoints.makeCalendar, { body: { personId, showsContact: props.isOwner && showsContact.value } })
    made.value = { whose: whoseWords(record), address: `${location.origin}${path}` }
  })
const end = (id: string) =>
  attempt(async () => {
    await ask(endpoints.endCalendar, { params: { id } })
    made.value = undefined
  })
</script>

<template>
  <section class="stack" data-calendars>
    <h2>A calendar that keeps itself up to date</h2>
    <p class="small">
      Give the address to a calendar program: it fetches the visits by itself, with day and time, place, units and who goes. Whoever has the address
      sees them, without signing in; take it back here when it should end.
    </p>
    <FaultNote :error="error" />
    <ShownOnce v-if="made" :secret="made.address"
      >Visits of <b>{{ made.whose }}</b></ShownOnce
    >
    <div class="row inline">
      <template v-if="isOwner">
        <label class="whose">Visits of <Pick v-model="whose" name="calendar-of" label="Whose visits" :options="options" /></label>
        <Tick v-model="showsContact" name="calendar-contact">with the first name of whom to ask for</Tick>
      </template>
      <Tap data-make-calendar :disabled="doing.busy.value" @click="make">{{ isOwner ? 'Make an address' : 'Make an address of your visits' }}</Tap>
    </div>
    <ul v-if="(list.said.value ?? []).length > 0" class="plain acts">
      <li v-for="own in list.said.value ?? []" :key="own.id" :data-calendar="whoseWords(own)">
        <div class="which">
          <b>{{ whoseWords(own) }}</b> <span v-if="own.showsContact">with first names</span>
          <small
            >made by {{ own.madeBy }} on {{ dayWords(own.madeAt) }};
            {{ own.usedAt ? `last fetched ${dayWords(own.usedAt)}` : 'not fetched yet' }}</small
          >
        </div>
        <Tap v-if="sure !== own.id" data-end-calendar @click="sure = own.id">Take it back</Tap>
        <Tap v-else now data-end-calendar-sure @click="end(own.id)">Yes, nothing is there any more</Tap>
      </li>
    </ul>
  </section>
</template>

<style scoped>
.whose {
  display: flex;
  white-space: nowrap;
  align-items: center;
  gap: 0.6rem;
}
</style>
