<script setup lang="ts">
// One quote: how soiled the units are taken to be, the ways side by side, what the customer said, and what came of it.
import type { Complaint } from '@yastik/core/lookover'
import type { QuoteOption } from '@yastik/core/plan'
import { type Grade } from '@yastik/core/quantities'
import { endpoints, payable, type QuoteAccept, type QuoteForm, type QuoteRecord } from '@yastik/core/wire'
import { computed, defineAsyncComponent, ref } from 'vue'
import { RouterLink, useRouter } from 'vue-router'
import { ask } from '../api/client.ts'
import { useAsked, useDoing } from '../api/useServer.ts'
import QuoteAnswer from '../components/QuoteAnswer.vue'
import QuoteOutcome from '../components/QuoteOutcome.vue'
import QuoteTerms from '../components/QuoteTerms.vue'
import QuoteWays from '../components/QuoteWays.vue'
import QuotedUnits from '../components/QuotedUnits.vue'
import { quoteStateWords } from '../components/quotes.ts'
import FaultNote from '../kit/FaultNote.vue'
import Tap from '../kit/Tap.vue'
import { usePlace } from '../measures/usePlace.ts'
import { useJob } from '../stores/job.ts'
import { t } from '../words/words.ts'
import { dayWords } from '../words/when.ts'

// Further down, or opened on demand: loaded then.
const QuoteYears = defineAsyncComponent(() => import('../components/QuoteYears.vue'))
const MessageDialog = defineAsyncComponent(() => import('../components/MessageDialog.vue'))

const props = defineProps<{ quoteId: string }>()
useJob().close()
const router = useRouter()
const place = usePlace()
const writing = ref(false)
const written = ref(false)

const params = { id: props.quoteId }
const asked = useAsked(endpoints.quote, () => ({ params }))
const people = useAsked(endpoints.crew, () => ({}))
const quote = asked.said
const crew = computed(() => people.said.value ?? [])
const doing = useDoing()
const error = computed(() => doing.error.value ?? asked.error.value ?? people.error.value)
await Promise.all([asked.ready(), people.ready()])
const isOpen = computed(() => quote.value?.state === 'open')
const isOffered = ({ key }: QuoteOption) => quote.value?.offered.includes(key) ?? false
/** Where it is answered, only what was offered is shown. */
const shown = computed(() => quote.value?.options.filter((option) => isOpen.value || isOffered(option)) ?? [])
const offered = computed(() => shown.value.filter(isOffered))
const toPay = (option: QuoteOption) => (quote.value ? payable(quote.value, option) : option.total)

/** Changes the quote over the version that is shown. @returns whether it was changed */
async function send(how: (quote: QuoteRecord) => Promise<QuoteRecord>): Promise<boolean> {
  const { value: own } = quote
  return own !== undefined && doing.run(async () => asked.set(await how(own)))
}
const change = (part: Partial<Pick<QuoteRecord, 'offered' | 'adjustments' | 'validUntil'>>) =>
  send(({ offered: keys, adjustments, validUntil, version }) =>
    ask(endpoints.changeQuote, { params, body: { offered: keys, adjustments, validUntil, ...part, version } }),
  )
const offer = (key: string, on: boolean) => {
  const others = quote.value?.offered.filter((other) => other !== key) ?? []
  return change({ offered: on ? [...others, key] : others })
}
/** Reckons anew with another grade or complaint at one unit; what was only forecast stays so. */
const setUnit = (unitId: string, part: { coilGrade?: Grade; complaints?: Complaint[] }) =>
  send(({ units: known, version }) => {
    const units: QuoteForm['units'] = known.map((unit) => ({
      unitId: unit.unitId,
      complaints: unit.complaints,
      ...(unit.source === 'said' ? { coilGrade: unit.coilGrade } : {}),
      ...(unit.unitId === unitId ? part : {}),
    }))
    return ask(endpoints.reckonQuote, { params, body: { units, version } })
  })
const accept = (how: Omit<QuoteAccept, 'version'>) => send(({ version }) => ask(endpoints.acceptQuote, { params, body: { ...how, version } }))
const decline = () => send(({ version }) => ask(endpoints.declineQuote, { params, body: { version } }))
async function openVisit() {
  const { jobId, units } = quote.value ?? {}
  if (jobId && units) await router.push({ name: 'look-over', params: { jobId, unitId: units[0].unitId } })
}
const print = () => window.print()
</script>

<template>
  <div class="page stack" data-quote>
    <p class="no-print">
      <RouterLink to="/quotes">{{ t('screen.quotes.quotes') }}</RouterLink>
    </p>
    <FaultNote :error="error" />
    <template v-if="quote">
      <div class="spread">
        <h1>
          {{ t('screen.quotes.we-offer') }} <RouterLink :to="{ name: 'site', params: { siteId: quote.siteId } }">{{ quote.siteName }}</RouterLink>
        </h1>
        <p>
          {{ t('screen.quotes.made-2', { madeOn: dayWords(quote.madeOn) }) }} <b data-quote-state>{{ quoteStateWords(quote, place.today()) }}</b>
        </p>
      </div>
      <QuoteOutcome v-if="quote.outcome && quote.jobId" :outcome="quote.outcome" @visit="openVisit" />
      <QuotedUnits :units="quote.units" :is-open="isOpen" @set="setUnit" />
      <QuoteWays :quote="quote" :options="shown" @offer="offer" />
      <QuoteYears v-if="offered.length > 1" :options="offered" :to-pay="toPay" />
      <p class="small">
        {{
          t('screen.quotes.found-opening-may-ask-other', {
            pricesStandUntil: quote.outcome ? '' : `${t('screen.quotes.prices-stand-until', { validUntil: dayWords(quote.validUntil) })} `,
          })
        }}
      </p>
      <template v-if="isOpen">
        <QuoteTerms :quote="quote" :change="change">
          <Tap data-write-quote @click="writing = true">{{ t('screen.quotes.write-customer') }}</Tap>
          <Tap @click="print">{{ t('screen.quotes.print') }}</Tap>
        </QuoteTerms>
        <p v-if="written" role="status" data-written>
          {{ t('screen.quotes.handed-over') }} <RouterLink to="/logbook/messages">{{ t('screen.quotes.became') }}</RouterLink>
        </p>
        <Suspense>
          <MessageDialog
            v-if="writing"
            :quote-id="quoteId"
            :site-id="quote.siteId"
            :site-name="quote.siteName"
            @close="writing = false"
            @sent="((writing = false), (written = true))"
          />
        </Suspense>
        <QuoteAnswer :offered="offered" :to-pay="toPay" :crew="crew" @accepted="accept" @declined="decline" />
      </template>
    </template>
  </div>
</template>
