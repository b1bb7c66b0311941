<script setup lang="ts">
// Calendars that other programs fetch by themselves: a secret address each, made for oneself or, by owners, for whomever; taken back at once.
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
import { t } from '../words/words.ts'
import { dayWords } from '../words/when.ts'

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
const wholeFirm = t('screen.data.whole-firm')
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
    <h2>{{ t('screen.data.calendar-keeps-itself-up-date') }}</h2>
    <p class="small">
      {{ t('screen.data.give-address-calendar-program-fetches') }}
    </p>
    <FaultNote :error="error" />
    <ShownOnce v-if="made" :secret="made.address"
      >{{ t('screen.data.visits') }} <b>{{ made.whose }}</b></ShownOnce
    >
    <div class="row inline">
      <template v-if="isOwner">
        <label class="whose"
          >{{ t('screen.data.visits') }} <Pick v-model="whose" name="calendar-of" :label="t('screen.data.whose-visits')" :options="options"
        /></label>
        <Tick v-model="showsContact" name="calendar-contact">{{ t('screen.data.first-name-whom-ask') }}</Tick>
      </template>
      <Tap data-make-calendar :disabled="doing.busy.value" @click="make">{{
        isOwner ? t('screen.data.make-address') : t('screen.data.make-address-your-visits')
      }}</Tap>
    </div>
    <ul v-if="(list.said.value ?? []).length > 0" class="plain acts">
      <li v-for="own in list.said.value ?? []" :key="own.id" :data-calendar="whoseWords(own)">
        <div class="which">
          <b>{{ whoseWords(own) }}</b> <span v-if="own.showsContact">{{ t('screen.data.first-names') }}</span>
          <small>{{
            t('screen.data.made', {
              madeBy: own.madeBy,
              madeAt: dayWords(own.madeAt),
              lastFetched: own.usedAt ? t('screen.data.last-fetched', { usedAt: dayWords(own.usedAt) }) : t('screen.data.not-fetched-yet'),
            })
          }}</small>
        </div>
        <Tap v-if="sure !== own.id" data-end-calendar @click="sure = own.id">{{ t('screen.data.take-back') }}</Tap>
        <Tap v-else now data-end-calendar-sure @click="end(own.id)">{{ t('screen.data.yes-nothing-any-more') }}</Tap>
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
