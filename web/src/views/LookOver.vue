<script setup lang="ts">
// Look-over: tap a part on the section, grade it; the plan beside it answers at once.
import {
  complaints,
  extentInWords,
  extents,
  findings,
  inWords,
  type Complaint,
  type Extent,
  type Finding,
  type SoilKind,
} from '@yastik/core/lookover'
import { choiceNames, type Choice } from '@yastik/core/method'
import { gradeNames, type Grade } from '@yastik/core/quantities'
import { photosOfPart } from '@yastik/core/run'
import { isOnRoof, isSplit, partNames, partsToSee, type Part } from '@yastik/core/units'
import { computed, ref } from 'vue'
import { RouterLink } from 'vue-router'
import GradeScale from '../components/GradeScale.vue'
import PhotoSlot from '../components/PhotoSlot.vue'
import ReadingsForm from '../components/ReadingsForm.vue'
import ReferralNote from '../components/ReferralNote.vue'
import { useKeys } from '../components/keys.ts'
import SectionDrawing from '../drawing/SectionDrawing.vue'
import { useJob } from '../stores/job.ts'

const props = defineProps<{ jobId: string; unitId: string }>()
const job = useJob()
const unit = computed(() => job.unitFor(props.unitId)!)
const state = computed(() => job.stateFor(props.unitId))
const design = computed(() => job.designFor(props.unitId)!)
const plan = computed(() => job.planFor(props.unitId))
const unitPlan = computed(() => plan.value?.units[0])
const selected = ref<Part>()
const parts = computed(() => partsToSee(unit.value.family, design.value))
const nextUngraded = computed(() => parts.value.find((part) => !state.value.grades[part]))

/** A membrane is on roofs, a ceiling over heads and cassettes. */
const possibleFindings = computed(() => {
  const { family } = unit.value
  return findings.filter((finding) =>
    finding === 'damaged-membrane' ? isOnRoof(family) : finding === 'suspect-asbestos-ceiling' ? isSplit(family) : true,
  )
})

const setGrade = (part: Part, grade: Grade | null, kinds: readonly SoilKind[] = state.value.grades[part]?.kinds ?? []) =>
  job.add(props.unitId, { type: 'grade-set', part, grade, kinds: grade ? [...kinds] : [] })

function toggleComplaint(complaint: Complaint) {
  const present = !state.value.complaints.includes(complaint)
  const clashing = present ? state.value.complaints.filter((other) => (complaint === 'none' ? true : other === 'none')) : []
  for (const other of clashing) void job.add(props.unitId, { type: 'complaint-set', complaint: other, present: false })
  void job.add(props.unitId, { type: 'complaint-set', complaint, present })
}
const toggleFinding = (finding: Finding) => job.add(props.unitId, { type: 'finding-set', finding, present: !state.value.findings.includes(finding) })
/** Old and few is cleaned with the unit, alive or much is not: which of the two is asked. */
const askedExtent = computed(() => state.value.findings.filter((finding) => asksExtent.includes(finding)))
const asksExtent: readonly Finding[] = ['insect-nest', 'rodent-droppings', 'bent-fins']
const extentsOf = (finding: Finding) => extents.filter((extent) => extent !== 'alive' || finding === 'insect-nest')
const setExtent = (finding: Finding, extent: Extent) => job.add(props.unitId, { type: 'finding-set', finding, present: true, extent })
const scope = computed(() => unitPlan.value?.decisions.find(({ topic }) => topic === 'scope'))
const minutes = computed(() => Math.round(unitPlan.value?.steps.reduce((sum, { handsMin }) => sum + handsMin, 0) ?? 0))
const nameOf = (id: number) => job.record?.people.find((person) => person.id === id)?.name ?? ''
const helps = { yes: 'cleaning helps', partly: 'cleaning helps in part', no: 'cleaning does not help' }
const wholeWords = (choice: string) => choiceNames[choice as Choice]

useKeys([
  { key: 'n', does: 'go to the next part that is not graded', run: () => (selected.value = nextUngraded.value) },
  { key: '0 … 4', does: 'grade the part that has the focus', run: () => undefined },
])
</script>

<template>
  <div class="two-up">
    <section class="stack drawing" aria-label="Section drawing">
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
      <PhotoSlot
        v-if="selected"
        :key="selected"
        :job-id="jobId"
        :unit-id="unitId"
        :subject="{ of: { part: selected, when: 'before' } }"
        :photos="photosOfPart(state.photos, selected, 'before')"
        :name-of="nameOf"
        @grade="setGrade(selected!, $event)"
      />
      <div v-if="!selected" class="hint">
        <p><b>Tap a part</b> on the drawing and grade what you see.</p>
        <button v-if="nextUngraded" class="tap now big" @click="selected = nextUngraded">Start with the {{ partNames[nextUngraded] }}</button>
      </div>
      <button v-if="selected && nextUngraded && nextUngraded !== selected" class="tap" @click="selected = nextUngraded">
        Next: {{ partNames[nextUngraded] }}
      </button>
    </section>
    <aside class="stack" aria-label="What follows">
      <template v-if="unitPlan && scope">
        <p class="eyebrow">{{ Object.keys(state.grades).length > 0 ? 'From what is graded so far' : 'Before anything is graded' }}</p>
        <h2 class="verdict" data-scope>{{ wholeWords(scope.choice) }}</h2>
        <ul class="because">
          <li v-for="reason in scope.because" :key="reason">{{ reason }}</li>
        </ul>
        <div class="figures">
          <div>
            <span class="figure">{{ minutes }}<small>min work</small></span>
          </div>
          <template v-if="unitPlan.expected.basedOn !== 'nothing'">
            <div>
              <span class="figure">{{ Math.round(unitPlan.expected.airflowShareNow * 100) }}<small>% of its air</small></span>
            </div>
            <div data-cooling-now>
              <span class="figure">{{ Math.round(unitPlan.expected.coolingShareNow * 100) }}<small>% of its cooling</small></span>
            </div>
          </template>
        </div>
        <p v-if="unitPlan.expected.basedOn === 'nothing'" class="small" data-nothing-known>
          What it still does is told once filter, coil or wheel are graded, or the air is measured.
        </p>
        <p v-else-if="unitPlan.expected.basedOn === 'readings'" class="small">Air and cooling are told by the readings.</p>
        <ReferralNote :referrals="unitPlan.referrals" />
        <h3 class="ruled-top">Likely causes</h3>
        <p v-if="unitPlan.diagnosis.length === 0" class="small">Nothing points anywhere yet.</p>
        <ol class="plain causes">
          <li v-for="entry in unitPlan.diagnosis.slice(0, 4)" :key="entry.cause">
            <details>
              <summary>
                <span class="weight">{{ Math.round(entry.weight * 100) }}<small>%</small></span
                ><b>{{ entry.cause }}</b> <span class="small">{{ helps[entry.cleaningHelps] }}</span>
              </summary>
              <ul>
                <li v-for="line in entry.evidence" :key="line" class="small">{{ line }}</li>
              </ul>
            </details>
          </li>
        </ol>
        <RouterLink class="tap now big" :to="{ name: 'method', params: { jobId, unitId } }">See the method</RouterLink>
      </template>
    </aside>
    <section class="whole stack ruled-top">
      <h3>What the customer says</h3>
      <div class="chips" role="group" aria-label="Complaints">
        <button
          v-for="complaint in complaints"
          :key="complaint"
          class="tap"
          :data-complaint="complaint"
          :aria-pressed="state.complaints.includes(complaint)"
          @click="toggleComplaint(complaint)"
        >
          {{ inWords(complaint) }}
        </button>
      </div>
      <h3>What you found</h3>
      <div class="chips" role="group" aria-label="Findings">
        <button
          v-for="finding in possibleFindings"
          :key="finding"
          class="tap"
          :data-finding="finding"
          :aria-pressed="state.findings.includes(finding)"
          @click="toggleFinding(finding)"
        >
          {{ inWords(finding) }}
        </button>
      </div>
      <div v-for="finding in askedExtent" :key="finding" class="chips" role="group" :aria-label="`How much: ${inWords(finding)}`">
        <span class="small">{{ inWords(finding) }}:</span>
        <button
          v-for="extent in extentsOf(finding)"
          :key="extent"
          class="tap"
          :data-extent="`${finding}/${extent}`"
          :aria-pressed="state.findingExtent[finding] === extent"
          @click="setExtent(finding, extent)"
        >
          {{ extentInWords(finding, extent) }}
        </button>
      </div>
      <details>
        <summary class="tap">Before readings {{ state.readings.before ? '(taken)' : '' }}</summary>
        <ReadingsForm
          :job-id="jobId"
          :unit-id="unitId"
          label="before"
          :value="state.readings.before"
          @take="job.add(unitId, { type: 'reading-taken', when: 'before', readings: $event })"
        />
      </details>
      <table class="ledger">
        <caption class="small">
          Graded so far
        </caption>
        <tbody>
          <tr v-for="part in parts" :key="part">
            <td>{{ partNames[part] }}</td>
            <td>{{ state.grades[part] ? `${state.grades[part]!.grade} ${gradeNames[state.grades[part]!.grade]}` : 'not graded' }}</td>
            <td>{{ state.grades[part]?.kinds?.map(inWords).join(', ') }}</td>
            <td class="number"><button class="tap bare" @click="selected = part">Grade</button></td>
          </tr>
        </tbody>
      </table>
    </section>
  </div>
</template>

<style scoped>
@media (min-width: 901px) {
  .drawing > svg {
    max-height: 25rem;
  }
}
.verdict {
  font-size: 1.6rem;
  line-height: 1.1;
}
.verdict::first-letter {
  text-transform: uppercase;
}
.because {
  margin: 0;
  padding-left: 1.1rem;
}
.causes li {
  border-bottom: var(--rule-width) solid var(--rule);
  padding: 0.3rem 0;
}
.weight {
  display: inline-block;
  min-width: 3.2rem;
  font-weight: 600;
}
summary {
  cursor: pointer;
}
.hint {
  display: flex;
  flex-wrap: wrap;
  gap: 1rem;
  align-items: center;
  min-height: 92px;
}
caption {
  text-align: left;
}
details > form {
  margin-top: 0.8rem;
}
</style>
