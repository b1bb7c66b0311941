<script setup lang="ts">
// A photograph of a part is measured: corners onto the part, then what is covered, how sure that is, and the grade that follows. A person decides.
import {
  Fault,
  gradeNames,
  partNames,
  proposedGrade,
  surfaceOf,
  usualRegion,
  allGrades,
  type Grade,
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
import PartMap from './PartMap.vue'
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

async function run() {
  error.value = undefined
  busy.value = true
  try {
    read.value = await measure(picture.value!, region.value, surface.value)
    const { coveredShare, low, high, straightShare } = read.value.measured
    const shares = { coveredShare, low, high, ...(straightShare === undefined ? {} : { straightShare }) }
    await job.add(props.unitId, { type: 'photo-measured', photoId: props.photo.photoId, measure: { region: region.value, ...shares } })
  } catch (caught) {
    error.value = caught
    read.value = undefined
  } finally {
    busy.value = false
  }
}
const proposal = computed(() => read.value && proposedGrade(read.value.measured))
const percent = (share: number) => Math.round(share * 100)
const lean = computed(() => Math.round(read.value?.measured.finDirectionDeg ?? 0))
const others = computed(() => allGrades.filter((grade) => grade !== proposal.value?.grade))
function decide(grade: Grade) {
  emit('grade', grade)
  emit('close')
}
</script>

<template>
  <ElDialog :model-value="true" :title="`The ${partNames[part]}, measured`" width="min(64rem, 96vw)" top="4vh" @close="emit('close')">
    <div class="sheet" data-photo-measure>
      <div>
        <PartMap
          v-if="read"
          :upright="read.upright"
          :map="read.measured.map"
          :says="`${partNames[part]} from straight above; what is covered is hatched`"
        />
        <RegionPicker v-else-if="source" :source="source" :says="partNames[part]" :region="region" @move="region = $event" />
      </div>
      <div class="stack">
        <template v-if="read && proposal">
          <p class="reading">
            <span class="figure" data-covered>{{ percent(read.measured.coveredShare) }}<small>% covered</small></span>
            <small>nine times in ten {{ percent(read.measured.low) }} to {{ percent(read.measured.high) }} %</small>
          </p>
          <p v-if="read.measured.straightShare !== undefined" class="reading">
            <span class="figure" data-straight>{{ percent(read.measured.straightShare) }}<small>% of the fins straight</small></span>
            <small>{{ lean === 0 ? 'upright on the part' : `leaning by ${Math.abs(lean)}° to the ${lean > 0 ? 'left' : 'right'}` }}</small>
          </p>
          <p v-else-if="surface === 'fins'" class="small">Too few fins can be seen to say how many are straight.</p>
          <p>
            That is grade <b>{{ proposal.grade }} {{ gradeNames[proposal.grade] }}</b
            >, {{ Math.min(99, percent(proposal.chances[proposal.grade])) }} % sure. What you see with your own eyes goes before.
          </p>
          <button class="tap now big" data-take-grade @click="decide(proposal.grade)">
            Grade it {{ proposal.grade }} {{ gradeNames[proposal.grade] }}
          </button>
          <div class="row" role="group" aria-label="Another grade">
            <button v-for="other in others" :key="other" class="tap" :data-other-grade="other" @click="decide(other)">
              {{ other }} {{ gradeNames[other] }} <small>{{ percent(proposal.chances[other]) }} %</small>
            </button>
          </div>
          <button class="tap bare" @click="read = undefined">Move the corners</button>
        </template>
        <template v-else>
          <p>
            Put the four corners onto the part: the <b>{{ surface === 'fins' ? 'fins' : 'blades' }}</b> only, upright as the part sits
            {{ surface === 'fins' ? '(fins from top to bottom)' : '(blades from left to right)' }}, no housing.
          </p>
          <button class="tap now big" data-measure-now :disabled="busy || !picture" @click="run">{{ busy ? 'Reading it …' : 'Measure' }}</button>
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
.reading {
  display: flex;
  flex-direction: column;
  gap: 0;
}
@media (max-width: 800px) {
  .sheet {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
