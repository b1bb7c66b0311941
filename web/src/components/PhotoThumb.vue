<script setup lang="ts">
// One photograph, small; a tap shows it whole.
import { Fault } from '@yastik/core/faults'
import { addressOf, endpoints } from '@yastik/core/wire'
import { onBeforeUnmount, ref, watch } from 'vue'
import { NoAnswer } from '../api/client.ts'
import { previewFor } from '../offline/photos.ts'
import Tap from '../kit/Tap.vue'
import Dialog from '../kit/Dialog.vue'
import { t } from '../words/words.ts'

const props = defineProps<{ photoId: string; jobId: string; unitId: string; says: string; /** As large as its place. */ wide?: boolean }>()
const source = ref('')
const isOpen = ref(false)
/** The whole picture needs the server; without one the preview has to do. */
const whole = ref('')

async function load() {
  release()
  try {
    source.value = URL.createObjectURL(await previewFor({ photoId: props.photoId, jobId: props.jobId, unitId: props.unitId }))
  } catch (error) {
    if (!(error instanceof NoAnswer || error instanceof Fault)) throw error
  }
}
function release() {
  if (source.value) URL.revokeObjectURL(source.value)
  source.value = ''
}
watch(() => props.photoId, load, { immediate: true })
onBeforeUnmount(release)

function open() {
  whole.value = addressOf(endpoints.photo, { params: { id: props.photoId } })
  isOpen.value = true
}
</script>

<template>
  <Tap class="thumb" :class="{ wide }" :aria-label="t('screen.proof.photograph-2', { says })" :data-photo="photoId" @click="open">
    <img v-if="source" :src="source" :alt="says" /><small v-else>{{ t('screen.proof.not-device-yet') }}</small>
  </Tap>
  <Dialog v-model="isOpen" :title="says" width="60rem">
    <img class="whole" :src="whole" :alt="says" @error="whole = source" />
  </Dialog>
</template>

<style scoped>
.thumb {
  width: 96px;
  height: 72px;
  padding: 0;
  border: var(--rule-width) solid var(--ink);
  background: var(--paper-deep);
  cursor: pointer;
  overflow: hidden;
}
.thumb.wide {
  width: 100%;
  height: 15rem;
}
.thumb.wide img {
  object-fit: contain;
}
.thumb img {
  width: 100%;
  height: 100%;
  object-fit: cover;
  display: block;
}
.whole {
  width: 100%;
  max-height: 75vh;
  object-fit: contain;
}
</style>
