<script setup lang="ts">
// The one scale for the part that was tapped, with what each grade looks like, and the kinds of soil.
import { gradeLooks, inWords, soilKinds, type PartGrade, type SoilKind } from '@yastik/core/lookover'
import { allGrades, gradeNames, type Grade } from '@yastik/core/quantities'
import { partNames, type Part } from '@yastik/core/units'

const props = defineProps<{ part: Part; value?: PartGrade }>()
const emit = defineEmits<{ set: [grade: Grade | null, kinds: SoilKind[]] }>()

function toggleKind(kind: SoilKind) {
  const kinds = props.value?.kinds ?? []
  emit('set', props.value?.grade ?? 1, kinds.includes(kind) ? kinds.filter((other) => other !== kind) : [...kinds, kind])
}
const commonKinds = soilKinds.filter((kind) => kind !== 'leaf-litter' && kind !== 'insects')
</script>

<template>
  <section class="scale" :aria-label="`Grade of ${partNames[part]}`">
    <div class="spread">
      <h2>{{ partNames[part] }}</h2>
      <button v-if="value" class="tap bare small" @click="emit('set', null, [])">Take the grade away</button>
    </div>
    <div class="grades" role="radiogroup" :aria-label="`Grade of ${partNames[part]}`">
      <button
        v-for="grade in allGrades"
        :key="grade"
        class="tap grade"
        role="radio"
        :aria-checked="value?.grade === grade"
        :data-set-grade="grade"
        @click="emit('set', grade, value?.kinds ?? [])"
      >
        <b>{{ grade }}</b><span>{{ gradeNames[grade] }}</span
        ><small>{{ gradeLooks(part)[grade] }}</small>
      </button>
    </div>
    <div v-if="value && value.grade > 0" class="chips" role="group" aria-label="Kinds of soil">
      <button v-for="kind in commonKinds" :key="kind" class="tap" :aria-pressed="value.kinds?.includes(kind) ?? false" @click="toggleKind(kind)">
        {{ inWords(kind) }}
      </button>
    </div>
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
  gap: 0;
}
.grade {
  flex-direction: column;
  align-items: flex-start;
  justify-content: flex-start;
  text-align: left;
  gap: 0;
  min-height: 92px;
  padding: 0.4rem 0.5rem;
  margin-left: calc(-1 * var(--rule-width));
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
  .grade {
    flex-direction: row;
    align-items: center;
    gap: 0.7rem;
    min-height: var(--touch);
    margin: 0 0 -1px;
  }
  .grade b {
    min-width: 1.2rem;
  }
}
</style>
