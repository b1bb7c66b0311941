<script setup lang="ts">
// Method: decisions with their because; flip a school or a single choice and see what changes; then agree it.
import { knownHouseRules, schools, type Choice, type SchoolName, type Topic } from '@yastik/core/method'
import { planFileOf, compareChoice, compareSchool, contextOf, planUnit, planTotals, type JobFile, type PlannedDecision } from '@yastik/core/plan'
import type { Extra } from '@yastik/core/procedure'
import { durationWords } from '@yastik/core/quantities'
import { changeOf } from '@yastik/core/run'
import { computed, defineAsyncComponent } from 'vue'
import { useRouter } from 'vue-router'
import MethodChange from '../components/MethodChange.vue'
import PlanDetails from '../components/PlanDetails.vue'
import PlanMixes from '../components/PlanMixes.vue'
import DecisionEntry from '../components/DecisionEntry.vue'
import SchoolSwitch from '../components/SchoolSwitch.vue'
import ReferralNote from '../components/ReferralNote.vue'
import { useDifference } from '../components/difference.ts'
import { useKeys } from '../components/keys.ts'
import { usePlan } from '../job/usePlan.ts'
import { useJob } from '../stores/job.ts'
import { usePlanning } from '../stores/planning.ts'
import { useMeasures } from '../measures/useMeasures.ts'
import { usePlace } from '../measures/usePlace.ts'
import Tap from '../kit/Tap.vue'
import { t } from '../words/words.ts'

// Further down, or opened on demand: loaded then.
const WashBench = defineAsyncComponent(() => import('../components/WashBench.vue'))

const { reading, say } = useMeasures()
const props = defineProps<{ jobId: string; unitId: string }>()
const job = useJob()
const planning = usePlanning()
const router = useRouter()
const state = computed(() => job.stateFor(props.unitId))
const file = computed(() => planning.jobFileFor(props.unitId))
const plan = usePlan(() => props.unitId)
const unitPlan = computed(() => plan.value?.units[0])
/** The course of the wash water, where something fills up. */
const planned = computed(() => file.value && planUnit(file.value.units[0], contextOf(file.value, planning.visited)))
const washRun = computed(() => planned.value?.washRun)
const rinses = computed(() => unitPlan.value?.decisions.find(({ topic }) => topic === 'rinse')?.choice)
const rules = computed(() => knownHouseRules(file.value?.houseRules))
const houseRules = computed(() => knownHouseRules(job.record?.houseRules))
const totals = computed(() => planned.value && planTotals(planned.value, rules.value))
const started = computed(() => Object.values(state.value.progress).some(({ doneAtMs }) => doneAtMs !== undefined))
/** What was found since the method was agreed, and what it changes. */
const change = computed(() => (started.value && unitPlan.value ? changeOf(state.value, unitPlan.value.steps) : undefined))
const declined = computed(() => unitPlan.value?.decisions.some(({ topic, choice }) => topic === 'scope' && choice === 'decline'))
const difference = useDifference()
/** What each other school would change here, before it is chosen. */
function bringsOf(school: SchoolName): Record<string, string> {
  const { value: own } = file
  const { value: ownPlan } = planned
  if (!own || !ownPlan) return {}
  const others = schools[school].filter((value) => value !== rules.value[school])
  return Object.fromEntries(
    others.map((value) => {
      const change = compareSchool(own.units[0], contextOf(own, planning.visited), ownPlan, school, value)
      return [value, change.reach ? `${difference(change)}; ${say(change.reach)}` : difference(change)]
    }),
  )
}
const scopeWords = computed(() => {
  const scope = unitPlan.value?.decisions.find(({ topic }) => topic === 'scope')?.choice
  const words = scope === undefined ? '' : t(`names.choice.${scope as Choice}`)
  return `${words.charAt(0).toUpperCase()}${words.slice(1)}`
})
const signed = (value: number, digits = 0) => `${value < 0 ? '−' : '+'}${Math.abs(value).toFixed(digits)}`
const order = (extra: Extra, present: boolean) => job.add(props.unitId, { type: 'extra-chosen', extra, present })
/** Trades people differ on it: the school beside the decision that follows it. */
const schoolOf: Partial<Record<Topic, SchoolName>> = {
  rinse: 'rinseSchool',
  wheel: 'wheelSchool',
  'coil-agent': 'agentSchool',
  drain: 'drainSchool',
  drying: 'dryingSchool',
}
const hasChoice = ({ turnedDown }: PlannedDecision) => turnedDown.some(({ standing }) => standing !== 'barred')
/** What can be decided otherwise: by another choice, or by another school. */
const isOpen = (decision: PlannedDecision) => schoolOf[decision.topic] !== undefined || hasChoice(decision)
const open = computed(() => (unitPlan.value?.decisions.filter(isOpen) ?? []).map((decision) => ({ decision, school: schoolOf[decision.topic] })))
const foregone = computed(() => unitPlan.value?.decisions.filter((decision) => !isOpen(decision)) ?? [])

const chooseSchool = (school: SchoolName, value: string, because: string) =>
  job.add(props.unitId, { type: 'school-chosen', school, value, ...(because ? { because } : {}) })
const whatIf = (topic: Topic, choice: string) => file.value && planned.value && compareChoice(planned.value, rules.value, topic, choice as Choice)
const choose = (topic: Topic, choice: string | null, because: string) =>
  job.add(props.unitId, { type: 'choice-made', topic, choice, ...(because ? { because } : {}) })

const place = usePlace()
async function agree() {
  const plan = planning.planFor(props.unitId)
  const own = plan?.units[0]
  if (!own) return
  await job.add(props.unitId, {
    type: 'method-agreed',
    decisions: own.decisions.map(({ topic, choice, rule }) => ({ topic, choice, rule })),
    steps: own.steps,
    visitSteps: plan.visit.steps,
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
useKeys([{ key: 'a', does: t('screen.method.agree-method-go-unit'), run: () => void (started.value || agree()) }])
</script>

<template>
  <div v-if="plan && unitPlan && totals" class="two-up">
    <section class="stack" :aria-label="t('screen.method.decisions')">
      <p v-if="job.record?.quoted" data-quoted>
        {{ t('screen.method.quoted-whole-visit') }} <b>{{ say(job.record.quoted.name) }}, {{ place.money(job.record.quoted.total) }}</b
        >{{ t('screen.method.more-turns-out-needed-customer') }}
      </p>
      <p class="summary" data-summary>
        <b>{{ scopeWords }}.</b>{{ ' ' }}
        <template v-if="!declined && unitPlan.notReached.length > 0"
          >{{ t('screen.method.not-reached') }}
          <span v-for="(left, index) in unitPlan.notReached" :key="left.part"
            >{{ index > 0 ? '; ' : '' }}{{ t(`names.part.${left.part}`) }}, {{ say(left.because) }}</span
          >.
        </template>
        <template v-else-if="!declined">{{ t('screen.method.every-part-soiled-reached') }}</template>
      </p>
      <div class="figures" data-totals>
        <div>
          <span class="figure"
            >{{ durationWords(Math.round(plan.visit.hands)) }}<small>{{ t('screen.method.hands') }}</small></span
          >
        </div>
        <div>
          <span class="figure"
            >{{ durationWords(Math.round(plan.visit.onSite))
            }}<small data-band>{{
              t('screen.method.on-site', { low: durationWords(plan.visit.low), high: durationWords(plan.visit.high) })
            }}</small></span
          >
        </div>
        <div>
          <span class="figure"
            >{{ place.money(plan.price.total) }}<small>{{ t('screen.method.price') }}</small></span
          >
        </div>
        <div>
          <span class="figure"
            >{{ reading(totals.waterL, 'L').figure }}<small>{{ t('screen.method.water', { unit: reading(totals.waterL, 'L').unit }) }}</small></span
          >
        </div>
      </div>
      <MethodChange v-if="change" :change="change" @agree="agree" />
      <p v-else-if="started" class="small">
        {{ t('screen.method.work-begun-agreed-method-you') }}
      </p>
      <Tap v-else now big data-agree @click="agree">
        {{
          declined ? t('screen.method.agree-not-cleaned-today') : state.steps ? t('screen.method.agree-again-go') : t('screen.method.agree-go-unit')
        }}
      </Tap>
      <p>
        <Tap :to="{ name: 'crew', params: { jobId, unitId } }">{{ t('screen.method.crews-day-all-units-together') }}</Tap>
      </p>
      <ReferralNote :referrals="unitPlan.referrals" />
      <ol class="plain">
        <DecisionEntry
          v-for="{ decision, school } in open"
          :key="decision.topic"
          :decision="decision"
          :fixed="started"
          :what-if="(choice) => whatIf(decision.topic, choice)"
          @choose="(choice, because) => choose(decision.topic, choice, because)"
        >
          <SchoolSwitch
            v-if="school"
            :school="school"
            :value="rules[school]"
            :house-rule="houseRules[school]"
            :brings="bringsOf(school)"
            :disabled="started"
            :level="3"
            asks-why
            @choose="(value, because) => chooseSchool(school, value, because)"
          />
        </DecisionEntry>
      </ol>
      <h2 class="ruled-top minor">{{ t('screen.method.no-other-way-unit') }}</h2>
      <ol class="plain foregone">
        <DecisionEntry v-for="decision in foregone" :key="decision.topic" :decision="decision" fixed />
      </ol>
    </section>
    <aside class="stack" :aria-label="t('screen.method.mixes-offers-steps')">
      <PlanMixes :plan="unitPlan" :products="job.record?.products ?? []" />
      <div v-if="unitPlan.offers.length > 0 || state.extras.length > 0" data-offers>
        <h3>{{ t('screen.method.would-do-more') }}</h3>
        <ul>
          <li v-for="(offer, at) in unitPlan.offers" :key="at">
            <b>{{ say(offer.what) }}</b>: {{ say(offer.because)
            }}<template v-if="offer.minutes !== undefined"> ({{ signed(offer.minutes) }} min, {{ place.change(offer.money ?? 0) }})</template>
            <Tap v-if="offer.extra" :off="started ? t('screen.method.work-begun') : ''" data-order-outdoor @click="order(offer.extra, true)">
              {{ t('screen.method.customer-orders') }}
            </Tap>
          </li>
          <li v-if="state.extras.includes('outdoor-unit')">
            <b>{{ t('screen.method.outdoor-unit') }}</b>{{ t('screen.method.ordered') }}
            <Tap bare :off="started ? t('screen.method.work-begun') : ''" data-drop-outdoor @click="order('outdoor-unit', false)">{{
              t('screen.method.not-after-all')
            }}</Tap>
          </li>
        </ul>
      </div>
      <PlanDetails :plan="unitPlan" :visit-steps="plan.visit.steps" :warnings="plan.warnings" />
      <div class="row no-print">
        <Tap data-save-job @click="saveFile(asJob(), 'job.json')">{{ t('screen.method.save-job-file') }}</Tap><Tap
          @click="saveFile(planFileOf(plan, say), 'plan.json')"
          >{{ t('screen.method.save-plan-file') }}</Tap
        >
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
@media (max-width: 700px) {
  .figures {
    grid-template-columns: repeat(2, minmax(0, 1fr));
  }
}
</style>
