<script setup lang="ts">
// Look-over: tap a part on the section, grade it; the plan beside it answers at once.
import { complaints, extentName, extents, findings, type Complaint, type Extent, type Finding, type SoilKind } from '@yastik/core/lookover'
import { allGrades, type Grade } from '@yastik/core/quantities'
import { photosOfPart, photosOfPlate } from '@yastik/core/run'
import { isOnRoof, isSplit, partsToSee, type Part } from '@yastik/core/units'
import { computed, defineAsyncComponent, nextTick, ref, useTemplateRef } from 'vue'
import GradeScale from '../components/GradeScale.vue'
import WhatFollows from '../components/WhatFollows.vue'
import type { Column } from '../kit/column.ts'
import { optionsOf } from '../kit/option.ts'
import { useKeys } from '../components/keys.ts'
import SectionDrawing from '../drawing/SectionDrawing.vue'
import { usePlan } from '../job/usePlan.ts'
import { useJob } from '../stores/job.ts'
import Tap from '../kit/Tap.vue'
import Ticks from '../kit/Ticks.vue'
import Choice from '../kit/Choice.vue'
import Fold from '../kit/Fold.vue'
import Ledger from '../kit/Ledger.vue'
import Later from '../kit/Later.vue'
import { useMeasures } from '../measures/useMeasures.ts'
import { t } from '../words/words.ts'
import { inWords } from '../words/names.ts'

const { say } = useMeasures()

// Further down, or opened on demand: loaded then.
const ReadingsForm = defineAsyncComponent(() => import('../components/ReadingsForm.vue'))
const Nameplate = defineAsyncComponent(() => import('../components/Nameplate.vue'))
const PhotoSlot = defineAsyncComponent(() => import('../components/PhotoSlot.vue'))

const props = defineProps<{ jobId: string; unitId: string }>()
const job = useJob()
const unit = computed(() => job.unitFor(props.unitId)!)
const state = computed(() => job.stateFor(props.unitId))
const design = computed(() => job.designFor(props.unitId)!)
const plan = usePlan(() => props.unitId)
const unitPlan = computed(() => plan.value?.units[0])
const plateOpen = ref(false)
const hasPlate = computed(() => unit.value.platePhoto?.photoId !== undefined || photosOfPlate(state.value.photos).length > 0)
const selected = ref<Part>()
const sections = useTemplateRef<HTMLElement>('sections')
const parts = computed(() => partsToSee(unit.value.family, design.value))
const ungraded = computed(() => parts.value.filter((part) => !state.value.grades[part]))
const nextUngraded = computed(() => ungraded.value.at(0))

/** A membrane is on roofs, a ceiling over heads and cassettes. */
const possibleFindings = computed(() => {
  const { family } = unit.value
  return optionsOf(
    findings.filter((finding) =>
      finding === 'damaged-membrane' ? isOnRoof(family) : finding === 'suspect-asbestos-ceiling' ? isSplit(family) : true,
    ),
    inWords,
  )
})

const setGrade = (part: Part, grade: Grade | null, kinds: readonly SoilKind[] = state.value.grades[part]?.kinds ?? []) =>
  job.add(props.unitId, { type: 'grade-set', part, grade, kinds: grade ? [...kinds] : [] })

/** What the customer complains of. */
const told = computed(() => state.value.complaints.filter((complaint) => complaint !== 'none'))
/** A word of the customer is not wiped by calling the visit a routine one. */
const offeredComplaints = computed(() =>
  optionsOf(complaints, inWords).map((option) => ({ ...option, disabled: option.value === 'none' && told.value.length > 0 })),
)
/** Every other part was looked at as well, and there is nothing on it. */
async function clearRest() {
  for (const part of ungraded.value) await setGrade(part, 0)
  selected.value = undefined
}
function setComplaint(complaint: Complaint, present: boolean) {
  if (present && complaint !== 'none' && state.value.complaints.includes('none'))
    void job.add(props.unitId, { type: 'complaint-set', complaint: 'none', present: false })
  void job.add(props.unitId, { type: 'complaint-set', complaint, present })
}
/** Old and few is cleaned with the unit, alive or much is not: which of the two is asked. */
const askedExtent = computed(() => state.value.findings.filter((finding) => asksExtent.includes(finding)))
const asksExtent: readonly Finding[] = ['insect-nest', 'rodent-droppings', 'bent-fins']
const extentsOf = (finding: Finding) =>
  optionsOf(
    extents.filter((extent) => extent !== 'alive' || finding === 'insect-nest'),
    (extent) => say(extentName(finding, extent)),
  )
const setExtent = (finding: Finding, extent: Extent) => job.add(props.unitId, { type: 'finding-set', finding, present: true, extent })
const columns: Column<{ part: Part }>[] = [
  { key: 'part', says: t('screen.lookover.part') },
  { key: 'grade', says: t('screen.lookover.grade-2') },
  { key: 'kinds', says: t('screen.lookover.soil') },
  { key: 'doings', says: '' },
]
function gradeWords(part: Part) {
  const graded = state.value.grades[part]
  return graded ? `${graded.grade} ${t(`names.grade.${graded.grade}`)}` : t('screen.lookover.not-graded')
}

async function goToNext() {
  const { value: part } = nextUngraded
  if (part === undefined) return
  selected.value = part
  await nextTick()
  sections.value?.querySelector<SVGElement>(`[data-part="${part}"]`)?.focus({ preventScroll: true })
}
function gradeByKey(key: string) {
  const grade = allGrades.find((own) => String(own) === key)
  if (selected.value && grade !== undefined) void setGrade(selected.value, grade)
}
useKeys([
  { key: 'n', does: t('screen.lookover.go-next-part-not-graded'), run: goToNext },
  { key: '0 … 4', keys: allGrades.map(String), does: t('screen.lookover.grade-part-open'), run: gradeByKey },
])
</script>

<template>
  <div class="two-up">
    <section ref="sections" class="stack drawing" :aria-label="t('screen.lookover.section-drawing')">
      <SectionDrawing
        :family="unit.family"
        :grades="state.grades"
        :selected="selected"
        :height-cm="design.aboveFloorM * 100"
        :gap-cm="design.ceilingGapCm"
        @select="selected = $event"
        @grade="(part, grade) => ((selected = part), setGrade(part, grade))"
      />
      <GradeScale v-if="selected" :part="selected" :value="state.grades[selected]" @set="(grade, kinds) => setGrade(selected!, grade, kinds)" />
      <Later v-if="selected" :key="selected"
        ><PhotoSlot
          :job-id="jobId"
          :unit-id="unitId"
          :subject="{ of: { part: selected, when: 'before' } }"
          :photos="photosOfPart(state.photos, selected, 'before')"
          @grade="setGrade(selected!, $event)"
      /></Later>
      <div v-if="!selected" class="hint">
        <p>
          <b>{{ t('screen.lookover.tap-part') }}</b> {{ t('screen.lookover.drawing-grade-you-see') }}
        </p>
        <Tap v-if="nextUngraded" now big @click="selected = nextUngraded">{{
          t('screen.lookover.start', { part: t(`names.part.${nextUngraded}`) })
        }}</Tap>
      </div>
      <div class="row">
        <Tap v-if="selected && nextUngraded && nextUngraded !== selected" data-next-part @click="selected = nextUngraded">
          {{ t('screen.lookover.next', { part: t(`names.part.${nextUngraded}`) }) }}
        </Tap>
        <Tap v-if="Object.keys(state.grades).length > 0 && ungraded.length > 0" data-rest-clear @click="clearRest">
          {{ t('screen.lookover.not-graded-looked-clear', { ungraded: ungraded.length }) }}
        </Tap>
      </div>
    </section>
    <WhatFollows v-if="unitPlan" :job-id="jobId" :unit-id="unitId" :plan="unitPlan" :is-graded="Object.keys(state.grades).length > 0" />
    <section class="whole stack ruled-top">
      <h3>{{ t('screen.lookover.customer-says') }}</h3>
      <Ticks
        :label="t('screen.lookover.complaints')"
        mark="complaint"
        :model-value="state.complaints"
        :options="offeredComplaints"
        @tick="setComplaint"
      />
      <p v-if="told.length > 0" class="small">{{ t('screen.lookover.routine-visit-one-nothing-said') }}</p>
      <h3>{{ t('screen.lookover.you-found') }}</h3>
      <Ticks
        :label="t('screen.lookover.findings')"
        mark="finding"
        :model-value="state.findings"
        :options="possibleFindings"
        @tick="(finding, present) => job.add(unitId, { type: 'finding-set', finding, present })"
      />
      <div v-for="finding in askedExtent" :key="finding" class="row">
        <span class="small">{{ inWords(finding) }}:</span>
        <Choice
          :mark="`extent-of-${finding}`"
          :label="t('screen.lookover.how-much', { finding: inWords(finding) })"
          :model-value="state.findingExtent[finding]"
          :options="extentsOf(finding)"
          @update:model-value="setExtent(finding, $event)"
        />
      </div>
      <Fold
        v-model="plateOpen"
        :title="t('screen.lookover.nameplate', { photographed: hasPlate ? ` ${t('screen.lookover.photographed')}` : '' })"
        data-plate-fold
        ><Nameplate v-if="plateOpen" :unit="unit" :job-id="jobId"
      /></Fold>
      <Fold
        :title="t('screen.lookover.before-readings', { taken: state.readings.before ? ` ${t('screen.lookover.taken')}` : '' })"
        data-before-readings
      >
        <ReadingsForm
          :job-id="jobId"
          :unit-id="unitId"
          when="before"
          :value="state.readings.before"
          @take="job.add(unitId, { type: 'reading-taken', when: 'before', readings: $event })"
        />
      </Fold>
      <Ledger
        :title="t('screen.lookover.graded-far')"
        titled
        :rows="parts.map((part) => ({ part }))"
        :columns="columns"
        :row-key="({ part }) => part"
      >
        <template #part="{ row }">{{ t(`names.part.${row.part}`) }}</template>
        <template #grade="{ row }">{{ gradeWords(row.part) }}</template>
        <template #kinds="{ row }">{{ state.grades[row.part]?.kinds?.map(inWords).join(', ') }}</template>
        <template #doings="{ row }"
          ><Tap bare :aria-label="t('screen.lookover.grade', { part: t(`names.part.${row.part}`) })" @click="selected = row.part">{{
            t('screen.lookover.grade-2')
          }}</Tap></template
        >
      </Ledger>
    </section>
  </div>
</template>

<style scoped>
@media (min-width: 901px) {
  .drawing > svg {
    max-height: 25rem;
  }
}
.hint {
  display: flex;
  flex-wrap: wrap;
  gap: 1rem;
  align-items: center;
  min-height: 92px;
}
</style>
