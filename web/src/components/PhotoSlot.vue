<script setup lang="ts">
// Photographs of a step, or of a part: those taken, and a slot for the next one.
import type { TakenPhoto } from '@yastik/core'
import dayjs from 'dayjs'
import { ref } from 'vue'
import { useJob, type PhotoOf } from '../stores/job.ts'
import FaultNote from './FaultNote.vue'
import PhotoThumb from './PhotoThumb.vue'

const props = defineProps<{
  jobId: string
  unitId: string
  subject: PhotoOf
  photos: readonly TakenPhoto[]
  wanted?: string
  nameOf: (id: number) => string
}>()
const job = useJob()
const error = ref<unknown>()
const busy = ref(false)

async function take(event: Event) {
  const input = event.target as HTMLInputElement
  const files = [...(input.files ?? [])]
  input.value = ''
  error.value = undefined
  busy.value = true
  try {
    for (const file of files) await job.addPhoto(props.unitId, file, props.subject)
  } catch (caught) {
    error.value = caught
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <div class="stack" data-photos>
    <p v-if="wanted" class="how"><b>Photograph first:</b> {{ wanted }}.</p>
    <div class="row">
      <PhotoThumb
        v-for="photo in photos"
        :key="photo.photoId"
        :photo-id="photo.photoId"
        :job-id="jobId"
        :unit-id="unitId"
        :says="`${nameOf(photo.by)}, ${dayjs(photo.atMs).format('D MMM, HH:mm')}`"
      />
      <label class="tap slot" :class="{ wanted: wanted && photos.length === 0 }">
        <input type="file" accept="image/*" capture="environment" class="file" name="photo" :disabled="busy" @change="take" />
        {{ busy ? 'Keeping it …' : photos.length === 0 ? 'Photograph' : 'One more' }}
      </label>
    </div>
    <FaultNote :error="error" />
  </div>
</template>

<style scoped>
.how {
  font-size: 1.15rem;
  max-width: 46rem;
}
.slot {
  width: 96px;
  height: 72px;
  border-style: dashed;
  line-height: 1.1;
}
.slot.wanted {
  border-color: var(--now);
  border-width: 2px;
}
.slot:focus-within {
  outline: 3px solid var(--now);
  outline-offset: 2px;
}
.file {
  position: absolute;
  width: 1px;
  height: 1px;
  opacity: 0;
}
</style>
