<script setup lang="ts">
// Part by part: as it was found, as it is now, and how both looked.
import { allGrades, type Grade } from '@yastik/core/quantities'
import { photosOfPart } from '@yastik/core/run'
import { partsOf, type Part } from '@yastik/core/units'
import { computed, defineAsyncComponent } from 'vue'
import { optionsOf } from '../kit/option.ts'
import { useJob } from '../stores/job.ts'
import PhotoSlot from './PhotoSlot.vue'
import Choice from '../kit/Choice.vue'
import Tap from '../kit/Tap.vue'
import { t } from '../words/words.ts'

const PhotoCompare = defineAsyncComponent(() => import('../photo/PhotoCompare.vue'))
const props = defineProps<{ jobId: string; unitId: string }>()
const job = useJob()
const unit = computed(() => job.unitFor(props.unitId)!)
const state = computed(() => job.stateFor(props.unitId))
const parts = computed(() => partsOf[unit.value.family].filter((part) => state.value.grades[part] !== undefined))
const photosOf = (part: Part, when: 'before' | 'after') => photosOfPart(state.value.photos, part, when)
const before = (part: Part) => state.value.grades[part]!.grade
const after = (part: Part) => state.value.gradesAfter[part]?.grade
const grades = optionsOf(allGrades, (grade) => `${grade} ${t(`names.grade.${grade}`)}`)
const set = (part: Part, grade: Grade | null) => job.add(props.unitId, { type: 'grade-set', part, grade, kinds: [], when: 'after' })
/** From a photograph: as it was found, or as it is now. */
const gradeByPhoto = (part: Part, value: Grade, when: 'before' | 'after') =>
  job.add(props.unitId, {
    type: 'grade-set',
    part,
    grade: value,
    ...(when === 'after' ? { kinds: [], when } : { kinds: [...(value > 0 ? (state.value.grades[part]?.kinds ?? []) : [])] }),
  })
/** The latest measured photographs of a part, where there is one of each. */
function measuredPair(part: Part) {
  const latest = (when: 'before' | 'after') => photosOf(part, when).findLast(({ measure }) => measure)
  const [found, now] = [latest('before'), latest('after')]
  return found && now && { before: found, after: now }
}
</script>

<template>
  <section v-if="parts.length > 0" class="stack" data-parts-after>
    <h2>
      {{ t('screen.work.part-part') }} <small>{{ t('screen.work.found-now') }}</small>
    </h2>
    <ul class="plain">
      <li v-for="part in parts" :key="part" class="part" :data-part-after="part">
        <div class="name">
          <b>{{ t(`names.part.${part}`) }}</b>
          <small>{{ t('screen.work.found', { before: before(part), grade: t(`names.grade.${before(part)}`) }) }}</small>
        </div>
        <div class="grades">
          <Choice
            mark="after-grade"
            :label="t('screen.work.now', { part: t(`names.part.${part}`) })"
            :model-value="after(part)"
            :options="grades"
            @update:model-value="set(part, $event)"
          />
          <Tap v-if="after(part) !== undefined" bare small data-take-grade @click="set(part, null)">{{ t('screen.work.take-away') }}</Tap>
        </div>
        <div class="photos">
          <div v-for="when in ['before', 'after'] as const" :key="when">
            <small>{{ when === 'before' ? t('screen.proof.before-2') : t('screen.proof.after-2') }}</small>
            <PhotoSlot
              :job-id="jobId"
              :unit-id="unitId"
              :subject="{ of: { part, when } }"
              :photos="photosOf(part, when)"
              @grade="gradeByPhoto(part, $event, when)"
            />
          </div>
        </div>
        <PhotoCompare
          v-if="measuredPair(part)"
          class="whole-row"
          :job-id="jobId"
          :unit-id="unitId"
          :part="part"
          :before="measuredPair(part)!.before"
          :after="measuredPair(part)!.after"
        />
      </li>
    </ul>
  </section>
</template>

<style scoped>
.part {
  display: grid;
  grid-template-columns: 10rem minmax(0, 1fr) auto;
  gap: 0.6rem 1.4rem;
  align-items: center;
  border-top: var(--rule-width) solid var(--rule);
  padding: 0.5rem 0;
}
.name {
  display: flex;
  flex-direction: column;
}
.whole-row {
  grid-column: 1 / -1;
}
.grades {
  display: flex;
  flex-wrap: wrap;
}
.photos {
  display: flex;
  gap: 1.2rem;
}
@media (max-width: 900px) {
  .part {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
