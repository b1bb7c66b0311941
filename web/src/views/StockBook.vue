<script setup lang="ts">
// Stock: what may be used of each product, lot by lot; what to buy; what came and went, and where it was used.
import { endpoints, type StockMoves, type StockRecord } from '@yastik/core/wire'
import dayjs from 'dayjs'
import { computed, ref } from 'vue'
import { RouterLink, useRoute } from 'vue-router'
import { ask } from '../api/client.ts'
import FaultNote from '../components/FaultNote.vue'
import NumberField from '../components/NumberField.vue'
import StoresPages from '../components/StoresPages.vue'
import { useMeasures } from '../measures/useMeasures.ts'
import { useJob } from '../stores/job.ts'

useJob().close()
const { product: asked } = useRoute().query as { product?: string }
const { quantity, unit } = useMeasures()
const stock = ref<StockRecord>()
const moves = ref<StockMoves['entries']>([])
const next = ref<string | null>(null)
const error = ref<unknown>()
const saved = ref('')
type Kind = 'bought' | 'counted' | 'thrown-out'
const kinds: { kind: Kind; says: string }[] = [
  { kind: 'bought', says: 'bought' },
  { kind: 'counted', says: 'counted: this is what is there' },
  { kind: 'thrown-out', says: 'thrown out' },
]
const form = ref<{ productId: string; kind: Kind; litres: number | undefined; lot: string; labelDate: string }>({
  productId: '',
  kind: 'bought',
  litres: undefined,
  lot: '',
  labelDate: '',
})
const moveWords = { bought: 'bought', counted: 'counted', 'thrown-out': 'thrown out', used: 'used' } as const

async function loadMoves(after?: string) {
  const page = await ask(endpoints.stockMoves, { query: { after } })
  moves.value = after ? [...moves.value, ...page.entries] : page.entries
  next.value = page.next
}
try {
  stock.value = await ask(endpoints.stock)
  form.value.productId = asked ?? stock.value.products[0]?.productId ?? ''
  await loadMoves()
} catch (caught) {
  error.value = caught
}
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
async function note() {
  error.value = undefined
  saved.value = ''
  const { labelDate, litres, ...rest } = form.value
  try {
    stock.value = await ask(endpoints.noteStock, { body: { ...rest, litres: litres ?? Number.NaN, ...(labelDate === '' ? {} : { labelDate }) } })
    saved.value = 'Noted.'
    form.value = { ...form.value, litres: undefined, lot: '', labelDate: '' }
    await loadMoves()
  } catch (caught) {
    error.value = caught
  }
}
const day = (date: string) => dayjs(date).format('D MMM YYYY')
const signed = (litres: number) => `${litres < 0 ? '−' : '+'}${quantity(Math.abs(litres), 'L')}`
</script>

<template>
  <div class="page stack">
    <div class="spread">
      <h1>What came and went</h1>
      <StoresPages />
    </div>
    <FaultNote :error="error" />
    <template v-if="stock">
      <section v-if="toBuy.length > 0" class="buy" data-to-buy>
        <h2>
          To buy<template v-if="cost > 0">, about {{ cost.toFixed(2) }}</template>
        </h2>
        <ul>
          <li v-for="{ productId, name, buy } in toBuy" :key="productId">
            <b>{{ name }}</b>:
            {{
              buy!.packs === undefined
                ? quantity(buy!.litres, 'L')
                : `${buy!.packs} ${buy!.packs === 1 ? 'pack' : 'packs'}, ${quantity(buy!.litres, 'L')}`
            }}
          </li>
        </ul>
        <p class="small">For the visits of the coming fortnight, or what is usually used in it, and a week in hand.</p>
      </section>
      <div class="scroll">
        <table class="ledger" data-stock>
          <thead>
            <tr>
              <th>Product</th>
              <th class="number">May be used</th>
              <th>Lots</th>
              <th class="number">A week</th>
              <th class="number">Planned</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="product in stock.products" :key="product.productId" :data-stock-of="product.productId">
              <td>
                <b>{{ product.name }}</b>
              </td>
              <td class="number">
                {{ product.usableL === null ? 'not counted' : quantity(product.usableL, 'L') }}
                <template v-if="product.usableL !== null && product.usableL < 0"><br /><small>! count it</small></template>
              </td>
              <td>
                <button
                  v-for="lot in product.lots"
                  :key="lot.lot"
                  class="lot"
                  :class="{ past: lot.past }"
                  :data-lot-of="product.productId"
                  @click="pick(product.productId, lot)"
                >
                  {{ lot.lot || 'no number' }}: {{ quantity(lot.litres, 'L')
                  }}<template v-if="lot.labelDate"
                    >, {{ lot.past ? `! past its date ${day(lot.labelDate)}: take it out` : `until ${day(lot.labelDate)}` }}</template
                  >
                </button>
              </td>
              <td class="number">{{ quantity(product.weeklyL, 'L') }}</td>
              <td class="number">{{ quantity(product.plannedL, 'L') }}</td>
            </tr>
          </tbody>
        </table>
      </div>
      <form class="note ruled" @submit.prevent="note">
        <h2>Note what you see</h2>
        <label class="field"
          ><span>Product</span
          ><select v-model="form.productId" class="line" name="stock-product">
            <option v-for="{ productId, name } in stock.products" :key="productId" :value="productId">{{ name }}</option>
          </select></label
        >
        <div class="chips" role="radiogroup" aria-label="What happened">
          <button
            v-for="{ kind, says } in kinds"
            :key="kind"
            type="button"
            class="tap"
            role="radio"
            :aria-checked="form.kind === kind"
            :data-move="kind"
            @click="form.kind = kind"
          >
            {{ says }}
          </button>
        </div>
        <label class="field"
          ><span>How much, {{ unit('L') }}</span
          ><NumberField v-model="form.litres" si="L" name="stock-litres"
        /></label>
        <label class="field"
          ><span>Lot, as printed on the pack</span
          ><input
            class="line"
            name="stock-lot"
            maxlength="40"
            list="known-lots"
            :value="form.lot"
            @input="setLot(($event.target as HTMLInputElement).value)"
        /></label>
        <datalist id="known-lots"><option v-for="{ lot } in known" :key="lot" :value="lot" /></datalist>
        <label class="field"><span>May be used until</span><input v-model="form.labelDate" type="date" class="line" name="stock-date" /></label>
        <button class="tap now" type="submit" data-note-stock>Note it</button>
        <span role="status">{{ saved }}</span>
      </form>
      <h2 class="ruled-top">The ledger</h2>
      <p v-if="moves.length === 0">Nothing came or went yet.</p>
      <table v-else class="ledger" data-moves>
        <tbody>
          <tr v-for="move in moves" :key="move.id">
            <td>{{ dayjs(move.at).format('D MMM YYYY, HH:mm') }}</td>
            <td class="number">{{ signed(move.litres) }}</td>
            <td>
              <b>{{ move.name }}</b><small v-if="move.lot"> lot {{ move.lot }}</small>
            </td>
            <td>
              {{ moveWords[move.kind] }}
              <RouterLink v-if="move.job" :to="{ name: 'record', params: { jobId: move.job.id, unitId: move.job.unitId } }">{{
                move.job.siteName
              }}</RouterLink>
            </td>
            <td>{{ move.by }}</td>
          </tr>
        </tbody>
      </table>
      <button v-if="next" class="tap" @click="loadMoves(next)">Older ones</button>
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
.scroll {
  overflow-x: auto;
}
.lot {
  display: block;
  min-width: 14rem;
  font: inherit;
  color: inherit;
  text-align: left;
  background: transparent;
  border: 0;
  min-height: 32px;
  padding: 0.1rem 0;
  cursor: pointer;
}
.past {
  text-decoration: underline wavy var(--now);
}
.note {
  display: flex;
  flex-wrap: wrap;
  gap: 0.8rem 1.2rem;
  align-items: end;
  padding: 0.9rem;
}
.note h2 {
  flex-basis: 100%;
}
.note .line {
  min-width: 11rem;
}
</style>
