<script setup lang="ts">
// The ways of a quote side by side: what is done at each unit, the price, when it is needed again, and what it costs us.
import { costPerYear, type QuoteOption } from '@yastik/core/plan'
import { counted, durationWords } from '@yastik/core/quantities'
import { partNames, type Part } from '@yastik/core/units'
import { payable, taxIn, wayLetter, type QuoteRecord } from '@yastik/core/wire'
import dayjs from 'dayjs'
import { computed } from 'vue'
import Ledger from '../kit/Ledger.vue'
import Tap from '../kit/Tap.vue'
import { useSession } from '../stores/session.ts'
import { usePlace } from '../measures/usePlace.ts'
import { useMeasures } from '../measures/useMeasures.ts'

const props = defineProps<{ quote: QuoteRecord; /** The ways that are shown. */ options: readonly QuoteOption[] }>()
const emit = defineEmits<{ offer: [key: string, on: boolean] }>()
const { quantity, say } = useMeasures()
const place = usePlace()
const isOpen = computed(() => props.quote.state === 'open')
const isOffered = (key: string) => props.quote.offered.includes(key)
const offered = computed(() => props.options.filter(({ key }) => isOffered(key)))
const letter = (key: string) => wayLetter(offered.value.findIndex((option) => option.key === key))
const toPay = (option: QuoteOption) => payable(props.quote, option)

const session = useSession()
/** Prices are what the customer pays: the tax is in them. */
const taxShare = computed(() => session.me?.place.taxShare ?? 0)

type Line = { key: string; says: string; unitAt?: number }
const lines = computed<Line[]>(() => [
  ...props.quote.units.map(({ unitId, name }, unitAt) => ({ key: unitId, says: name, unitAt })),
  { key: 'price', says: 'Price' },
  { key: 'to-pay', says: 'To pay' },
  ...(taxShare.value > 0 ? [{ key: 'tax', says: `Tax in it, ${Math.round(taxShare.value * 1000) / 10} %` }] : []),
  { key: 'again', says: 'Needs it again' },
  { key: 'yearly', says: 'That is, a year' },
  { key: 'ours', says: 'For us' },
])
const columns = computed(() => [{ key: 'says', says: 'At' }, ...props.options.map(({ key, name }) => ({ key, says: say(name) }))])

function yearly(option: QuoteOption): string {
  const cost = costPerYear(option, toPay(option))
  return cost === undefined ? 'it does not last' : place.about(cost)
}
function again(weeks: number): string {
  if (weeks <= 0) return 'at once'
  if (weeks < 1.5) return 'in a week'
  return weeks < 9 ? `in ${counted(Math.round(weeks), 'week')}` : dayjs(place.today()).add(weeks, 'week').format('MMM YYYY')
}
const deepOf = ({ due }: QuoteOption['units'][number]) => due.find(({ what }) => what === 'deep-clean')
/** Between which days a unit needs it again, where that is forecast. */
function spanOf(unit: QuoteOption['units'][number]): string {
  const { weeks = 0, low, high } = deepOf(unit) ?? {}
  return low === undefined || high === undefined || weeks <= 0 ? '' : ` (${again(low)} to ${again(high)})`
}
const partName = (part: string) => partNames[part as Part] ?? part
</script>

<template>
  <Ledger
    class="ways"
    title="The ways, side by side"
    keeps-lines
    headed
    :rows="lines"
    :columns="columns"
    :row-key="({ key }) => key"
    :row-attrs="({ key }) => ({ class: { 'no-print': key === 'ours' } })"
  >
    <template v-for="option in options" #[`head-${option.key}`] :key="`head-${option.key}`">
      <div :class="{ off: !isOffered(option.key) }" :data-way="option.key">
        <span class="way">
          <b v-if="isOffered(option.key)" class="letter">{{ letter(option.key) }}</b> {{ say(option.name) }}
        </span>
        <small v-if="option.usual" class="each">what we would do</small>
        <b v-if="option.key === quote.chosen" class="each" data-chosen>✓ accepted</b>
        <Tap
          v-if="isOpen"
          bare
          small
          class="no-print"
          :pressed="isOffered(option.key)"
          :off="isOffered(option.key) && quote.offered.length === 1 ? 'one has to be' : ''"
          @click="emit('offer', option.key, !isOffered(option.key))"
        >
          {{ isOffered(option.key) ? 'offered' : 'not offered' }}
        </Tap>
      </div>
    </template>
    <template v-for="option in options" #[option.key]="{ row }" :key="option.key">
      <div :class="{ off: !isOffered(option.key) }">
        <template v-if="row.unitAt !== undefined">
          {{ option.units[row.unitAt].says.map(say).join(' ') }}
          <small v-if="option.units[row.unitAt].notReached.length > 0" class="each">
            Not reached: {{ option.units[row.unitAt].notReached.map(({ part }) => partName(part)).join(', ') }}.
          </small>
        </template>
        <ul v-else-if="row.key === 'price'" class="plain lines">
          <li v-for="(line, at) in [...option.lines, ...quote.adjustments]" :key="at">
            <span>{{ say(line.what) }}</span><span class="amount">{{ place.money(line.amount) }}</span>
          </li>
        </ul>
        <span v-else-if="row.key === 'tax'" :data-tax="option.key">{{ place.money(taxIn(toPay(option), taxShare)) }}</span>
        <span v-else-if="row.key === 'to-pay'" class="figure" :data-to-pay="option.key">{{ place.money(toPay(option)) }}</span>
        <template v-else-if="row.key === 'again'">
          <b>{{ again(option.againWeeks) }}</b>
          <small v-for="unit in option.units" :key="unit.unitId" class="each">
            {{ unit.name }}: {{ again(deepOf(unit)?.weeks ?? 0) }}{{ spanOf(unit) }}
          </small>
        </template>
        <template v-else-if="row.key === 'yearly'">{{ yearly(option) }}</template>
        <template v-else>{{ durationWords(option.handsMin) }} of hands, {{ quantity(option.waterL, 'L') }} of water</template>
      </div>
    </template>
  </Ledger>
</template>

<style scoped>
.amount {
  white-space: nowrap;
}
.ways :deep(table) {
  table-layout: fixed;
  min-width: 40rem;
}
.ways :deep(:is(th, td)) {
  padding-right: 1.2rem;
}
.ways :deep(thead th) {
  vertical-align: bottom;
  color: var(--ink);
}
.ways :deep(th:first-child) {
  width: 8rem;
}
.way {
  display: block;
  font-size: 1rem;
  font-weight: 600;
}
.letter {
  display: inline-block;
  border: 2px solid var(--ink);
  padding: 0 0.4rem;
  margin-right: 0.3rem;
}
.off {
  color: var(--ink-soft);
}
.off .way {
  text-decoration: line-through;
}
.each {
  display: block;
}
.lines li {
  display: flex;
  justify-content: space-between;
  gap: 1rem;
}
@media (max-width: 700px) {
  .ways :deep(table) {
    min-width: 52rem;
  }
  .ways :deep(th:first-child) {
    width: 5.5rem;
  }
}
</style>
