<script setup lang="ts">
// The one scale for the part that was tapped, with what each grade looks like, and the kinds of soil.
import { gradeLooks, soilKinds, type PartGrade, type SoilKind } from '@yastik/core/lookover'
import { allGrades, type Grade } from '@yastik/core/quantities'
import { type Part } from '@yastik/core/units'
import { optionsOf } from '../kit/option.ts'
import Tap from '../kit/Tap.vue'
import Choice from '../kit/Choice.vue'
import Ticks from '../kit/Ticks.vue'
import Later from '../kit/Later.vue'
import { useMeasures } from '../measures/useMeasures.ts'
import { t } from '../words/words.ts'
import { inWords } from '../words/names.ts'

const { say } = useMeasures()

defineProps<{ part: Part; value?: PartGrade }>()
const emit = defineEmits<{ set: [grade: Grade | null, kinds: SoilKind[]] }>()

const grades = optionsOf(allGrades, (grade) => t(`names.grade.${grade}`))
const commonKinds = optionsOf(
  soilKinds.filter((kind) => kind !== 'leaf-litter' && kind !== 'insects'),
  inWords,
)
</script>

<template>
  <section class="scale" :aria-label="t('screen.lookover.grade-3', { part: t(`names.part.${part}`) })">
    <div class="spread">
      <h2>{{ t(`names.part.${part}`) }}</h2>
      <Tap v-if="value" bare small @click="emit('set', null, [])">{{ t('screen.lookover.take-grade-away') }}</Tap>
    </div>
    <Choice
      class="grades"
      mark="set-grade"
      :label="t('screen.lookover.grade-4', { part: t(`names.part.${part}`) })"
      :model-value="value?.grade"
      :options="grades"
      @update:model-value="emit('set', $event, [...(value?.kinds ?? [])])"
    >
      <template #default="{ option }">
        <span class="grade"
          ><b>{{ option.value }}</b
          ><span>{{ option.says }}</span
          ><small>{{ say(gradeLooks(part)[option.value]) }}</small></span
        >
      </template>
    </Choice>
    <Later v-if="value && value.grade > 0" :key="part"
      ><Ticks
        :label="t('screen.lookover.kinds-soil')"
        mark="soil"
        :model-value="value.kinds ?? []"
        :options="commonKinds"
        @update:model-value="emit('set', value.grade, $event)"
    /></Later>
  </section>
</template>

<style scoped>
.scale {
  display: flex;
  flex-direction: column;
  gap: 0.6rem;
}
.grades {
  display: grid;
  grid-template-columns: repeat(5, 1fr);
  align-items: stretch;
  gap: 0;
}
.grades :deep(.el-radio-button) {
  display: flex;
}
.grades :deep(.el-radio-button__inner) {
  width: 100%;
  height: 100%;
  min-height: 92px;
  align-items: flex-start;
  text-align: left;
  padding: 0.4rem 0.5rem;
}
.grades :deep(.el-radio-button:not(:first-child)) {
  margin-left: calc(-1 * var(--rule-width));
}
.grade {
  display: flex;
  flex-direction: column;
  line-height: 1.15;
}
.grade b {
  font-size: 1.5rem;
  line-height: 1;
}
.grade small {
  color: inherit;
  margin-top: 0.2rem;
}
@media (max-width: 700px) {
  .grades {
    grid-template-columns: 1fr;
  }
  .grades :deep(.el-radio-button) {
    margin: 0 0 -1px;
  }
  .grades :deep(.el-radio-button__inner) {
    min-height: var(--touch);
    align-items: center;
  }
  .grade {
    flex-direction: row;
    align-items: center;
    gap: 0.7rem;
  }
  .grade b {
    min-width: 1.2rem;
  }
}
</style>
