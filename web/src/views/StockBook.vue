<script setup lang="ts">
// Stock: what may be used of each product, lot by lot; what to buy; what came and went, and where it was used.
import { endpoints, stockFormSchema, type StockForm, type StockRecord } from '@yastik/core/wire'
import { computed, ref } from 'vue'
import { RouterLink, useRoute } from 'vue-router'
import { ask } from '../api/client.ts'
import { useAsked, useDoing, usePages } from '../api/useServer.ts'
import type { Column } from '../kit/column.ts'
import FaultNote from '../kit/FaultNote.vue'
import NumberField from '../kit/NumberField.vue'
import StoresPages from '../components/StoresPages.vue'
import { useMeasures } from '../measures/useMeasures.ts'
import { usePlace } from '../measures/usePlace.ts'
import { useJob } from '../stores/job.ts'
import Tap from '../kit/Tap.vue'
import Field from '../kit/Field.vue'
import TextField from '../kit/TextField.vue'
import DayField from '../kit/DayField.vue'
import Form from '../kit/Form.vue'
import Pick from '../kit/Pick.vue'
import Choice from '../kit/Choice.vue'
import Ledger from '../kit/Ledger.vue'
import { t } from '../words/words.ts'
import { dayWords, momentWords } from '../words/when.ts'

useJob().close()
const place = usePlace()
const { product: wanted } = useRoute().query as { product?: string }
const { quantity, say, unit } = useMeasures()
const asked = useAsked(endpoints.stock, () => ({}))
const stock = asked.said
const ledger = usePages(endpoints.stockMoves)
const { entries: moves, hasMore, more } = ledger
const doing = useDoing()
const error = computed(() => doing.error.value ?? asked.error.value ?? ledger.error.value)
const saved = ref('')
type Kind = 'bought' | 'counted' | 'thrown-out'
const kinds: { value: Kind; says: string }[] = [
  { value: 'bought', says: t('screen.stores.bought') },
  { value: 'counted', says: t('screen.stores.counted-what-is-there') },
  { value: 'thrown-out', says: t('screen.stores.thrown-out') },
]
const form = ref<{ productId: string; kind: Kind; litres: number | undefined; lot: string; labelDate: string }>({
  productId: '',
  kind: 'bought',
  litres: undefined,
  lot: '',
  labelDate: '',
})
const moveWords = {
  bought: t('screen.stores.bought'),
  counted: t('screen.stores.counted'),
  'thrown-out': t('screen.stores.thrown-out'),
  used: t('screen.stores.used'),
} as const

await Promise.all([asked.ready(), ledger.ready()])
form.value.productId = wanted ?? stock.value?.products[0]?.productId ?? ''
const known = computed(() => stock.value?.products.find(({ productId }) => productId === form.value.productId)?.lots ?? [])
const toBuy = computed(() => stock.value?.products.filter(({ buy }) => buy) ?? [])
const cost = computed(() => toBuy.value.reduce((sum, { buy }) => sum + (buy?.cost ?? 0), 0))
/** A lot that is tapped is the one that is spoken of. */
function pick(productId: string, { lot, labelDate = '' }: StockRecord['products'][number]['lots'][number]) {
  form.value = { ...form.value, productId, lot, labelDate }
}
/** A known lot brings its date along. */
function setLot(lot: string) {
  form.value.lot = lot
  const own = known.value.find((other) => other.lot === lot)
  if (own) form.value.labelDate = own.labelDate ?? ''
}
/** What is noted, as it is sent: what was not entered is not there, and is told as missing. */
const sends = computed(() => {
  const { labelDate, litres, ...rest } = form.value
  return { ...rest, ...(litres === undefined ? {} : { litres }), ...(labelDate === '' ? {} : { labelDate }) }
})
async function note() {
  saved.value = ''
  const isNoted = await doing.run(async () => {
    asked.set(await ask(endpoints.noteStock, { body: sends.value as StockForm }))
    await ledger.reload()
  })
  if (!isNoted) return
  saved.value = t('screen.stores.noted')
  form.value = { ...form.value, litres: undefined, lot: '', labelDate: '' }
}
const products = computed(() => stock.value?.products.map(({ productId, name }) => ({ value: productId, says: say(name) })) ?? [])
const columns: Column<StockRecord['products'][number]>[] = [
  { key: 'name', says: t('screen.stores.product'), sort: ({ name }) => name },
  { key: 'usable', says: t('screen.stores.may-used-2'), number: true, sort: ({ usableL }) => usableL ?? undefined },
  { key: 'lots', says: t('screen.stores.lots') },
  { key: 'weekly', says: t('screen.stores.week'), number: true, sort: ({ weeklyL }) => weeklyL },
  { key: 'planned', says: t('screen.stores.planned'), number: true, sort: ({ plannedL }) => plannedL },
]
const moveColumns = [
  { key: 'at', says: t('screen.stores.when'), oneLine: true },
  { key: 'litres', says: t('screen.stores.how-much'), number: true },
  { key: 'product', says: t('screen.stores.product') },
  { key: 'what', says: t('screen.stores.what') },
  { key: 'by', says: t('screen.stores.who') },
]
const signed = (litres: number) => `${litres < 0 ? '−' : '+'}${quantity(Math.abs(litres), 'L')}`
</script>

<template>
  <div class="page stack">
    <div class="spread">
      <h1>{{ t('screen.stores.came-went') }}</h1>
      <StoresPages />
    </div>
    <FaultNote v-if="!stock" :error="error" />
    <template v-if="stock">
      <section v-if="toBuy.length > 0" class="buy" data-to-buy>
        <h2>
          {{ t('screen.stores.buy') }}<template v-if="cost > 0">, {{ place.about(cost) }}</template>
        </h2>
        <ul>
          <li v-for="{ productId, name, buy } in toBuy" :key="productId">
            <b>{{ name }}</b>:
            {{
              buy!.packs === undefined
                ? quantity(buy!.litres, 'L')
                : t('screen.stores.packs', { packs: buy!.packs, amount: quantity(buy!.litres, 'L') })
            }}
          </li>
        </ul>
        <p class="small">{{ t('screen.stores.visits-coming-fortnight-usually-used') }}</p>
      </section>
      <Ledger
        data-stock
        :title="t('screen.stores.may-used')"
        :rows="stock.products"
        :columns="columns"
        :row-key="({ productId }) => productId"
        :row-attrs="({ productId }) => ({ 'data-stock-of': productId })"
      >
        <template #name="{ row }"
          ><b>{{ say(row.name) }}</b></template
        >
        <template #usable="{ row }">
          {{ row.usableL === null ? t('screen.stores.not-counted') : quantity(row.usableL, 'L') }}
          <template v-if="row.usableL !== null && row.usableL < 0"
            ><br /><small>{{ t('screen.stores.count') }}</small></template
          >
        </template>
        <template #lots="{ row }">
          <Tap
            v-for="lot in row.lots"
            :key="lot.lot"
            bare
            class="lot"
            :class="{ past: lot.past }"
            :data-lot-of="row.productId"
            @click="pick(row.productId, lot)"
          >
            {{ lot.lot || t('screen.stores.no-number') }}: {{ quantity(lot.litres, 'L')
            }}<template v-if="lot.labelDate"
              >,
              {{
                lot.past
                  ? t('screen.stores.past-date-take-out', { labelDate: dayWords(lot.labelDate) })
                  : t('screen.stores.until', { labelDate: dayWords(lot.labelDate) })
              }}</template
            >
          </Tap>
        </template>
        <template #weekly="{ row }">{{ quantity(row.weeklyL, 'L') }}</template>
        <template #planned="{ row }">{{ quantity(row.plannedL, 'L') }}</template>
      </Ledger>
      <Form class="note ruled" :sends="sends" :schema="stockFormSchema" :fault="error" @submit="note">
        <h2>{{ t('screen.stores.note-you-see') }}</h2>
        <div class="row inline">
          <Field where="productId" :label="t('screen.stores.product')"
            ><Pick v-model="form.productId" name="stock-product" :options="products"
          /></Field>
          <Choice v-model="form.kind" :label="t('screen.stores.happened')" mark="move" :options="kinds" />
          <Field where="litres" :label="t('screen.stores.how-much')" :unit="unit('L')"
            ><NumberField v-model="form.litres" si="L" name="stock-litres"
          /></Field>
          <Field where="lot" :label="t('screen.stores.lot-printed-pack')">
            <TextField
              name="stock-lot"
              maxlength="40"
              :suggestions="known.map(({ lot }) => lot)"
              :model-value="form.lot"
              @update:model-value="setLot"
            />
          </Field>
          <Field where="labelDate" :label="t('screen.stores.may-used-until')"
            ><DayField v-model="form.labelDate" name="stock-date" clearable
          /></Field>
          <Tap now type="submit" data-note-stock>{{ t('screen.stores.note') }}</Tap>
          <span role="status">{{ saved }}</span>
        </div>
      </Form>
      <h2 class="ruled-top">{{ t('screen.stores.ledger') }}</h2>
      <Ledger
        data-moves
        :title="t('screen.stores.came-went')"
        :rows="moves"
        :columns="moveColumns"
        :row-key="({ id }) => id"
        :empty="t('screen.stores.nothing-came-went-yet')"
      >
        <template #at="{ row }">{{ momentWords(row.at) }}</template>
        <template #litres="{ row }">{{ signed(row.litres) }}</template>
        <template #product="{ row }">
          <b>{{ say(row.name) }}</b><small v-if="row.lot">{{ ' ' }}{{ t('screen.stores.lot', { lot: row.lot }) }}</small>
        </template>
        <template #what="{ row }">
          {{ moveWords[row.kind] }}
          <RouterLink v-if="row.job" :to="{ name: 'record', params: { jobId: row.job.id, unitId: row.job.unitId } }">{{
            row.job.siteName
          }}</RouterLink>
        </template>
      </Ledger>
      <Tap v-if="hasMore" @click="more">{{ t('screen.stores.older-ones') }}</Tap>
    </template>
  </div>
</template>

<style scoped>
.buy {
  border: 2px solid var(--ink);
  padding: 0.6rem 0.9rem;
}
.buy ul {
  margin: 0.3rem 0;
}
.lot {
  display: flex;
  justify-content: flex-start;
  min-width: min(14rem, 100%);
  max-width: 100%;
  min-height: 36px;
  padding: 0.1rem 0;
  text-align: left;
}
.past {
  text-decoration: underline wavy var(--now);
}
.note {
  padding: 0.9rem;
}
</style>
