<script setup lang="ts">
// What the customer said to a quote: the way that was accepted, with the visit that follows; or no.
import type { QuoteOption } from '@yastik/core/plan'
import { wayLetter, type CrewRecord, type QuoteAccept } from '@yastik/core/wire'
import { computed, ref } from 'vue'
import Choice from '../kit/Choice.vue'
import DayField from '../kit/DayField.vue'
import Field from '../kit/Field.vue'
import Tap from '../kit/Tap.vue'
import { usePlace } from '../measures/usePlace.ts'
import CrewPick from './CrewPick.vue'
import { missingForVisit } from './visitMissing.ts'
import { t } from '../words/words.ts'

const props = defineProps<{ offered: readonly QuoteOption[]; toPay: (option: QuoteOption) => number; crew: readonly CrewRecord[] }>()
const emit = defineEmits<{ accepted: [how: Omit<QuoteAccept, 'version'>]; declined: [] }>()
const place = usePlace()
const chosen = ref<string>()
const onDate = ref(place.today())
const crewIds = ref<number[]>(props.crew.slice(0, 2).map(({ id }) => id))
const ways = computed(() => props.offered.map((option, at) => ({ value: option.key, says: `${wayLetter(at)}: ${place.money(props.toPay(option))}` })))
/** What keeps the visit from being planned. */
const missing = computed(() => (chosen.value === undefined ? t('screen.quotes.tap-way-accepted') : missingForVisit(crewIds.value, onDate.value)))
const accept = () => chosen.value !== undefined && emit('accepted', { option: chosen.value, onDate: onDate.value, crewIds: crewIds.value })
</script>

<template>
  <section class="stack no-print ruled-top" data-answer>
    <h2>{{ t('screen.quotes.customer-said') }}</h2>
    <div class="row inline">
      <Choice v-model="chosen" :label="t('screen.quotes.way-accepted')" mark="accept" :options="ways" />
      <Field :label="t('screen.quotes.day-visit')"><DayField v-model="onDate" name="on-date" /></Field>
      <CrewPick v-model="crewIds" :crew="crew" />
      <Tap now big :off="missing" data-accepted @click="accept">{{ t('screen.quotes.accepted-plan-visit') }}</Tap>
      <Tap data-declined @click="emit('declined')">{{ t('screen.quotes.declined') }}</Tap>
    </div>
  </section>
</template>
