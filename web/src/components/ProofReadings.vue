<script setup lang="ts">
// What is measured before and after the work: after first, and before folded away once it was taken.
import { ref } from 'vue'
import { useRoute } from 'vue-router'
import type { UnitState } from '@yastik/core/run'
import Fold from '../kit/Fold.vue'
import { useJob } from '../stores/job.ts'
import ReadingsForm from './ReadingsForm.vue'
import { t } from '../words/words.ts'

const props = defineProps<{ jobId: string; unitId: string; state: UnitState }>()
const job = useJob()
const isTaken = () => props.state.readings.before !== undefined
/** Whoever comes to enter it finds it open. */
const isOpen = ref(!isTaken() || useRoute().hash === '#before')
type Readings = NonNullable<UnitState['readings']['before']>
const take = (when: 'before' | 'after', readings: Readings) => job.add(props.unitId, { type: 'reading-taken', when, readings })
async function takeBefore(readings: Readings) {
  await take('before', readings)
  isOpen.value = false
}
</script>

<template>
  <div class="two">
    <section id="after" class="stack">
      <h2>
        {{ t('screen.proof.after') }} <small>{{ t('screen.proof.least-ten-minutes-steady-cooling') }}</small>
      </h2>
      <ReadingsForm
        :key="`after${state.readings.after ? 1 : 0}`"
        :job-id="jobId"
        :unit-id="unitId"
        when="after"
        :value="state.readings.after"
        @take="take('after', $event)"
      />
    </section>
    <section id="before">
      <Fold v-model="isOpen">
        <template #title
          ><b class="head">{{ t('screen.proof.before') }}</b
          ><small v-if="state.readings.before">{{ t('screen.proof.taken') }}</small></template
        >
        <ReadingsForm
          :key="`before${state.readings.before ? 1 : 0}`"
          :job-id="jobId"
          :unit-id="unitId"
          when="before"
          :value="state.readings.before"
          @take="takeBefore"
        />
      </Fold>
    </section>
  </div>
</template>

<style scoped>
.head {
  margin-right: 0.5rem;
  font-size: 1.2rem;
}
.two {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(22rem, 100%), 1fr));
  gap: 1rem 2rem;
  align-items: start;
}
</style>
