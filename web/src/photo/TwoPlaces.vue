<script setup lang="ts">
// The same two places on both photographs of a part, tapped by a person: by them the corners of one are put on the other.
import type { Region } from '@yastik/core/lookover'
import { usualRegion, type Marked } from '@yastik/core/proof'
import { onBeforeUnmount, reactive, ref } from 'vue'
import FaultNote from '../kit/FaultNote.vue'
import PlacePicker from './PlacePicker.vue'
import Tap from '../kit/Tap.vue'
import { t } from '../words/words.ts'

type Place = Region[number]
const props = defineProps<{ guide: Blob; guideSays: string; source: string; says: string; put: (onGuide: Marked, onThis: Marked) => void }>()
const emit = defineEmits<{ close: [] }>()
const guideSource = URL.createObjectURL(props.guide)
onBeforeUnmount(() => URL.revokeObjectURL(guideSource))

const names = [t('screen.proof.first-place'), t('screen.proof.second-place')] as const
const start = (): [Place, Place] => [usualRegion[0], usualRegion[2]]
const places = reactive({ guide: start(), own: start() })
const wide = reactive({ guide: 1, own: 1 })
const error = ref<unknown>()
function move(on: 'guide' | 'own', index: number, place: Place) {
  places[on] = index === 0 ? [place, places[on][1]] : [places[on][0], place]
}
function done() {
  error.value = undefined
  try {
    props.put({ places: places.guide, wide: wide.guide }, { places: places.own, wide: wide.own })
    emit('close')
  } catch (caught) {
    error.value = caught
  }
}
</script>

<template>
  <div class="stack" data-two-places>
    <p>
      {{ t('screen.proof.tap-same-two-places-both') }} <b>1</b>{{ t('screen.proof.then') }} <b>2</b>{{ t('screen.proof.drag-off-move-arrow-keys') }}
    </p>
    <div class="both">
      <figure data-places="guide">
        <figcaption>{{ guideSays }}</figcaption>
        <PlacePicker
          :source="guideSource"
          :says="guideSays"
          :places="places.guide"
          :names="names"
          tapped
          @move="(index, place) => move('guide', index, place)"
          @shown="wide.guide = $event"
        />
      </figure>
      <figure data-places="own">
        <figcaption>{{ t('screen.proof.one') }}</figcaption>
        <PlacePicker
          :source="source"
          :says="says"
          :places="places.own"
          :names="names"
          tapped
          @move="(index, place) => move('own', index, place)"
          @shown="wide.own = $event"
        />
      </figure>
    </div>
    <FaultNote :error="error" />
    <div class="row">
      <Tap now data-put-corners @click="done">{{ t('screen.proof.put-corners-them') }}</Tap>
      <Tap bare @click="emit('close')">{{ t('screen.proof.back') }}</Tap>
    </div>
  </div>
</template>

<style scoped>
.both {
  display: grid;
  grid-template-columns: repeat(2, minmax(0, 1fr));
  gap: 1rem;
}
figure {
  margin: 0;
  min-width: 0;
}
@media (max-width: 800px) {
  .both {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
