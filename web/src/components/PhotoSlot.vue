<script setup lang="ts">
// Photographs of a step, or of a part: those taken, and a slot for the next one.
import { settledShare } from '@yastik/core/lookover'
import { surfaceOf } from '@yastik/core/proof'
import type { Grade } from '@yastik/core/quantities'
import type { TakenPhoto } from '@yastik/core/run'
import { endpoints } from '@yastik/core/wire'
import { computed, defineAsyncComponent, ref } from 'vue'
import { fetchFile } from '../api/client.ts'
import { useJob, type PhotoOf } from '../stores/job.ts'
import { useSession } from '../stores/session.ts'
import FaultNote from '../kit/FaultNote.vue'
import FileTap from '../kit/FileTap.vue'
import PhotoThumb from './PhotoThumb.vue'
import Tap from '../kit/Tap.vue'
import { useNames } from '../job/useNames.ts'
import { t } from '../words/words.ts'
import { dayAndTimeWords } from '../words/when.ts'

const props = defineProps<{
  jobId: string
  unitId: string
  subject: PhotoOf
  photos: readonly TakenPhoto[]
  wanted?: string
}>()
const { personName } = useNames()
const emit = defineEmits<{ grade: [grade: Grade] }>()
const PhotoMeasure = defineAsyncComponent(() => import('../photo/PhotoMeasure.vue'))
const job = useJob()
const session = useSession()
/** Parts whose photographs can be measured. */
const measurable = computed(() => {
  const part = props.subject.of?.part
  const surface = part && surfaceOf(part)
  return part && surface ? { part, surface } : undefined
})
const measuring = ref<string>()
const measured = computed(() => props.photos.find(({ photoId }) => photoId === measuring.value))
const error = ref<unknown>()
const busy = ref(false)

const take = (files: File[]) => keep(() => Promise.resolve(files))
/** The camera that is connected as the other instruments are. */
const takeByCamera = () =>
  keep(async () => {
    if (!measurable.value) return []
    const { part } = measurable.value
    const picture = await fetchFile(endpoints.camera, { params: { id: props.jobId, unitId: props.unitId }, query: { part } })
    return [new File([picture], `${t(`names.part.${part}`)}.jpg`, { type: picture.type })]
  })
async function keep(files: () => Promise<readonly File[]>) {
  error.value = undefined
  busy.value = true
  try {
    for (const file of await files()) await job.addPhoto(props.unitId, file, props.subject)
  } catch (caught) {
    error.value = caught
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <div class="stack" data-photos>
    <p v-if="wanted" class="how">
      <b>{{ t('screen.proof.photograph-first') }}</b> {{ wanted }}.
    </p>
    <div class="row">
      <div v-for="photo in photos" :key="photo.photoId" class="taken">
        <PhotoThumb :photo-id="photo.photoId" :job-id="jobId" :unit-id="unitId" :says="`${personName(photo.by)}, ${dayAndTimeWords(photo.atMs)}`" />
        <Tap v-if="measurable" :data-measure="photo.photoId" @click="measuring = photo.photoId">
          {{
            photo.measure
              ? t('screen.proof.covered', {
                  settledShare: Math.round(settledShare(photo.measure) * 100),
                  hand: photo.measure.byHand === undefined ? '' : t('screen.proof.hand'),
                })
              : t('screen.proof.measure')
          }}
        </Tap>
      </div>
      <FileTap name="photo" accept="image/*" camera class="slot" :class="{ wanted: wanted && photos.length === 0 }" :disabled="busy" @files="take">
        {{ busy ? t('screen.proof.keeping') : photos.length === 0 ? t('screen.proof.photograph') : t('screen.proof.one-more') }}
      </FileTap>
      <Tap v-if="measurable && session.me?.instruments" class="slot" data-camera :disabled="busy" @click="takeByCamera">
        {{ t('screen.proof.camera') }}
      </Tap>
    </div>
    <PhotoMeasure
      v-if="measured && measurable"
      :key="measured.photoId"
      :job-id="jobId"
      :unit-id="unitId"
      :photo="measured"
      v-bind="measurable"
      @grade="emit('grade', $event)"
      @close="measuring = undefined"
    />
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
.taken {
  display: flex;
  flex-direction: column;
  width: 96px;
}
.taken .tap {
  min-height: 44px;
  padding: 0 0.2rem;
  border-top: 0;
  font-size: 0.85rem;
}
.slot.wanted {
  border-color: var(--now);
  border-width: 2px;
}
</style>
