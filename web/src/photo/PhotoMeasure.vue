<script setup lang="ts">
// A photograph of a part is measured: corners onto the part, then what is covered, which a person can correct with a finger before they grade it.
import {
  correctedShare,
  dabbed,
  Fault,
  partNames,
  surfaceOf,
  usualRegion,
  type Grade,
  type PhotoMeasure,
  type PhotoMeasured,
  type Region,
  type TakenPhoto,
} from '@yastik/core'
import { ElDialog } from 'element-plus/es/components/dialog/index'
import 'element-plus/theme-chalk/el-dialog.css'
import 'element-plus/theme-chalk/el-overlay.css'
import { computed, onBeforeUnmount, ref, shallowRef, watch } from 'vue'
import { NoAnswer } from '../api/client.ts'
import FaultNote from '../components/FaultNote.vue'
import { pictureFor } from '../offline/photos.ts'
import { useJob } from '../stores/job.ts'
import MapBrush from './MapBrush.vue'
import PartMap from './PartMap.vue'
import PhotoReading from './PhotoReading.vue'
import RegionPicker from './RegionPicker.vue'
import { usePhotoMeasure, type PhotoRead } from './usePhotoMeasure.ts'

const props = defineProps<{ jobId: string; unitId: string; photo: TakenPhoto; grade?: Grade }>()
const emit = defineEmits<{ grade: [grade: Grade]; close: [] }>()
const job = useJob()
const measure = usePhotoMeasure()
const part = computed(() => props.photo.of!.part)
const surface = computed(() => surfaceOf(part.value)!)
const picture = shallowRef<Blob>()
const source = ref('')
const region = ref<Region>(props.photo.measure?.region ?? usualRegion)
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

watch(
  () => props.photo.photoId,
  async () => {
    try {
      picture.value = await pictureFor({ photoId: props.photo.photoId, jobId: props.jobId, unitId: props.unitId })
      if (picture.value) source.value = URL.createObjectURL(picture.value)
      else error.value = new Fault('not-there', { sentence: 'This photograph is not on this device and the server does not answer.' })
    } catch (caught) {
      if (!(caught instanceof Fault || caught instanceof NoAnswer)) throw caught
      error.value = caught
    }
  },
  { immediate: true },
)
onBeforeUnmount(() => URL.revokeObjectURL(source.value))

const measureOf = ({ measured }: PhotoRead): PhotoMeasure => {
  const { coveredShare, low, high, straightShare } = measured
  return { region: region.value, coveredShare, low, high, ...(straightShare === undefined ? {} : { straightShare }) }
}
const keep = (own: PhotoMeasure) => job.add(props.unitId, { type: 'photo-measured', photoId: props.photo.photoId, measure: own })

async function run() {
  if (!picture.value) return
  error.value = undefined
  busy.value = true
  done.value = 0
  try {
    read.value = await measure(picture.value, region.value, surface.value, (share) => (done.value = share))
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
  <ElDialog :model-value="true" :title="`The ${partNames[part]}, measured`" width="min(64rem, 96vw)" top="4vh" @close="close">
    <div class="sheet" data-photo-measure>
      <div>
        <PartMap
          v-if="read"
          :upright="read.upright"
          :map="painted ?? read.measured.map"
          :says="`${partNames[part]} from straight above; what is covered is hatched`"
        >
          <MapBrush v-if="brush" :radius="brushCells / read.measured.map.columns" :covers="brush === 'covered'" @dab="dab" />
        </PartMap>
        <RegionPicker v-else-if="source" :source="source" :says="partNames[part]" :region="region" @move="region = $event" />
      </div>
      <div class="stack">
        <template v-if="read">
          <PhotoReading :measured="read.measured" :surface="surface" :by-hand="byHand" @grade="decide" />
          <div class="row" role="group" aria-label="Correct what is hatched">
            <button class="tap" data-mark="bare" :aria-pressed="brush === 'bare'" @click="brush = 'bare'">Rub out</button>
            <button class="tap" data-mark="covered" :aria-pressed="brush === 'covered'" @click="brush = 'covered'">Hatch more</button>
            <button v-if="painted" class="tap" data-keep-correction @click="keepCorrection">Keep my correction</button>
          </div>
          <p class="small">
            {{
              brush
                ? `Draw over what is ${brush} with a finger, or move with the arrow keys and press space.`
                : 'Hatched is what the reading took for covered. Where it is wrong, correct it.'
            }}
          </p>
          <button class="tap bare" @click="again">Move the corners</button>
        </template>
        <template v-else>
          <p>
            Put the four corners onto the part: the <b>{{ surface === 'fins' ? 'fins' : 'blades' }}</b> only, upright as the part sits
            {{ surface === 'fins' ? '(fins from top to bottom)' : '(blades from left to right)' }}, no housing.
          </p>
          <button class="tap now big" data-measure-now :disabled="busy || !picture" @click="run">
            {{ busy ? `Reading it, ${Math.round(done * 100)} %` : 'Measure' }}
          </button>
          <p class="small">Nothing leaves this device for it. A photograph straight on, sharp, with even light, reads best.</p>
        </template>
        <FaultNote :error="error" />
      </div>
    </div>
  </ElDialog>
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
