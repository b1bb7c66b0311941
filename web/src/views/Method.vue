<script setup lang="ts">
// Method: decisions with their because; flip a school or a single choice and see what changes; then agree it.
import { knownHouseRules, schools, type Choice, type SchoolName, type Topic } from '@yastik/core/method'
import { compareChoice, contextOf, planUnit, planTotals, type JobFile, type PlannedDecision } from '@yastik/core/plan'
import type { Extra } from '@yastik/core/procedure'
import { round } from '@yastik/core/quantities'
import { changeOf } from '@yastik/core/run'
import { partNames } from '@yastik/core/units'
import { dryingAdvice, dryingWays, type DryingWay } from '@yastik/core/wash'
import { computed, ref } from 'vue'
import { RouterLink, useRouter } from 'vue-router'
import DecisionEntry from '../components/DecisionEntry.vue'
import SchoolSwitch from '../components/SchoolSwitch.vue'
import WashBench from '../components/WashBench.vue'
import ReferralNote from '../components/ReferralNote.vue'
import { useKeys } from '../components/keys.ts'
import { useJob } from '../stores/job.ts'
import { useMeasures } from '../measures/useMeasures.ts'

const { figure, quantity, sentence, unit: unitName } = useMeasures()
const props = defineProps<{ jobId: string; unitId: string }>()
const job = useJob()
const router = useRouter()
const state = computed(() => job.stateFor(props.unitId))
const file = computed(() => job.jobFileFor(props.unitId))
const plan = computed(() => job.planFor(props.unitId))
const unitPlan = computed(() => plan.value?.units[0])
const drying = computed(() => {
  const parts = [...new Set(unitPlan.value?.drying.map(({ part }) => part))]
  return parts.map((part) => ({
    part,
    minutes: Object.fromEntries(unitPlan.value!.drying.filter((entry) => entry.part === part).map(({ how, minutes }) => [how, minutes])) as Partial<
      Record<DryingWay, number>
    >,
  }))
})
const dryingSays = computed(() => dryingAdvice(drying.value.map(({ minutes }) => Math.min(...Object.values(minutes)))).advice)
/** The course of the wash water, where something fills up. */
const planned = computed(() => file.value && planUnit(file.value.units[0], contextOf(file.value)))
const washRun = computed(() => planned.value?.washRun)
const rinses = computed(() => unitPlan.value?.decisions.find(({ topic }) => topic === 'rinse')?.choice)
const rules = computed(() => knownHouseRules(file.value?.houseRules))
const houseRules = computed(() => knownHouseRules(job.record?.houseRules))
const totals = computed(() => unitPlan.value && planTotals(unitPlan.value, rules.value))
const started = computed(() => Object.values(state.value.progress).some(({ doneAtMs }) => doneAtMs !== undefined))
/** What was found since the method was agreed, and what it changes. */
const change = computed(() => (started.value && unitPlan.value ? changeOf(state.value, unitPlan.value.steps) : undefined))
const declined = computed(() => unitPlan.value?.decisions.some(({ topic, choice }) => topic === 'scope' && choice === 'decline'))
const productName = (id: string) => job.record?.products.find((product) => product.id === id)?.name ?? id
const usedSchools = Object.keys(schools) as SchoolName[]
const percent = (share: number) => (share < 0.01 ? 'less than 1 %' : `${Math.round(share * 100)} %`)
const signed = (value: number, digits = 0) => `${value < 0 ? '−' : '+'}${Math.abs(value).toFixed(digits)}`
const order = (extra: Extra, present: boolean) => job.add(props.unitId, { type: 'extra-chosen', extra, present })
const showSteps = ref(false)
const hasChoice = ({ turnedDown }: PlannedDecision) => turnedDown.some(({ standing }) => standing !== 'barred')
const open = computed(() => unitPlan.value?.decisions.filter(hasChoice) ?? [])
const foregone = computed(() => unitPlan.value?.decisions.filter((decision) => !hasChoice(decision)) ?? [])

const chooseSchool = (school: SchoolName, value: string, because: string) =>
  job.add(props.unitId, { type: 'school-chosen', school, value, ...(because ? { because } : {}) })
const whatIf = (topic: Topic, choice: string) =>
  file.value && planned.value && compareChoice(planned.value, contextOf(file.value).houseRules, topic, choice as Choice)
const choose = (topic: Topic, choice: string | null, because: string) =>
  job.add(props.unitId, { type: 'choice-made', topic, choice, ...(because ? { because } : {}) })

async function agree() {
  if (!unitPlan.value) return
  await job.add(props.unitId, {
    type: 'method-agreed',
    decisions: unitPlan.value.decisions.map(({ topic, choice, rule }) => ({ topic, choice, rule })),
    steps: unitPlan.value.steps,
  })
  await router.push({ name: 'at-the-unit', params: { jobId: props.jobId, unitId: props.unitId } })
}

function saveFile(what: unknown, name: string) {
  const link = document.createElement('a')
  link.href = URL.createObjectURL(new Blob([JSON.stringify(what, null, 2)], { type: 'application/json' }))
  link.download = name
  link.click()
  URL.revokeObjectURL(link.href)
}
const asJob = (): JobFile | undefined => file.value
useKeys([{ key: 'a', does: 'agree the method and go to the unit', run: () => void (started.value || agree()) }])
</script>

<template>
  <div v-if="plan && unitPlan && totals" class="two-up">
    <section class="stack" aria-label="Decisions">
      <p v-if="job.record?.quoted" data-quoted>
        Quoted for the whole visit: <b>{{ job.record.quoted.name }}, {{ job.record.quoted.total.toFixed(2) }}</b
        >. Where more turns out to be needed, the customer is asked first.
      </p>
      <div class="figures" data-totals>
        <div>
          <span class="figure">{{ totals.minutes }}<small>min with waits, alone</small></span>
        </div>
        <div>
          <span class="figure">{{ plan.timeline.finishMin }}<small>min by this crew</small></span>
        </div>
        <div>
          <span class="figure">{{ plan.price.total.toFixed(2) }}<small>price</small></span>
        </div>
        <div>
          <span class="figure"
            >{{ figure(totals.waterL, 'L') }}<small>{{ unitName('L') }} of water</small></span
          >
        </div>
      </div>
      <p><RouterLink class="tap" :to="{ name: 'crew', params: { jobId, unitId } }">The crew’s day, all units together</RouterLink></p>
      <ReferralNote :referrals="unitPlan.referrals" />
      <ol class="plain">
        <DecisionEntry
          v-for="decision in open"
          :key="decision.topic"
          :decision="decision"
          :fixed="started"
          :what-if="(choice) => whatIf(decision.topic, choice)"
          @choose="(choice, because) => choose(decision.topic, choice, because)"
        />
      </ol>
      <h3 class="ruled-top">No other way at this unit</h3>
      <ol class="plain foregone">
        <DecisionEntry v-for="decision in foregone" :key="decision.topic" :decision="decision" fixed />
      </ol>
    </section>
    <aside class="stack" aria-label="Schools, mixes and steps">
      <section v-if="change" class="change stack" role="status" data-change>
        <h2>What was found since changes the work</h2>
        <p class="small">So do house rules and stores that changed meanwhile.</p>
        <div v-if="change.added.length > 0">
          <h3>Comes in</h3>
          <ul>
            <li v-for="step in change.added" :key="step.id">{{ step.title }}</li>
          </ul>
        </div>
        <div v-if="change.gone.length > 0">
          <h3>Falls away</h3>
          <ul>
            <li v-for="step in change.gone" :key="step.id">{{ step.title }}</li>
          </ul>
        </div>
        <ul v-if="change.reasons.length > 0" class="plain">
          <li v-for="reason in change.reasons" :key="reason">{{ reason }}</li>
        </ul>
        <button class="tap now big" data-agree-change :disabled="change.reasons.length > 0" @click="agree">
          Agree the change, what is done stays done
        </button>
      </section>
      <p v-else-if="started" class="small">
        Work has begun by the agreed method. What you find from now on, grade it in the look-over: the change is shown here.
      </p>
      <button v-else class="tap now big" data-agree @click="agree">
        {{ declined ? 'Agree: not cleaned today' : state.steps ? 'Agree again and go on' : 'Agree and go to the unit' }}
      </button>
      <h2 class="ruled-top">Where trades people differ</h2>
      <SchoolSwitch
        v-for="school in usedSchools"
        :key="school"
        :school="school"
        :value="rules[school]"
        :house-rule="houseRules[school]"
        :disabled="started"
        asks-why
        @choose="(value, because) => chooseSchool(school, value, because)"
      />
      <template v-if="unitPlan.mixes.length > 0">
        <h2 class="ruled-top">To mix</h2>
        <table class="ledger">
          <thead>
            <tr>
              <th>Product</th>
              <th class="number">Parts</th>
              <th class="number">Product, {{ unitName('L') }}</th>
              <th class="number">Water, {{ unitName('L') }}</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="mix in unitPlan.mixes" :key="mix.productId + mix.part">
              <td>
                {{ productName(mix.productId) }}<br /><small>{{
                  mix.part === 'coilFace' ? 'coil' : mix.part === 'condenserFace' ? 'condenser' : partNames[mix.part]
                }}</small>
              </td>
              <td class="number">{{ mix.dilution ? `1:${mix.dilution}` : 'ready' }}</td>
              <td class="number">{{ figure(round(mix.productL, 3), 'L') }}</td>
              <td class="number">{{ figure(round(mix.waterL, 3), 'L') }}</td>
            </tr>
          </tbody>
        </table>
      </template>
      <p v-if="unitPlan.washWater">
        About {{ quantity(unitPlan.washWater.litres, 'L') }} of water in all<template v-if="unitPlan.washWater.caughtL"
          >, {{ quantity(unitPlan.washWater.caughtL, 'L') }} of it comes down at the unit</template
        >.
        <template v-if="unitPlan.washWater.peakLevelShare > 0"
          >What catches it fills to {{ percent(unitPlan.washWater.peakLevelShare) }}.
          {{ unitPlan.washWater.bucketChanges > 0 ? `Change the bucket ${unitPlan.washWater.bucketChanges}×.` : 'One bucket takes it.' }}</template
        >
      </p>
      <p>
        Expected once clean: a split of {{ quantity(unitPlan.expected.cleanSplitK ?? 0, 'K') }} and
        {{ quantity(unitPlan.expected.cleanCoolingKw ?? 0, 'kW') }} at this air; {{ quantity(unitPlan.expected.condensateLPerDay, 'L') }} of
        condensate a day.
      </p>
      <div v-if="unitPlan.notReached.length > 0">
        <h3>Not reached, or not clean</h3>
        <ul>
          <li v-for="left in unitPlan.notReached" :key="left.part">{{ partNames[left.part] }}: {{ left.because }}</li>
        </ul>
      </div>
      <div v-if="unitPlan.offers.length > 0 || state.extras.length > 0" data-offers>
        <h3>What would do more</h3>
        <ul>
          <li v-for="offer in unitPlan.offers" :key="offer.what">
            <b>{{ offer.what }}</b>: {{ offer.because
            }}<template v-if="offer.minutes !== undefined"> ({{ signed(offer.minutes) }} min, {{ signed(offer.money ?? 0, 2) }})</template>
            <button v-if="offer.extra" class="tap" :disabled="started" data-order-outdoor @click="order(offer.extra, true)">
              The customer orders it
            </button>
          </li>
          <li v-if="state.extras.includes('outdoor-unit')">
            <b>the outdoor unit</b>: ordered
            <button class="tap bare" :disabled="started" data-drop-outdoor @click="order('outdoor-unit', false)">Not after all</button>
          </li>
        </ul>
      </div>
      <template v-if="unitPlan.drying.length > 0">
        <h3>Drying, in this air</h3>
        <table class="ledger" data-drying>
          <thead>
            <tr>
              <th>Part</th>
              <th class="number">Still air</th>
              <th class="number">Fan</th>
              <th class="number">Its own fan</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="row in drying" :key="row.part">
              <td>{{ partNames[row.part] }}</td>
              <td v-for="how in dryingWays" :key="how" class="number">{{ row.minutes[how] === undefined ? '–' : `${row.minutes[how]} min` }}</td>
            </tr>
          </tbody>
        </table>
        <p class="small">{{ dryingSays }}</p>
      </template>
      <h3>To bear in mind</h3>
      <ul class="small">
        <li v-for="warning in plan.warnings" :key="warning">{{ sentence(warning) }}</li>
      </ul>
      <button class="tap" @click="showSteps = !showSteps">{{ showSteps ? 'Hide the steps' : `Show the ${unitPlan.steps.length} steps` }}</button>
      <ol v-if="showSteps" class="small">
        <li v-for="entry in unitPlan.steps" :key="entry.id">
          {{ entry.title }} <span v-if="entry.wait">({{ entry.wait.leastMin }} min for {{ entry.wait.for }})</span>
        </li>
      </ol>
      <div class="row no-print">
        <button class="tap" data-save-job @click="saveFile(asJob(), 'job.json')">Save as job file</button
        ><button class="tap" @click="saveFile(plan, 'plan.json')">Save as plan file</button>
      </div>
    </aside>
    <WashBench
      v-if="washRun"
      class="whole ruled-top"
      :run="washRun"
      :chosen="state.wash"
      :flow-is-free="rinses === 'pump-wand' || rinses === 'hose'"
      @choose="(wash) => job.add(unitId, { type: 'wash-chosen', wash })"
    />
  </div>
</template>

<style scoped>
.change {
  border: 2px dashed var(--now);
  padding: 0.6rem 0.9rem;
}
</style>
