<script setup lang="ts">
// What a photograph says: the share that is covered, how sure that is, what a person corrected, and the grade that follows. A person decides.
import { settledBand } from '@yastik/core/lookover'
import { proposedGrade, type PhotoMeasured, type Surface } from '@yastik/core/proof'
import { allGrades, gradeNames, type Grade } from '@yastik/core/quantities'
import { computed } from 'vue'
import Tap from '../kit/Tap.vue'

const props = defineProps<{ measured: PhotoMeasured; surface: Surface; byHand: number | undefined }>()
const emit = defineEmits<{ grade: [grade: Grade] }>()
const percent = (share: number) => Math.round(share * 100)
const settled = computed(() => settledBand({ ...props.measured, byHand: props.byHand }))
const proposal = computed(() => proposedGrade(settled.value))
const lean = computed(() => Math.round(props.measured.finDirectionDeg))
const others = computed(() => allGrades.filter((grade) => grade !== proposal.value.grade || proposal.value.orElse !== undefined))
const named = (grade: Grade) => `${grade} ${gradeNames[grade]}`
</script>

<template>
  <p class="reading">
    <span class="figure" data-covered>{{ percent(settled.coveredShare) }}<small>% covered</small></span>
    <small v-if="byHand === undefined">nine times in ten {{ percent(measured.low) }} to {{ percent(measured.high) }} %</small>
    <small v-else data-read>by your hand; the reading said {{ percent(measured.coveredShare) }} %</small>
  </p>
  <p v-if="measured.straightShare !== undefined" class="reading">
    <span class="figure" data-straight>{{ percent(measured.straightShare) }}<small>% of the fins straight</small></span>
    <small>{{ lean === 0 ? 'upright on the part' : `leaning by ${Math.abs(lean)}° to the ${lean > 0 ? 'left' : 'right'}` }}</small>
  </p>
  <p v-else-if="surface === 'fins'" class="small">Too few fins can be seen to say how many are straight.</p>
  <p v-for="note in measured.notes" :key="note" class="small" data-photo-note>{{ note }}</p>
  <p v-if="proposal.orElse !== undefined" data-look-yourself>
    The photograph cannot tell <b>{{ named(proposal.grade) }}</b> from <b>{{ named(proposal.orElse) }}</b>. Look at the part itself, and grade what
    you see.
  </p>
  <template v-else>
    <p>
      That is grade <b>{{ named(proposal.grade) }}</b>, {{ Math.min(99, percent(proposal.chances[proposal.grade])) }} % sure. What you see with your
      own eyes goes before.
    </p>
    <Tap now big data-take-grade @click="emit('grade', proposal.grade)">Grade it {{ named(proposal.grade) }}</Tap>
  </template>
  <div class="row" role="group" :aria-label="proposal.orElse === undefined ? 'Another grade' : 'The grade'">
    <Tap v-for="other in others" :key="other" :data-other-grade="other" @click="emit('grade', other)">
      {{ named(other) }} <small>{{ percent(proposal.chances[other]) }} %</small>
    </Tap>
  </div>
</template>

<style scoped>
.reading {
  display: flex;
  flex-direction: column;
  gap: 0;
}
</style>
