<script setup lang="ts">
// A photograph of a part is measured: corners onto the part, then what is covered, which a person can correct with a finger before they grade it.
import { Fault } from '@yastik/core/faults'
import { says } from '@yastik/core/words'
import type { PhotoMeasure } from '@yastik/core/lookover'
import { correctedShare, dabbed, type PhotoMeasured, type Surface } from '@yastik/core/proof'
import type { Grade } from '@yastik/core/quantities'
import type { TakenPhoto } from '@yastik/core/run'
import { type Part } from '@yastik/core/units'
import { computed, onBeforeUnmount, onMounted, ref, shallowRef } from 'vue'
import { NoAnswer } from '../api/client.ts'
import FaultNote from '../kit/FaultNote.vue'
import { pictureFor } from '../offline/photos.ts'
import { useJob } from '../stores/job.ts'
import MapBrush from './MapBrush.vue'
import PartMap from './PartMap.vue'
import PhotoReading from './PhotoReading.vue'
import PlacePicker from './PlacePicker.vue'
import TwoPlaces from './TwoPlaces.vue'
import { useCorners } from './useCorners.ts'
import { usePhotoWorker, type PhotoRead } from './usePhotoWorker.ts'
import Tap from '../kit/Tap.vue'
import Dialog from '../kit/Dialog.vue'
import Progress from '../kit/Progress.vue'
import { t } from '../words/words.ts'

/** A photograph of a part with fins or blades; for another one the dialog is opened anew. */
const props = defineProps<{ jobId: string; unitId: string; photo: TakenPhoto; part: Part; surface: Surface }>()
const emit = defineEmits<{ grade: [grade: Grade]; close: [] }>()
const job = useJob()
const worker = usePhotoWorker()
const picture = shallowRef<Blob>()
const source = ref('')
const pictureOf = ({ photoId }: TakenPhoto) => pictureFor({ photoId, jobId: props.jobId, unitId: props.unitId })
const { region, guide, how, guideSays, move, settle, look, byTwoPlaces } = useCorners(
  props.photo,
  job.stateFor(props.unitId).photos,
  props.surface,
  worker,
  pictureOf,
)
const cornerNames = [
  t('screen.proof.top-left-corner'),
  t('screen.proof.top-right-corner'),
  t('screen.proof.bottom-right-corner'),
  t('screen.proof.bottom-left-corner'),
] as const
/** Whether the same two places are being tapped on both photographs. */
const tapping = ref(false)
const read = shallowRef<PhotoRead>()
const error = ref<unknown>()
const busy = ref(false)
/** How far the reading is, 0..1. */
const done = ref(0)
/** What a person painted over what was read, and what the brush marks; undefined while nobody corrects. */
const painted = shallowRef<PhotoMeasured['map']>()
const brush = ref<'covered' | 'bare'>()
/** Radius of the brush, cells of the map. */
const brushCells = 2

onMounted(async () => {
  try {
    picture.value = await pictureOf(props.photo)
    if (!picture.value) throw new Fault('not-there', { sentence: says('fault.device.photo-missing') })
    source.value = URL.createObjectURL(picture.value)
    await look(picture.value)
  } catch (caught) {
    if (!(caught instanceof Fault || caught instanceof NoAnswer)) throw caught
    error.value = caught
  }
})
onBeforeUnmount(() => URL.revokeObjectURL(source.value))

const measureOf = ({ measured }: PhotoRead): PhotoMeasure => {
  const { coveredShare, low, high, straightShare } = measured
  return { region: region.value, coveredShare, low, high, ...(straightShare === undefined ? {} : { straightShare }) }
}
const keep = (own: PhotoMeasure) => job.add(props.unitId, { type: 'photo-measured', photoId: props.photo.photoId, measure: own })

async function run() {
  if (!picture.value) return
  settle()
  error.value = undefined
  busy.value = true
  done.value = 0
  try {
    read.value = await worker.measure(picture.value, region.value, props.surface, (share) => (done.value = share))
    const earlier = earlierByHand()
    await keep({ ...measureOf(read.value), ...(earlier === undefined ? {} : { byHand: earlier }) })
  } catch (caught) {
    error.value = caught
    read.value = undefined
  } finally {
    busy.value = false
  }
}
/** What this person or another corrected before, as long as the corners are where they were. */
const earlierByHand = () => {
  const earlier = props.photo.measure
  return earlier && JSON.stringify(earlier.region) === JSON.stringify(region.value) ? earlier.byHand : undefined
}
const byHand = computed(() => (read.value && painted.value ? correctedShare(read.value.measured, painted.value) : earlierByHand()))
function dab(u: number, v: number) {
  const map = painted.value ?? read.value?.measured.map
  if (map) painted.value = dabbed(map, u, v, brushCells, brush.value === 'covered')
}
/** Puts the correction on record beside what was read. */
async function keepCorrection() {
  brush.value = undefined
  error.value = undefined
  if (!read.value || !painted.value || byHand.value === undefined) return
  try {
    await keep({ ...measureOf(read.value), byHand: byHand.value })
  } catch (caught) {
    error.value = caught
  }
}
async function again() {
  await keepCorrection()
  if (!error.value) read.value = painted.value = undefined
}
/** Whichever way it is closed, what was painted is kept. */
async function close() {
  await keepCorrection()
  if (!error.value) emit('close')
}
async function decide(grade: Grade) {
  await keepCorrection()
  if (error.value) return
  emit('grade', grade)
  emit('close')
}
</script>

<template>
  <Dialog :model-value="true" :title="t('screen.proof.measured-2', { part: t(`names.part.${part}`) })" width="64rem" @update:model-value="close">
    <TwoPlaces
      v-if="tapping && guide"
      :guide="guide.picture"
      :guide-says="guideSays"
      :source="source"
      :says="t(`names.part.${part}`)"
      :put="byTwoPlaces"
      @close="tapping = false"
    />
    <div v-else class="sheet" data-photo-measure>
      <div>
        <PartMap
          v-if="read"
          :upright="read.upright"
          :map="painted ?? read.measured.map"
          :says="t('screen.proof.straight-above-covered-hatched', { part: t(`names.part.${part}`) })"
        >
          <MapBrush v-if="brush" :radius="brushCells / read.measured.map.columns" :covers="brush === 'covered'" @dab="dab" />
        </PartMap>
        <PlacePicker
          v-else-if="source"
          :source="source"
          :says="t(`names.part.${part}`)"
          :places="region"
          :names="cornerNames"
          joined
          data-region
          @move="move"
        />
      </div>
      <div class="stack">
        <template v-if="read">
          <PhotoReading :measured="read.measured" :surface="surface" :by-hand="byHand" @grade="decide" />
          <div class="row" role="group" :aria-label="t('screen.proof.correct-hatched')">
            <Tap data-mark="bare" :pressed="brush === 'bare'" @click="brush = 'bare'">{{ t('screen.proof.rub-out') }}</Tap>
            <Tap data-mark="covered" :pressed="brush === 'covered'" @click="brush = 'covered'">{{ t('screen.proof.hatch-more') }}</Tap>
            <Tap v-if="painted" data-keep-correction @click="keepCorrection">{{ t('screen.proof.keep-my-correction') }}</Tap>
          </div>
          <p class="small">
            {{ brush ? t('screen.proof.draw-over-finger-move-arrow', { brush }) : t('screen.proof.hatched-reading-took-covered-wrong') }}
          </p>
          <Tap bare @click="again">{{ t('screen.proof.move-corners') }}</Tap>
        </template>
        <template v-else>
          <p v-if="how === 'looking'" role="status">{{ t('screen.proof.looking-part', { guideSays }) }}</p>
          <p v-else-if="how === 'found'" role="status" data-found>
            {{ t('screen.proof.corners-put-them-check-them', { guideSays }) }}
          </p>
          <p v-else-if="how === 'two-places'" role="status" data-by-places>
            {{ t('screen.proof.corners-put-your-two-places') }}
          </p>
          <p v-else-if="how === 'not-found'" role="status" data-not-found>{{ t('screen.proof.part-not-found-one-itself', { guideSays }) }}</p>
          <p v-if="how === 'by-hand' || how === 'not-found'">
            {{ t('screen.proof.put-four-corners-onto-part') }} <b>{{ surface === 'fins' ? t('screen.proof.fins') : t('screen.proof.blades') }}</b>
            {{
              t('screen.proof.only-upright-part-sits-no', {
                finsTopBottom: surface === 'fins' ? t('screen.proof.fins-top-bottom') : t('screen.proof.blades-left-right'),
              })
            }}
          </p>
          <Tap now big data-measure-now :disabled="busy" :off="picture ? '' : t('screen.proof.picture-fetched')" @click="run">
            {{ busy ? t('screen.proof.reading') : t('screen.proof.measure') }}
          </Tap>
          <Progress v-if="busy" :share="done" :says="t('screen.proof.reading-2', { done: Math.round(done * 100) })" />
          <Tap v-if="guide" bare data-tap-places @click="tapping = true">{{ t('screen.proof.tap-two-places-both-instead') }}</Tap>
          <p class="small">{{ t('screen.proof.nothing-leaves-device-photograph-straight') }}</p>
        </template>
        <FaultNote :error="error" />
      </div>
    </div>
  </Dialog>
</template>

<style scoped>
.sheet {
  display: grid;
  grid-template-columns: minmax(0, 1.6fr) minmax(15rem, 1fr);
  gap: 1.4rem;
  align-items: start;
}
@media (max-width: 800px) {
  .sheet {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
