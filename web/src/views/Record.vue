<script setup lang="ts">
// The record of one unit on one job, event by event.
import { effective, happeningInWords, inOrder, photoIdOf, timeOf, type Happening, type JobEvent, verdictName } from '@yastik/core/run'
import { visitId } from '@yastik/core/procedure'
import { computed } from 'vue'
import CustomerText from '../components/CustomerText.vue'
import PhotoThumb from '../components/PhotoThumb.vue'
import ReferralNote from '../components/ReferralNote.vue'
import SectionDrawing from '../drawing/SectionDrawing.vue'
import { useJob } from '../stores/job.ts'
import { usePlanning } from '../stores/planning.ts'
import Tap from '../kit/Tap.vue'
import Ledger from '../kit/Ledger.vue'
import { useNames } from '../job/useNames.ts'
import { useMeasures } from '../measures/useMeasures.ts'
import { sayToCustomer } from '../report/customerWords.ts'
import { t } from '../words/words.ts'
import { momentWords, secondWords } from '../words/when.ts'

const { say } = useMeasures()

const props = defineProps<{ jobId: string; unitId: string }>()
const names = useNames(() => props.unitId)
const job = useJob()
const planning = usePlanning()
const unit = computed(() => job.unitFor(props.unitId)!)
const state = computed(() => job.stateFor(props.unitId))
const unitPlan = computed(() => planning.planFor(props.unitId)?.units[0])
const ofVisit = useNames(() => visitId)
/** What happened at the unit, and to the visit that it was done on. */
const own = computed(() => job.events.filter(({ happening }) => happening.unitId === props.unitId || happening.unitId === visitId))
const counting = computed(() => new Set(effective(own.value).map(({ id }) => id)))
const held = computed(() => new Map([...state.value.held, ...job.stateFor(visitId).held].map(({ eventId, because }) => [eventId, because])))
const entries = computed(() => inOrder(own.value))

const toCustomer = await sayToCustomer(job.record?.site ?? {})
const says = (happening: Happening) => say(happeningInWords(happening, happening.unitId === visitId ? ofVisit : names))
const columns = [
  { key: 'at', says: t('screen.report.when'), oneLine: true },
  { key: 'by', says: t('screen.report.who'), oneLine: true },
  { key: 'what', says: t('screen.report.what') },
]
const sinceMin = (event: JobEvent) => Math.round(Math.abs(event.aheadMs ?? 0) / 60_000)
const counts = ({ id, happening }: JobEvent) => counting.value.has(id) || happening.type === 'undone'
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
      <Ledger
        data-record
        :title="t('screen.report.happened-unit')"
        :rows="entries"
        :columns="columns"
        :row-key="({ id }) => id"
        :row-attrs="(event) => ({ class: { struck: !counts(event) } })"
        :empty="t('screen.report.nothing-happened-yet')"
      >
        <template #at="{ row }">{{ secondWords(timeOf(row)) }}</template>
        <template #by="{ row }">{{ names.personName(row.by) }}</template>
        <template #what="{ row: event }">
          <span class="said">{{ says(event.happening) }}</span><PhotoThumb
            v-if="photoIdOf(event.happening)"
            :photo-id="photoIdOf(event.happening)!"
            :job-id="jobId"
            :unit-id="unitId"
            :says="says(event.happening)"
          /><small v-if="sinceMin(event) > 1"
            >{{ ' '
            }}{{
              t('screen.report.devices-clock-min', {
                sinceMin: sinceMin(event),
                ahead: (event.aheadMs ?? 0) > 0 ? t('screen.report.ahead') : t('screen.report.behind'),
              })
            }}</small
          ><small v-if="!counts(event)">{{ ' ' }}{{ t('screen.report.undone') }}</small
          ><small v-if="held.has(event.id)"
            ><br />{{ t('screen.report.does-not-count', { because: held.get(event.id)?.map(say).join('; ') ?? '' }) }}</small
          >
        </template>
      </Ledger>
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

<style scoped>
.struck .said {
  text-decoration: line-through;
  color: var(--ink-soft);
}
</style>
