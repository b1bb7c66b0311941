<script setup lang="ts">
// The frame of a job: which unit, where in the job, the stations.
import { endpoints } from '@yastik/core/wire'
import { stationOf } from '@yastik/core/run'
import { computed, ref, watch } from 'vue'
import { RouterLink, RouterView, useRoute, useRouter } from 'vue-router'
import { ask } from '../api/client.ts'
import { noteRecent } from '../find/recent.ts'
import { aheadMs } from '../api/clock.ts'
import FaultNote from '../kit/FaultNote.vue'
import PhaseRibbon from '../components/PhaseRibbon.vue'
import { useKeys } from '../components/keys.ts'
import { useNames } from '../job/useNames.ts'
import Pick from '../kit/Pick.vue'
import { useJob } from '../stores/job.ts'
import Tap from '../kit/Tap.vue'
import Notice from '../kit/Notice.vue'
import { t } from '../words/words.ts'

const props = defineProps<{ jobId: string; unitId: string }>()
const job = useJob()
const route = useRoute()
const router = useRouter()
const error = ref<unknown>()

async function load() {
  error.value = undefined
  try {
    await job.open(props.jobId)
  } catch (caught) {
    error.value = caught
  }
}
await load()
watch(() => props.jobId, load)

const unit = computed(() => job.unitFor(props.unitId))
const state = computed(() => job.stateFor(props.unitId))
watch(
  unit,
  (own) => own && job.record && noteRecent({ to: `/jobs/${props.jobId}/${own.id}/look-over`, says: own.name, where: job.record.site.site.name }),
  { immediate: true },
)
const others = computed(() => (job.record?.unitIds ?? []).filter((id) => id !== props.unitId))
const { unitName } = useNames()
/** A visit that was cancelled is planned again, on its day and for its people. */
async function takeBack() {
  const { record } = job
  if (!record) return
  error.value = undefined
  try {
    const { id, onDate, crew, revision } = record
    await ask(endpoints.moveJob, { params: { id }, body: { onDate, crewIds: crew.map((person) => person.id), revision } })
    await job.reopen()
  } catch (caught) {
    error.value = caught
  }
}
/** So many stand beside each other; more are a list. */
const fewUnits = 4
/** The same station at another unit. */
const stationRoute = (id: string) => ({ name: String(route.name), params: { jobId: props.jobId, unitId: id } })
const goTo = (id: string) => router.push(stationRoute(id))
const canUndo = computed(() => job.undoable(props.unitId) !== undefined && !state.value.handedOver)
useKeys([{ key: 'u', does: t('screen.lookover.undo-last-tap-unit'), run: () => void job.undo(props.unitId) }])
</script>

<template>
  <div class="page stack">
    <FaultNote :error="error" />
    <template v-if="unit && job.record">
      <div class="spread">
        <div>
          <p class="eyebrow">
            <RouterLink :to="`/sites/${job.record.site.id}`">{{ job.record.site.site.name }}</RouterLink> · {{ t(`names.family.${unit.family}`) }}
          </p>
          <h1>{{ unit.name }}</h1>
        </div>
        <div class="row no-print">
          <Pick
            v-if="others.length > fewUnits"
            class="others"
            :model-value="undefined"
            name="other-unit"
            :label="t('screen.lookover.another-unit-visit')"
            :placeholder="t('screen.lookover.another-unit')"
            filterable
            :options="others.map((id) => ({ value: id, says: unitName(id) }))"
            @update:model-value="goTo"
          />
          <template v-else
            ><Tap v-for="id in others" :key="id" :to="stationRoute(id)">{{ unitName(id) }}</Tap></template
          >
          <Tap
            :off="canUndo ? '' : state.handedOver ? t('screen.lookover.handed-over') : t('screen.lookover.nothing-yours-undo')"
            data-undo
            @click="job.undo(unitId)"
            >{{ t('screen.lookover.undo-last-tap') }}</Tap
          >
        </div>
      </div>
      <Notice v-if="job.record.cancelled" kind="now" data-cancelled-job>
        <p>
          <b>{{ t('screen.lookover.visit-cancelled-nobody-expected') }}</b>
          <Tap small data-take-back @click="takeBack">{{ t('screen.lookover.go-after-all') }}</Tap>
        </p>
      </Notice>
      <p v-if="job.trouble" class="trouble" role="alert">{{ job.trouble }}</p>
      <PhaseRibbon :job-id="jobId" :unit-id="unitId" :stage="stationOf(state)" />
      <RouterView v-slot="{ Component }"><component :is="Component" :key="unitId" :job-id="jobId" :unit-id="unitId" /></RouterView>
      <!-- Known a moment after the page was drawn: below, so that nothing moves away under a finger. -->
      <p v-if="Math.abs(aheadMs ?? 0) > 60_000" class="small" role="status" data-clock>
        {{
          t('screen.lookover.devices-clock-min-waits-counted', {
            aheadMs: Math.round(Math.abs(aheadMs!) / 60_000),
            ahead: aheadMs! > 0 ? t('screen.lookover.ahead') : t('screen.lookover.behind'),
          })
        }}
      </p>
    </template>
    <p v-else-if="!error">{{ t('screen.lookover.unit-not-part-visit') }}</p>
  </div>
</template>

<style scoped>
.others {
  width: 14rem;
}
.trouble {
  border: 2px dashed var(--now);
  padding: 0.4rem 0.8rem;
}
</style>
