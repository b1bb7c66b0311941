<script setup lang="ts">
// The record of one unit on one job, event by event.
import { extentInWords, inWords, settledShare } from '@yastik/core/lookover'
import { topicNames } from '@yastik/core/method'
import { gradeNames } from '@yastik/core/quantities'
import { effective, inOrder, photoIdOf, timeOf, type Happening, type JobEvent } from '@yastik/core/run'
import { partNames } from '@yastik/core/units'
import type { WashPlan } from '@yastik/core/wash'
import dayjs from 'dayjs'
import { computed } from 'vue'
import { RouterLink } from 'vue-router'
import CustomerText from '../components/CustomerText.vue'
import PhotoThumb from '../components/PhotoThumb.vue'
import ReferralNote from '../components/ReferralNote.vue'
import { verdictWords } from '../components/stages.ts'
import SectionDrawing from '../drawing/SectionDrawing.vue'
import { useJob } from '../stores/job.ts'

const percent = (share: number) => `${Math.round(share * 100)} %`

const props = defineProps<{ jobId: string; unitId: string }>()
const job = useJob()
const unit = computed(() => job.unitFor(props.unitId)!)
const state = computed(() => job.stateFor(props.unitId))
const unitPlan = computed(() => job.planFor(props.unitId)?.units[0])
const own = computed(() => job.events.filter(({ happening }) => happening.unitId === props.unitId))
const counting = computed(() => new Set(effective(own.value).map(({ id }) => id)))
const held = computed(() => new Map(state.value.held.map(({ eventId, because }) => [eventId, because])))
const entries = computed(() => inOrder(own.value))
const nameOf = (id: number) => job.record?.people.find((person) => person.id === id)?.name ?? ''
const titleOf = (stepId: string) => state.value.steps?.find(({ id }) => id === stepId)?.title ?? stepId
const productName = (id: string) => job.record?.products.find((product) => product.id === id)?.name ?? id

const washWords = ({ flowLMin, washMin, pausesAtMin = [] }: WashPlan) =>
  [
    ...(flowLMin === undefined ? [] : [`${flowLMin} L/min`]),
    ...(washMin === undefined ? [] : [`${washMin} min`]),
    ...(pausesAtMin.length === 0 ? [] : [`pauses after ${pausesAtMin.join(', ')} min`]),
  ].join(', ')

function says(happening: Happening): string {
  switch (happening.type) {
    case 'complaint-set':
      return `complaint ${happening.present ? '' : 'withdrawn: '}${inWords(happening.complaint)}`
    case 'grade-set':
      return `${partNames[happening.part]}${happening.when === 'after' ? ', afterwards' : ''}: ${happening.grade === null ? 'not graded' : `grade ${happening.grade}, ${gradeNames[happening.grade]}`}${happening.kinds.length > 0 ? ` (${happening.kinds.map(inWords).join(', ')})` : ''}`
    case 'finding-set':
      return `finding ${happening.present ? '' : 'withdrawn: '}${inWords(happening.finding)}${happening.extent ? ` (${extentInWords(happening.finding, happening.extent)})` : ''}`
    case 'extra-chosen':
      return happening.present
        ? `ordered besides: ${happening.extra.replaceAll('-', ' ')}`
        : `not ordered after all: ${happening.extra.replaceAll('-', ' ')}`
    case 'reading-taken':
      return `${happening.when} readings: return ${happening.readings.returnC} °C, supply ${happening.readings.supplyC} °C${happening.readings.airflowM3h ? `, ${happening.readings.airflowM3h} m³/h` : ''}`
    case 'school-chosen':
      return `school for this job: ${happening.value.replaceAll('-', ' ')}${happening.because ? ` — ${happening.because}` : ''}`
    case 'choice-made':
      return happening.choice === null
        ? `${topicNames[happening.topic]}: back to the rule`
        : `${topicNames[happening.topic]}, by hand: ${happening.choice.replaceAll('-', ' ')}${happening.because ? ` — ${happening.because}` : ''}`
    case 'wash-chosen':
      return happening.wash === null ? 'washing: back to the plan' : `washing chosen: ${washWords(happening.wash)}`
    case 'method-agreed':
      return `method agreed, ${happening.steps.length} steps`
    case 'step-begun':
      return `begun: ${titleOf(happening.stepId)}`
    case 'gate-confirmed':
      return `confirmed: ${state.value.steps?.find(({ id }) => id === happening.stepId)?.gate ?? happening.stepId}`
    case 'fasteners-counted':
      return `${happening.count} × ${happening.kind} ${happening.direction === 'out' ? 'out' : 'back'}`
    case 'step-done':
      return `done: ${titleOf(happening.stepId)}`
    case 'wait-ended':
      return `dry to the touch: ${titleOf(happening.stepId)}`
    case 'wait-shortened':
      return `wait shortened by the owner: ${titleOf(happening.stepId)} — ${happening.text}`
    case 'photo-left-out':
      return `no photograph at: ${titleOf(happening.stepId)} — ${happening.because}`
    case 'part-noted':
      return happening.need === null
        ? `taken back: ${happening.item}`
        : happening.need === 'changed'
          ? `changed: ${happening.item}`
          : `to be ordered: ${happening.item}`
    case 'product-used':
      return `used: ${happening.litres} L of ${productName(happening.productId)}`
    case 'note':
      return `note: ${happening.text}`
    case 'step-given':
      return happening.to === null
        ? `for whoever is free: ${titleOf(happening.stepId)}`
        : `given to ${nameOf(happening.to)}: ${titleOf(happening.stepId)}`
    case 'step-skipped':
      return `left out: ${titleOf(happening.stepId)} — ${happening.because}`
    case 'paused':
      return `paused${happening.because ? `: ${happening.because}` : ''}`
    case 'resumed':
      return 'went on'
    case 'photo-taken':
      return `photograph${happening.stepId ? ` at: ${titleOf(happening.stepId)}` : happening.of ? ` of the ${partNames[happening.of.part]}, ${happening.of.when}` : ''}`
    case 'photo-measured':
      return `measured on a photograph: ${percent(settledShare(happening.measure))} covered${
        happening.measure.byHand === undefined ? '' : `, corrected by hand (read: ${percent(happening.measure.coveredShare)})`
      }`
    case 'signed':
      return `signed by ${happening.name}`
    case 'exception-written':
      return `may stay out: ${happening.short} × ${happening.kind} of ${happening.item} — ${happening.text}`
    case 'handed-over':
      return `handed over, ${verdictWords[happening.verdict]}`
    case 'undone':
      return 'undone: the tap before'
  }
}
const counts = ({ id, happening }: JobEvent) => counting.value.has(id) || happening.type === 'undone'
</script>

<template>
  <div class="two-up">
    <section class="stack">
      <h2>
        {{
          state.handedOver
            ? `Handed over ${dayjs(state.handedOver.atMs).format('D MMM YYYY, HH:mm')}, ${verdictWords[state.handedOver.verdict]}`
            : 'Not handed over yet'
        }}
      </h2>
      <p v-if="entries.length === 0">Nothing has happened yet.</p>
      <table v-else class="ledger" data-record>
        <thead>
          <tr>
            <th>When</th>
            <th>Who</th>
            <th>What</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="event in entries" :key="event.id" :class="{ struck: !counts(event) }">
            <td class="when">{{ dayjs(timeOf(event)).format('D MMM HH:mm:ss') }}</td>
            <td>{{ nameOf(event.by) }}</td>
            <td>
              {{ says(event.happening)
              }}<PhotoThumb
                v-if="photoIdOf(event.happening)"
                :photo-id="photoIdOf(event.happening)!"
                :job-id="jobId"
                :unit-id="unitId"
                :says="says(event.happening)"
              /><small v-if="Math.abs(event.aheadMs ?? 0) > 60_000">
                (that device’s clock was {{ Math.round(Math.abs(event.aheadMs!) / 60_000) }} min {{ event.aheadMs! > 0 ? 'ahead' : 'behind' }})</small
              ><small v-if="!counts(event)"> (undone)</small
              ><small v-if="held.has(event.id)"><br />does not count: {{ held.get(event.id)?.join('; ') }}</small>
            </td>
          </tr>
        </tbody>
      </table>
    </section>
    <aside class="stack">
      <RouterLink class="tap no-print" :to="{ name: 'report', params: { jobId, unitId } }">Report for the customer</RouterLink>
      <SectionDrawing :family="unit.family" :grades="state.grades" readonly />
      <template v-if="unitPlan">
        <ReferralNote :referrals="unitPlan.referrals" />
        <CustomerText :text="state.handedOver?.customerText ?? unitPlan.customerText" :given="state.handedOver !== undefined" />
      </template>
    </aside>
  </div>
</template>

<style scoped>
.when {
  white-space: nowrap;
}
.struck td:last-child {
  text-decoration: line-through;
  color: var(--ink-soft);
}
</style>
