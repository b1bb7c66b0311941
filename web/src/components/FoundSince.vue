<script setup lang="ts">
// Whether what was found since the method was agreed asks for other work.
import { changeOf } from '@yastik/core/run'
import { computed } from 'vue'
import { usePlan } from '../job/usePlan.ts'
import Notice from '../kit/Notice.vue'
import Tap from '../kit/Tap.vue'
import { useJob } from '../stores/job.ts'
import { t } from '../words/words.ts'

const props = defineProps<{ jobId: string; unitId: string }>()
const job = useJob()
const plan = usePlan(() => props.unitId)
const changes = computed(() => changeOf(job.stateFor(props.unitId), plan.value?.units[0].steps ?? []) !== undefined)
</script>

<template>
  <Notice v-if="changes" data-found>
    {{ t('screen.lookover.found-since-changes-work') }}
    <Tap :to="{ name: 'method', params: { jobId, unitId } }">{{ t('screen.lookover.see-change') }}</Tap>
  </Notice>
</template>
