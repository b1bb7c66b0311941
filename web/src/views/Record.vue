<script setup lang="ts">
// The record of one unit on one job, event by event.
import { verdictName } from '@yastik/core/run'
import { visitId } from '@yastik/core/procedure'
import { computed } from 'vue'
import CustomerText from '../components/CustomerText.vue'
import EventLog from '../components/EventLog.vue'
import ReferralNote from '../components/ReferralNote.vue'
import SectionDrawing from '../drawing/SectionDrawing.vue'
import { useJob } from '../stores/job.ts'
import { usePlanning } from '../stores/planning.ts'
import Tap from '../kit/Tap.vue'
import { useMeasures } from '../measures/useMeasures.ts'
import { sayToCustomer } from '../report/customerWords.ts'
import { t } from '../words/words.ts'
import { momentWords } from '../words/when.ts'

const { say } = useMeasures()

const props = defineProps<{ jobId: string; unitId: string }>()
const job = useJob()
const planning = usePlanning()
const unit = computed(() => job.unitFor(props.unitId)!)
const state = computed(() => job.stateFor(props.unitId))
const unitPlan = computed(() => planning.planFor(props.unitId)?.units[0])
const toCustomer = await sayToCustomer(job.record?.site ?? {})
</script>

<template>
  <div class="two-up">
    <section class="stack">
      <h2>
        {{
          state.handedOver
            ? t('screen.report.handed-over', { atMs: momentWords(state.handedOver.atMs), verdict: say(verdictName(state.handedOver.verdict)) })
            : t('screen.report.not-handed-over-yet')
        }}
      </h2>
      <!-- What happened at the unit, and to the visit on which it was done. -->
      <EventLog data-record :job-id="jobId" :unit-id="unitId" :lists="[unitId, visitId]" :title="t('screen.report.happened-unit')" />
    </section>
    <aside class="stack">
      <Tap class="no-print" :to="{ name: 'report', params: { jobId, unitId } }">{{ t('screen.report.report-customer') }}</Tap>
      <SectionDrawing :family="unit.family" :grades="state.grades" readonly />
      <template v-if="unitPlan">
        <ReferralNote :referrals="unitPlan.referrals" />
        <CustomerText
          :text="state.handedOver?.customerText ?? toCustomer(unitPlan.customerText)"
          :given="state.handedOver !== undefined"
          :language="job.record?.site.customerLanguage ?? 'en'"
        />
      </template>
    </aside>
  </div>
</template>
