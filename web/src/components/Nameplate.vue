<script setup lang="ts">
// The nameplate of a unit: what stands on it, its photograph, and the way to take one on this visit.
import { photosOfPlate } from '@yastik/core/run'
import type { UnitRecord } from '@yastik/core/wire'
import { computed, defineAsyncComponent } from 'vue'
import { useJob } from '../stores/job.ts'
import PhotoThumb from './PhotoThumb.vue'
import { t } from '../words/words.ts'

const PhotoSlot = defineAsyncComponent(() => import('./PhotoSlot.vue'))
const props = defineProps<{ unit: UnitRecord; /** On which a photograph can be taken. */ jobId: string }>()
const job = useJob()
const taken = computed(() => photosOfPlate(job.stateFor(props.unit.id).photos))
/** Of an earlier visit, as long as this one has none. */
const earlier = computed(() => (taken.value.length > 0 || props.unit.platePhoto?.jobId === props.jobId ? null : props.unit.platePhoto))
const lines = computed(() => {
  const { maker, model, serialNumber, design } = props.unit
  const volts = design.volts === undefined ? undefined : `${design.volts} V`
  return [
    ['maker', maker],
    ['model', model],
    [t('screen.sites.serial-number-2'), serialNumber],
    ['voltage', volts],
  ].flatMap(([name, value]) => (value === undefined ? [] : [{ name, value }]))
})
</script>

<template>
  <div class="row nameplate" data-nameplate>
    <dl v-if="lines.length > 0">
      <div v-for="{ name, value } in lines" :key="name">
        <dt>{{ name }}</dt>
        <dd>{{ value }}</dd>
      </div>
    </dl>
    <p v-else class="small">{{ t('screen.sites.nothing-noted-yet-photograph-enter') }}</p>
    <PhotoThumb
      v-if="earlier"
      :photo-id="earlier.photoId"
      :job-id="earlier.jobId"
      :unit-id="unit.id"
      :says="t('screen.sites.nameplate-earlier-visit')"
    />
    <PhotoSlot :job-id="jobId" :unit-id="unit.id" :subject="{ plate: true }" :photos="taken" />
  </div>
</template>

<style scoped>
.nameplate {
  align-items: flex-start;
}
dl {
  margin: 0;
  display: grid;
  gap: 0.2rem;
}
dl > div {
  display: flex;
  gap: 0.8rem;
}
dt {
  min-width: 8rem;
  color: var(--ink-soft);
}
dd {
  margin: 0;
  font-weight: 600;
}
</style>
