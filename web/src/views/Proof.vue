<script setup lang="ts">
// Proof: before, after and expected, line by line; the verdict; handing over.
import { dueMessage } from '@yastik/core/plan'
import { proofOf } from '@yastik/core/proof'
import { dayAfter } from '@yastik/core/quantities'
import { leftOut, openForUnit, verdictName } from '@yastik/core/run'
import { computed, defineAsyncComponent, ref } from 'vue'
import { useRouter } from 'vue-router'
import CustomerText from '../components/CustomerText.vue'
import ProofLines from '../components/ProofLines.vue'
import { useMeasures } from '../measures/useMeasures.ts'
import { usePainted } from '../kit/afterPaint.ts'
import { usePlan } from '../job/usePlan.ts'
import { useJob } from '../stores/job.ts'
import Tap from '../kit/Tap.vue'
import Notice from '../kit/Notice.vue'
import { joined } from '@yastik/core/words'
import { sayToCustomer } from '../report/customerWords.ts'
import { t } from '../words/words.ts'

// Further down, or opened on demand: loaded then.
const ProofReadings = defineAsyncComponent(() => import('../components/ProofReadings.vue'))
const PsychroChart = defineAsyncComponent(() => import('../components/PsychroChart.vue'))
const PartsAfter = defineAsyncComponent(() => import('../components/PartsAfter.vue'))
const PartsRenewed = defineAsyncComponent(() => import('../components/PartsRenewed.vue'))

const props = defineProps<{ jobId: string; unitId: string }>()
const job = useJob()
const router = useRouter()
const state = computed(() => job.stateFor(props.unitId))
/** What stands further down comes once what is on top was painted. */
const painted = usePainted()
const plan = usePlan(() => props.unitId)
const unitPlan = computed(() => plan.value?.units[0])
const unit = computed(() => job.unitFor(props.unitId))
const site = computed(() => job.record?.site.site)
const refused = ref<string[]>([])
const declined = computed(() => state.value.agreed.scope === 'decline')
const whyDeclined = computed(() => {
  const scope = unitPlan.value?.decisions.find(({ topic }) => topic === 'scope')
  return [...(scope?.because ?? []), ...(unitPlan.value?.referrals.map(({ because }) => because) ?? [])].map(say).join('; ')
})
const design = computed(() => job.designFor(props.unitId))
const proof = computed(() => {
  if (!unit.value || !unitPlan.value) return undefined
  const { notReached, referrals } = unitPlan.value
  return proofOf({ family: unit.value.family, design: unit.value.design, site: site.value, state: state.value, notReached, referrals })
})
const capital = (words: string) => `${words.charAt(0).toUpperCase()}${words.slice(1)}`
const dueDay = (weeks: number) => dayAfter(state.value.handedOver?.atMs ?? Date.now(), weeks)
const left = computed(() => leftOut(state.value))
const toCustomer = await sayToCustomer(job.record?.site ?? {})
/** What the customer is told: the plan's text, and what was left out on the day. */
const told = computed(() => toCustomer(joined({ sentences: [unitPlan.value?.customerText ?? '', ...left.value] })))
const { say } = useMeasures()
/** What proves the work is measured after it. */
const asksAfter = computed(() => !declined.value && state.value.readings.after === undefined)
const openSteps = computed(() => [
  ...(state.value.steps ?? []).filter(({ id, doneBy }) => doneBy !== 'hand-over' && state.value.progress[id]?.doneAtMs === undefined),
  ...openForUnit(props.unitId, job.lists),
])
/** What the customer has to know before the unit is handed over. */
const handOverGate = computed(() => state.value.steps?.find(({ doneBy }) => doneBy === 'hand-over')?.gate)

async function handOver() {
  refused.value = []
  if (!proof.value) return
  if (!state.value.steps) refused.value = [t('screen.proof.no-method-agreed')]
  else refused.value = openSteps.value.map(({ title }) => t('screen.proof.not-done', { title: say(title) }))
  if (refused.value.length > 0) return
  await job.add(props.unitId, {
    type: 'handed-over',
    verdict: proof.value.verdict,
    customerText: told.value,
    notReached: unitPlan.value?.notReached.map(({ part }) => part),
  })
  await router.push({ name: 'record', params: { jobId: props.jobId, unitId: props.unitId } })
}
</script>

<template>
  <div v-if="proof && unitPlan" class="stack">
    <div class="verdict" :class="proof.verdict" data-verdict>
      <span class="stamp">{{ declined ? t('screen.proof.not-cleaned') : say(verdictName(proof.verdict)) }}</span>
      <p>{{ say(declined ? whyDeclined : proof.sentence) }}</p>
    </div>
    <ProofLines v-if="!asksAfter && proof.lines.length > 0" :lines="proof.lines" />
    <!-- All of it at once: what comes later pushes nothing that is seen. -->
    <Suspense v-if="painted">
      <div class="stack">
        <!-- What is missing comes first. -->
        <template v-if="asksAfter">
          <ProofReadings :job-id="jobId" :unit-id="unitId" :state="state" />
          <ProofLines v-if="proof.lines.length > 0" :lines="proof.lines" />
        </template>
        <PsychroChart
          v-if="design && (state.readings.before || state.readings.after)"
          :design="design"
          :before="state.readings.before"
          :after="state.readings.after"
          :altitude-m="site?.altitudeM"
          :outdoor-c="site?.outdoorAir?.dryBulbC"
        />
        <ProofReadings v-if="!asksAfter" :job-id="jobId" :unit-id="unitId" :state="state" />
        <PartsAfter v-if="!declined" :job-id="jobId" :unit-id="unitId" />
        <PartsRenewed :unit-id="unitId" />
        <section v-if="unitPlan.notReached.length > 0">
          <h3>{{ t('screen.proof.not-reached-not-clean') }}</h3>
          <ul>
            <li v-for="entry in unitPlan.notReached" :key="entry.part">{{ t(`names.part.${entry.part}`) }}: {{ say(entry.because) }}</li>
          </ul>
        </section>
        <section v-if="left.length > 0" data-left-out>
          <h3>{{ t('screen.proof.left-out-still-out') }}</h3>
          <ul>
            <li v-for="(entry, at) in left" :key="at">{{ say(entry) }}</li>
          </ul>
        </section>
        <section class="due">
          <h3>{{ t('screen.proof.due-next') }}</h3>
          <p v-for="entry in unitPlan.due" :key="entry.what">
            {{ capital(say(dueMessage(entry, dueDay)))
            }}<small v-if="entry.low !== undefined && entry.high !== undefined"
              >{{ ' ' }}{{ t('screen.proof.weeks', { low: entry.low, high: entry.high }) }}</small
            >
          </p>
        </section>
        <CustomerText
          :text="state.handedOver?.customerText ?? told"
          :given="state.handedOver !== undefined"
          :language="job.record?.site.customerLanguage ?? 'en'"
        />
        <p v-if="!state.handedOver && handOverGate" class="small" data-hand-over-gate>{{ say(handOverGate) }}.</p>
        <div class="row ruled-top">
          <Tap
            v-if="!state.handedOver"
            big
            :now="openSteps.length === 0 && (state.readings.after !== undefined || declined)"
            data-hand-over
            @click="handOver"
          >
            {{ t('screen.proof.hand-over', { notCleaned: declined ? t('screen.proof.not-cleaned') : say(verdictName(proof.verdict)) }) }}
          </Tap>
          <Tap :to="{ name: 'report', params: { jobId, unitId } }">{{ t('screen.proof.report-customer') }}</Tap>
          <Tap v-if="state.handedOver" :to="{ name: 'record', params: { jobId, unitId } }">{{ t('screen.proof.handed-over-see-record') }}</Tap>
        </div>
      </div>
    </Suspense>
    <Notice v-if="refused.length > 0" kind="now" data-refused>
      <b>{{ t('screen.proof.not-handed-over-yet') }}</b>
      <ul>
        <li v-for="reason in refused.slice(0, 8)" :key="reason">{{ reason }}</li>
      </ul>
    </Notice>
  </div>
</template>

<style scoped>
.verdict {
  display: flex;
  gap: 1.2rem;
  align-items: center;
  border: 2px solid var(--ink);
  padding: 0.8rem 1rem;
  flex-wrap: wrap;
}
.verdict p {
  flex: 1 1 20rem;
}
.stamp {
  font-size: 1.6rem;
  font-weight: 600;
  border: 3px solid var(--ink);
  padding: 0.1rem 0.8rem;
  white-space: nowrap;
}
.partly .stamp {
  border-style: dashed;
}
.not-proved .stamp {
  border-style: double;
  border-width: 6px;
}
.due p {
  display: inline-block;
  margin-right: 1.5rem;
}
</style>
