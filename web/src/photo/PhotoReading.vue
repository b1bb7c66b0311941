<script setup lang="ts">
// What a photograph says: the share that is covered, how sure that is, what a person corrected, and the grade that follows. A person decides.
import { settledBand } from '@yastik/core/lookover'
import { proposedGrade, type PhotoMeasured, type Surface } from '@yastik/core/proof'
import { allGrades, type Grade } from '@yastik/core/quantities'
import { computed } from 'vue'
import Tap from '../kit/Tap.vue'
import { say, t } from '../words/words.ts'

const props = defineProps<{ measured: PhotoMeasured; surface: Surface; byHand: number | undefined }>()
const emit = defineEmits<{ grade: [grade: Grade] }>()
const percent = (share: number) => Math.round(share * 100)
const settled = computed(() => settledBand({ ...props.measured, byHand: props.byHand }))
const proposal = computed(() => proposedGrade(settled.value))
const lean = computed(() => Math.round(props.measured.finDirectionDeg ?? 0))
const others = computed(() => allGrades.filter((grade) => grade !== proposal.value.grade || proposal.value.orElse !== undefined))
const named = (grade: Grade) => `${grade} ${t(`names.grade.${grade}`)}`
</script>

<template>
  <p class="reading">
    <span class="figure" data-covered
      >{{ percent(settled.coveredShare) }}<small>{{ t('screen.proof.covered-3') }}</small></span
    >
    <small v-if="byHand === undefined">{{ t('screen.proof.nine-times-ten', { low: percent(measured.low), high: percent(measured.high) }) }}</small>
    <small v-else data-read>{{ t('screen.proof.your-hand-reading-said', { coveredShare: percent(measured.coveredShare) }) }}</small>
  </p>
  <p v-if="measured.straightShare !== undefined" class="reading">
    <span class="figure" data-straight
      >{{ percent(measured.straightShare) }}<small>{{ t('screen.proof.fins-straight') }}</small></span
    >
    <small>{{
      lean === 0
        ? t('screen.proof.upright-part')
        : t('screen.proof.leaning', { lean: Math.abs(lean), left: lean > 0 ? t('screen.proof.left-2') : t('screen.proof.right') })
    }}</small>
  </p>
  <p v-else-if="surface === 'fins'" class="small">{{ t('screen.proof.too-few-fins-can-seen') }}</p>
  <p v-for="note in measured.notes" :key="note.key" class="small" data-photo-note>{{ say(note) }}</p>
  <p v-if="proposal.orElse !== undefined" data-look-yourself>
    {{ t('screen.proof.photograph-cannot-tell') }} <b>{{ named(proposal.grade) }}</b> {{ t('screen.proof.from') }}
    <b>{{ named(proposal.orElse) }}</b>{{ t('screen.proof.look-part-itself-grade-you') }}
  </p>
  <template v-else>
    <p>
      {{ t('screen.proof.grade') }} <b>{{ named(proposal.grade) }}</b>{{
        t('screen.proof.sure-you-see-your-own', { what: Math.min(99, percent(proposal.chances[proposal.grade])) })
      }}
    </p>
    <Tap now big data-take-grade @click="emit('grade', proposal.grade)">{{ t('screen.proof.grade-2', { named: named(proposal.grade) }) }}</Tap>
  </template>
  <div class="row" role="group" :aria-label="proposal.orElse === undefined ? t('screen.proof.another-grade') : t('screen.proof.grade-3')">
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
