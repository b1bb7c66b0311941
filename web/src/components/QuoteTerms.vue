<script setup lang="ts">
// What is added to a quote or taken off, and until when its prices stand.
import type { QuoteRecord } from '@yastik/core/wire'
import { ref } from 'vue'
import DayField from '../kit/DayField.vue'
import Field from '../kit/Field.vue'
import Form from '../kit/Form.vue'
import NumberField from '../kit/NumberField.vue'
import Tap from '../kit/Tap.vue'
import TextField from '../kit/TextField.vue'
import { usePlace } from '../measures/usePlace.ts'
import { t } from '../words/words.ts'

export type Terms = Partial<Pick<QuoteRecord, 'adjustments' | 'validUntil'>>
const props = defineProps<{ quote: QuoteRecord; /** @returns whether it was changed */ change: (terms: Terms) => Promise<boolean> }>()
const place = usePlace()
const added = ref<{ what: string; amount: number | undefined }>({ what: '', amount: undefined })
async function add() {
  const { what, amount = Number.NaN } = added.value
  if (await props.change({ adjustments: [...props.quote.adjustments, { what, amount }] })) added.value = { what: '', amount: undefined }
}
const takeAway = (index: number) => props.change({ adjustments: props.quote.adjustments.filter((_, at) => at !== index) })
</script>

<template>
  <section class="stack no-print ruled-top">
    <h2>{{ t('screen.quotes.added-taken-off') }}</h2>
    <ul v-if="quote.adjustments.length > 0" class="plain">
      <li v-for="(entry, index) in quote.adjustments" :key="index" class="row">
        <span>{{ entry.what }}: {{ place.change(entry.amount) }}</span>
        <Tap bare :aria-label="t('screen.quotes.take-away', { what: entry.what })" @click="takeAway(index)">{{ t('screen.quotes.take-away-2') }}</Tap>
      </li>
    </ul>
    <Form inline @submit="add">
      <Field :label="t('screen.quotes.for-what')"><TextField v-model="added.what" name="adjust-what" maxlength="120" /></Field>
      <Field :label="t('screen.quotes.amount-below-zero-takes-off')" :unit="place.currency.value"
        ><NumberField v-model="added.amount" name="adjust-amount"
      /></Field>
      <Tap
        type="submit"
        :off="added.what.trim() === '' ? t('screen.quotes.say') : Number.isFinite(added.amount) ? '' : t('screen.quotes.enter-amount')"
        >{{ t('screen.quotes.add-every-way') }}</Tap
      >
      <Field :label="t('screen.quotes.prices-stand-until-2')"
        ><DayField :model-value="quote.validUntil" name="valid-until" @commit="change({ validUntil: $event })"
      /></Field>
      <slot />
    </Form>
  </section>
</template>
