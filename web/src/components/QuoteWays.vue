<script setup lang="ts">
// The ways of a quote side by side: what is done at each unit, the price, when it is needed again, and what it costs us.
import { costPerYear, type QuoteOption } from '@yastik/core/plan'
import { durationWords } from '@yastik/core/quantities'
import { type Part } from '@yastik/core/units'
import { payable, taxIn, wayLetter, type QuoteRecord } from '@yastik/core/wire'
import dayjs from 'dayjs'
import { computed } from 'vue'
import Ledger from '../kit/Ledger.vue'
import Tap from '../kit/Tap.vue'
import { useSession } from '../stores/session.ts'
import { usePlace } from '../measures/usePlace.ts'
import { useMeasures } from '../measures/useMeasures.ts'
import { t } from '../words/words.ts'
import { monthWords } from '../words/when.ts'

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
  { key: 'price', says: t('screen.quotes.price') },
  { key: 'to-pay', says: t('screen.quotes.pay') },
  ...(taxShare.value > 0 ? [{ key: 'tax', says: t('screen.quotes.tax', { taxShare: Math.round(taxShare.value * 1000) / 10 }) }] : []),
  { key: 'again', says: t('screen.quotes.needs-again') },
  { key: 'yearly', says: t('screen.quotes.year') },
  { key: 'ours', says: t('screen.quotes.us') },
])
const columns = computed(() => [{ key: 'says', says: t('screen.quotes.at') }, ...props.options.map(({ key, name }) => ({ key, says: say(name) }))])

function yearly(option: QuoteOption): string {
  const cost = costPerYear(option, toPay(option))
  return cost === undefined ? t('screen.quotes.does-not-last') : place.about(cost)
}
function again(weeks: number): string {
  if (weeks <= 0) return t('screen.quotes.once')
  if (weeks < 1.5) return t('screen.quotes.week')
  return weeks < 9 ? t('screen.quotes.weeks', { weeks: Math.round(weeks) }) : monthWords(dayjs(place.today()).add(weeks, 'week').toDate())
}
const deepOf = ({ due }: QuoteOption['units'][number]) => due.find(({ what }) => what === 'deep-clean')
/** Between which days a unit needs it again, where that is forecast. */
function spanOf(unit: QuoteOption['units'][number]): string {
  const { weeks = 0, low, high } = deepOf(unit) ?? {}
  return low === undefined || high === undefined || weeks <= 0 ? '' : ` ${t('screen.quotes.to', { again: again(low), again2: again(high) })}`
}
const partName = (part: string) => t(`names.part.${part as Part}`) ?? part
</script>

<template>
  <Ledger
    class="ways"
    :title="t('screen.quotes.ways-side-side')"
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
        <small v-if="option.usual" class="each">{{ t('screen.quotes.we-would-do') }}</small>
        <b v-if="option.key === quote.chosen" class="each" data-chosen>{{ t('screen.quotes.accepted') }}</b>
        <Tap
          v-if="isOpen"
          bare
          small
          class="no-print"
          :pressed="isOffered(option.key)"
          :off="isOffered(option.key) && quote.offered.length === 1 ? t('screen.quotes.one') : ''"
          @click="emit('offer', option.key, !isOffered(option.key))"
        >
          {{ isOffered(option.key) ? t('screen.quotes.offered') : t('screen.quotes.not-offered') }}
        </Tap>
      </div>
    </template>
    <template v-for="option in options" #[option.key]="{ row }" :key="option.key">
      <div :class="{ off: !isOffered(option.key) }">
        <template v-if="row.unitAt !== undefined">
          {{ option.units[row.unitAt].says.map(say).join(' ') }}
          <small v-if="option.units[row.unitAt].notReached.length > 0" class="each"
            >{{ ' '
            }}{{ t('screen.quotes.not-reached', { notReached: option.units[row.unitAt].notReached.map(({ part }) => partName(part)).join(', ') }) }}
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
        <template v-else
          ><b v-if="option.onSiteMin" :data-on-site="option.key" class="each">{{
            t('screen.quotes.on-site', {
              usual: durationWords(option.onSiteMin.usual),
              low: durationWords(option.onSiteMin.low),
              high: durationWords(option.onSiteMin.high),
            })
          }}</b>
          {{ t('screen.quotes.hands-water', { handsMin: durationWords(option.handsMin), waterL: quantity(option.waterL, 'L') }) }}</template
        >
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
