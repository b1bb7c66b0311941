<script setup lang="ts">
// Before and after of one part, laid over each other: a line that is drawn across, and a map of what is left.
import { Fault } from '@yastik/core/faults'
import { says } from '@yastik/core/words'
import { settledShare } from '@yastik/core/lookover'
import { pairNotes, surfaceOf } from '@yastik/core/proof'
import type { TakenPhoto } from '@yastik/core/run'
import { type Part } from '@yastik/core/units'
import { computed, ref, shallowRef, watch } from 'vue'
import { NoAnswer } from '../api/client.ts'
import FaultNote from '../kit/FaultNote.vue'
import { pictureFor } from '../offline/photos.ts'
import PartMap from './PartMap.vue'
import { usePhotoWorker, type PhotoRead } from './usePhotoWorker.ts'
import Slide from '../kit/Slide.vue'
import Tick from '../kit/Tick.vue'
import Notice from '../kit/Notice.vue'
import { say, t } from '../words/words.ts'

/** Both measured: each has its own corners, through which they are aligned. */
const props = defineProps<{ jobId: string; unitId: string; part: Part; before: TakenPhoto; after: TakenPhoto }>()
const { measure } = usePhotoWorker()
const reads = shallowRef<{ before: PhotoRead; after: PhotoRead }>()
const error = ref<unknown>()
/** Where the line stands, % from the left: before on its left, after on its right. */
const line = ref(50)
const showsMap = ref(true)
const surface = computed(() => surfaceOf(props.part))

async function readOf(photo: TakenPhoto): Promise<PhotoRead> {
  const picture = await pictureFor({ photoId: photo.photoId, jobId: props.jobId, unitId: props.unitId })
  if (!picture || !photo.measure || !surface.value) throw new Fault('not-there', { sentence: says('fault.device.pair-missing') })
  return measure(picture, photo.measure.region, surface.value)
}
watch(
  () => [props.before, props.after],
  async () => {
    error.value = undefined
    try {
      const [before, after] = [await readOf(props.before), await readOf(props.after)]
      reads.value = { before, after }
    } catch (caught) {
      if (!(caught instanceof Fault || caught instanceof NoAnswer)) throw caught
      error.value = caught
    }
  },
  { immediate: true },
)
const percent = (share: number) => `${Math.round(share * 100)} %`
const summary = computed(() => {
  const [before, after] = [props.before.measure!, props.after.measure!]
  const fins =
    before.straightShare !== undefined && after.straightShare !== undefined
      ? t('screen.proof.fins-straight-before-now', { straightShare: percent(before.straightShare), straightShare2: percent(after.straightShare) })
      : ''
  const hand = before.byHand !== undefined || after.byHand !== undefined ? ` ${t('screen.proof.corrected-hand')}` : ''
  return t('screen.proof.covered-before-now', {
    settledShare: percent(settledShare(before)),
    settledShare2: percent(settledShare(after)),
    hand,
    fins,
  })
})
/** What stands against comparing the two. */
const notes = computed(() => (reads.value && surface.value ? pairNotes(reads.value.before.measured, reads.value.after.measured, surface.value) : []))
</script>

<template>
  <div class="stack compare" :data-compare="part">
    <p>
      <b>{{ t(`names.part.${part}`) }}:</b> {{ summary }}
    </p>
    <Notice v-for="note in notes" :key="note.key" kind="now" data-pair-note>{{ say(note) }}</Notice>
    <template v-if="reads">
      <div class="over">
        <PartMap
          :upright="reads.after.upright"
          :map="showsMap ? reads.after.measured.map : undefined"
          :says="t('screen.proof.after-3', { part: t(`names.part.${part}`) })"
        />
        <div class="before" :style="{ clipPath: `inset(0 ${100 - line}% 0 0)` }">
          <PartMap :upright="reads.before.upright" :says="t('screen.proof.before-3', { part: t(`names.part.${part}`) })" />
        </div>
        <span class="divide" :style="{ left: `${line}%` }" aria-hidden="true"
          ><i>{{ t('screen.proof.before-2') }}</i
          ><i>{{ t('screen.proof.after-2') }}</i></span
        >
      </div>
      <Slide v-model="line" :label="t('screen.proof.draw-line-across')" :min="0" :max="100" :says="t('screen.proof.left', { line })" />
      <Tick v-model="showsMap">{{ t('screen.proof.hatch-left') }}</Tick>
    </template>
    <p v-else-if="!error" class="small">{{ t('screen.proof.laying-them-over-each-other') }}</p>
    <FaultNote :error="error" />
  </div>
</template>

<style scoped>
.compare {
  width: 100%;
  min-width: 0;
  max-width: 34rem;
}
.over {
  position: relative;
  overflow: hidden;
}
.before {
  position: absolute;
  inset: 0;
}
.divide {
  position: absolute;
  top: 0;
  bottom: 0;
  width: 0;
  border-left: 3px solid var(--paper);
  outline: 1px solid var(--ink);
}
.divide i {
  position: absolute;
  bottom: 0.3rem;
  background: var(--paper);
  padding: 0 0.4rem;
  font-style: normal;
  line-height: 1.4;
}
.divide i:first-child {
  right: 0.5rem;
}
.divide i:last-child {
  left: 0.4rem;
}
</style>
