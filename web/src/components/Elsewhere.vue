<script setup lang="ts">
// While one has to wait here: what this person could do at the other units of the visit.
import { nextSteps, type Asker } from '@yastik/core/run'
import { computed } from 'vue'
import { useJob } from '../stores/job.ts'
import Tap from '../kit/Tap.vue'
import { useMeasures } from '../measures/useMeasures.ts'
import { t } from '../words/words.ts'

const { say } = useMeasures()

const props = defineProps<{ jobId: string; unitId: string; asker: Asker; nowMs: number }>()
const job = useJob()
const steps = computed(() =>
  (job.record?.unitIds ?? [])
    .filter((id) => id !== props.unitId)
    .flatMap((id) =>
      nextSteps(job.stateFor(id), props.nowMs, props.asker, job.lists)
        .slice(0, 1)
        .map((step) => ({ id, step })),
    ),
)
</script>

<template>
  <section v-if="steps.length > 0" class="stack" data-elsewhere>
    <h3>{{ t('screen.frame.meanwhile') }}</h3>
    <Tap v-for="{ id, step } in steps" :key="id" :to="{ name: 'at-the-unit', params: { jobId, unitId: id } }">
      <span
        ><b>{{ job.unitFor(id)?.name }}</b
        >: {{ say(step.title) }}</span
      >
    </Tap>
  </section>
</template>
