<script setup lang="ts">
// One quote: how soiled the units are taken to be, the ways side by side, what the customer said, and what came of it.
import { complaints as allComplaints, inWords, type Complaint } from '@yastik/core/lookover'
import { costPerYear, type QuoteOption } from '@yastik/core/plan'
import { allGrades, gradeNames, type Grade } from '@yastik/core/quantities'
import { partNames, type Part } from '@yastik/core/units'
import { endpoints, payable, wayLetter, type CrewRecord, type QuoteForm, type QuoteRecord } from '@yastik/core/wire'
import dayjs from 'dayjs'
import { computed, ref } from 'vue'
import { RouterLink, useRouter } from 'vue-router'
import { ask } from '../api/client.ts'
import { serverNow } from '../api/clock.ts'
import CrewPick from '../components/CrewPick.vue'
import FaultNote from '../components/FaultNote.vue'
import MessageDialog from '../components/MessageDialog.vue'
import NumberField from '../components/NumberField.vue'
import QuoteOutcome from '../components/QuoteOutcome.vue'
import QuoteYears from '../components/QuoteYears.vue'
import { quoteStateWords, sourceWords } from '../components/quotes.ts'
import { useMeasures } from '../measures/useMeasures.ts'
import { useJob } from '../stores/job.ts'

const props = defineProps<{ quoteId: string }>()
useJob().close()
const router = useRouter()
const { quantity } = useMeasures()
const quote = ref<QuoteRecord>()
const crew = ref<CrewRecord[]>([])
const writing = ref(false)
const written = ref(false)
const error = ref<unknown>()
const today = dayjs(serverNow()).format('YYYY-MM-DD')
const chosen = ref<string>()
const onDate = ref(today)
const crewIds = ref<number[]>([])
const added = ref<{ what: string; amount: number | undefined }>({ what: '', amount: undefined })

const params = { id: props.quoteId }
try {
  ;[quote.value, crew.value] = await Promise.all([ask(endpoints.quote, { params }), ask(endpoints.crew)])
  crewIds.value = crew.value.slice(0, 2).map(({ id }) => id)
} catch (caught) {
  error.value = caught
}
const isOpen = computed(() => quote.value?.state === 'open')
const isOffered = (key: string) => quote.value?.offered.includes(key) ?? false
/** Where it is answered, only what was offered is shown. */
const shown = computed(() => quote.value?.options.filter(({ key }) => isOpen.value || isOffered(key)) ?? [])
const offered = computed(() => shown.value.filter(({ key }) => isOffered(key)))
const letter = (key: string) => wayLetter(offered.value.findIndex((option) => option.key === key))
const toPay = (option: QuoteOption) => (quote.value ? payable(quote.value, option) : option.total)

/** Changes the quote over the version that is shown. @returns whether it was changed */
async function send(how: (version: number) => Promise<QuoteRecord>) {
  error.value = undefined
  if (!quote.value) return false
  try {
    quote.value = await how(quote.value.version)
    return true
  } catch (caught) {
    error.value = caught
    return false
  }
}
const change = (part: Partial<Pick<QuoteRecord, 'offered' | 'adjustments' | 'validUntil'>>) => {
  if (!quote.value) return
  const { offered: keys, adjustments, validUntil } = quote.value
  const body = { offered: keys, adjustments, validUntil, ...part }
  return send((version) => ask(endpoints.changeQuote, { params, body: { ...body, version } }))
}
const toggleOffer = (key: string) =>
  change({ offered: isOffered(key) ? quote.value!.offered.filter((other) => other !== key) : [...quote.value!.offered, key] })
async function add() {
  const { what, amount } = added.value
  if (await change({ adjustments: [...quote.value!.adjustments, { what, amount: amount ?? Number.NaN }] }))
    added.value = { what: '', amount: undefined }
}
/** Reckons anew with another grade or complaint at one unit; what was only forecast stays so. */
function setUnit(unitId: string, part: { coilGrade?: Grade; complaints?: Complaint[] }) {
  const units: QuoteForm['units'] = quote.value!.units.map((unit) => ({
    unitId: unit.unitId,
    complaints: unit.complaints,
    ...(unit.source === 'said' ? { coilGrade: unit.coilGrade } : {}),
    ...(unit.unitId === unitId ? part : {}),
  }))
  return send((version) => ask(endpoints.reckonQuote, { params, body: { units, version } }))
}
const toggle = <T,>(list: readonly T[], entry: T) => (list.includes(entry) ? list.filter((other) => other !== entry) : [...list, entry])
const accept = () =>
  send((version) =>
    ask(endpoints.acceptQuote, { params, body: { option: chosen.value ?? '', onDate: onDate.value, crewIds: crewIds.value, version } }),
  )
const decline = () => send((version) => ask(endpoints.declineQuote, { params, body: { version } }))
const openVisit = () => router.push({ name: 'look-over', params: { jobId: quote.value!.jobId!, unitId: quote.value!.units[0].unitId } })
function yearly(option: QuoteOption): string {
  const cost = costPerYear(option, toPay(option))
  return cost === undefined ? 'it does not last' : `about ${Math.round(cost)}`
}
const again = (weeks: number) =>
  weeks <= 0
    ? 'at once'
    : weeks < 1.5
      ? 'in a week'
      : weeks < 9
        ? `in ${Math.round(weeks)} weeks`
        : `${dayjs(today).add(weeks, 'week').format('MMM YYYY')}`
const deepOf = ({ due }: QuoteOption['units'][number]) => due.find(({ what }) => what === 'deep-clean')
const hours = (minutes: number) => `${Math.floor(minutes / 60)} h ${String(Math.round(minutes % 60)).padStart(2, '0')}`
const partName = (part: string) => partNames[part as Part] ?? part
const print = () => window.print()
</script>

<template>
  <div class="page stack" data-quote>
    <p class="no-print"><RouterLink to="/quotes">Quotes</RouterLink></p>
    <FaultNote :error="error" />
    <template v-if="quote">
      <div class="spread">
        <h1>
          What we offer for <RouterLink :to="{ name: 'site', params: { siteId: quote.siteId } }">{{ quote.siteName }}</RouterLink>
        </h1>
        <p>
          made {{ dayjs(quote.madeOn).format('D MMM YYYY') }}, <b data-quote-state>{{ quoteStateWords(quote, today) }}</b>
        </p>
      </div>

      <QuoteOutcome v-if="quote.outcome && quote.jobId" :outcome="quote.outcome" @visit="openVisit" />

      <section class="stack no-print">
        <h2>How soiled the units are taken to be</h2>
        <ul class="plain units">
          <li v-for="unit in quote.units" :key="unit.unitId" class="unit" :data-quoted-unit="unit.name">
            <div>
              <b>{{ unit.name }}</b><br /><small>{{ sourceWords[unit.source] }}</small>
            </div>
            <div v-if="isOpen" class="chips" role="radiogroup" :aria-label="`Coil and wheel of ${unit.name}`">
              <button
                v-for="grade in allGrades"
                :key="grade"
                class="tap"
                role="radio"
                :aria-checked="unit.coilGrade === grade"
                :data-say-grade="grade"
                @click="setUnit(unit.unitId, { coilGrade: grade })"
              >
                {{ grade }} {{ gradeNames[grade] }}
              </button>
            </div>
            <span v-else>{{ unit.coilGrade }} {{ gradeNames[unit.coilGrade] }}</span>
            <details v-if="isOpen">
              <summary>{{ unit.complaints.length > 0 ? unit.complaints.map(inWords).join(', ') : 'no complaint' }}</summary>
              <div class="chips">
                <button
                  v-for="complaint in allComplaints.filter((name) => name !== 'none')"
                  :key="complaint"
                  class="tap"
                  :aria-pressed="unit.complaints.includes(complaint)"
                  @click="setUnit(unit.unitId, { complaints: toggle(unit.complaints, complaint) })"
                >
                  {{ inWords(complaint) }}
                </button>
              </div>
            </details>
          </li>
        </ul>
      </section>

      <div class="scroll">
        <table class="ledger ways">
          <thead>
            <tr>
              <th></th>
              <th v-for="option in shown" :key="option.key" :class="{ off: !isOffered(option.key) }" :data-way="option.key">
                <span class="way">
                  <b v-if="isOffered(option.key)" class="letter">{{ letter(option.key) }}</b> {{ option.name }}
                </span>
                <small v-if="option.usual" class="each">what we would do</small>
                <b v-if="option.key === quote.chosen" class="each" data-chosen>✓ accepted</b>
                <button
                  v-if="isOpen"
                  class="tap bare small no-print"
                  :aria-pressed="isOffered(option.key)"
                  :disabled="isOffered(option.key) && quote.offered.length === 1"
                  @click="toggleOffer(option.key)"
                >
                  {{ isOffered(option.key) ? 'offered' : 'not offered' }}
                </button>
              </th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="(unit, at) in quote.units" :key="unit.unitId">
              <th scope="row">{{ unit.name }}</th>
              <td v-for="option in shown" :key="option.key" :class="{ off: !isOffered(option.key) }">
                {{ option.units[at].says.join(' ') }}
                <small v-if="option.units[at].notReached.length > 0" class="not">
                  Not reached: {{ option.units[at].notReached.map(({ part }) => partName(part)).join(', ') }}.
                </small>
              </td>
            </tr>
            <tr>
              <th scope="row">Price</th>
              <td v-for="option in shown" :key="option.key" :class="{ off: !isOffered(option.key) }">
                <ul class="plain lines">
                  <li v-for="line in [...option.lines, ...quote.adjustments]" :key="line.what">
                    <span>{{ line.what }}</span><span>{{ line.amount.toFixed(2) }}</span>
                  </li>
                </ul>
              </td>
            </tr>
            <tr>
              <th scope="row">To pay</th>
              <td v-for="option in shown" :key="option.key" :class="{ off: !isOffered(option.key) }">
                <span class="figure" :data-to-pay="option.key">{{ toPay(option).toFixed(2) }}</span>
              </td>
            </tr>
            <tr>
              <th scope="row">Needs it again</th>
              <td v-for="option in shown" :key="option.key" :class="{ off: !isOffered(option.key) }">
                <b>{{ again(option.againWeeks) }}</b>
                <small v-for="unit in option.units" :key="unit.unitId" class="each">
                  {{ unit.name }}: {{ again(deepOf(unit)?.weeks ?? 0)
                  }}<template v-if="deepOf(unit)?.low !== undefined && deepOf(unit)!.weeks > 0">
                    ({{ again(deepOf(unit)!.low!) }} to {{ again(deepOf(unit)!.high!) }})</template
                  >
                </small>
              </td>
            </tr>
            <tr>
              <th scope="row">That is, a year</th>
              <td v-for="option in shown" :key="option.key" :class="{ off: !isOffered(option.key) }">
                {{ yearly(option) }}
              </td>
            </tr>
            <tr class="no-print">
              <th scope="row">For us</th>
              <td v-for="option in shown" :key="option.key" :class="{ off: !isOffered(option.key) }">
                {{ hours(option.handsMin) }} of hands, {{ quantity(option.waterL, 'L') }} of water
              </td>
            </tr>
          </tbody>
        </table>
      </div>
      <QuoteYears v-if="offered.length > 1" :options="offered" :to-pay="toPay" />
      <p class="small">
        {{ quote.outcome ? '' : `Prices stand until ${dayjs(quote.validUntil).format('D MMM YYYY')}. ` }}What is found on opening may ask for other
        work; then we say so before we go on. Days of the next cleaning are forecasts.
      </p>

      <template v-if="isOpen">
        <section class="stack no-print ruled-top">
          <h2>Added or taken off</h2>
          <ul v-if="quote.adjustments.length > 0" class="plain">
            <li v-for="(entry, index) in quote.adjustments" :key="index" class="row">
              <span>{{ entry.what }}: {{ entry.amount.toFixed(2) }}</span>
              <button class="tap bare" @click="change({ adjustments: quote.adjustments.filter((_, at) => at !== index) })">Take away</button>
            </li>
          </ul>
          <form class="row end" @submit.prevent="add">
            <label class="field"><span>For what</span><input v-model="added.what" class="line" name="adjust-what" maxlength="120" /></label>
            <label class="field"><span>Amount, below zero takes off</span><NumberField v-model="added.amount" name="adjust-amount" /></label>
            <button class="tap" type="submit" :disabled="added.what.trim() === '' || !Number.isFinite(added.amount)">Add it to every way</button>
            <label class="field"
              ><span>Prices stand until</span
              ><input
                :value="quote.validUntil"
                type="date"
                class="line"
                name="valid-until"
                @change="change({ validUntil: ($event.target as HTMLInputElement).value })"
            /></label>
            <button class="tap" type="button" data-write-quote @click="writing = true">Write it to the customer</button>
            <button class="tap" type="button" @click="print">Print it</button>
          </form>
        </section>
        <p v-if="written" role="status" data-written>Handed over. <RouterLink to="/logbook/messages">What became of it</RouterLink></p>
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
        <section class="stack no-print ruled-top" data-answer>
          <h2>What the customer said</h2>
          <div class="row end">
            <div class="chips" role="radiogroup" aria-label="The way that was accepted">
              <button
                v-for="option in offered"
                :key="option.key"
                class="tap"
                role="radio"
                :aria-checked="chosen === option.key"
                :data-accept="option.key"
                @click="chosen = option.key"
              >
                {{ letter(option.key) }}: {{ toPay(option).toFixed(2) }}
              </button>
            </div>
            <label class="field"><span>Day of the visit</span><input v-model="onDate" type="date" class="line" name="on-date" /></label>
            <CrewPick v-model="crewIds" :crew="crew" />
            <button class="tap now big" :disabled="!chosen || crewIds.length === 0" data-accepted @click="accept">Accepted: plan the visit</button>
            <button class="tap" data-declined @click="decline">Declined</button>
          </div>
        </section>
      </template>
    </template>
  </div>
</template>

<style scoped>
.units {
  display: grid;
  gap: 0.4rem;
}
.unit {
  display: grid;
  grid-template-columns: minmax(9rem, 14rem) auto 1fr;
  gap: 0.3rem 1rem;
  align-items: center;
  border-bottom: var(--rule-width) solid var(--rule);
  padding: 0.3rem 0;
}
.scroll {
  overflow-x: auto;
}
.ways {
  table-layout: fixed;
  min-width: 40rem;
}
.ways th,
.ways td {
  padding-right: 1.2rem;
}
.ways thead th {
  vertical-align: bottom;
  color: var(--ink);
}
.ways th:first-child {
  width: 8rem;
}
.ways th[scope='row'] {
  border-bottom: var(--rule-width) solid var(--rule);
  vertical-align: top;
  padding-top: 0.5rem;
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
.not,
.each {
  display: block;
}
.lines li {
  display: flex;
  justify-content: space-between;
  gap: 1rem;
}
.end {
  align-items: end;
}
.end .line {
  min-width: 10rem;
}
@media (max-width: 700px) {
  .ways {
    display: table;
    min-width: 52rem;
  }
  .ways th:first-child {
    width: 5.5rem;
  }
  .unit {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
