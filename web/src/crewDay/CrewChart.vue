<script setup lang="ts">
// The crew's day in time: all of it in little, and the window on it, as wide as the page; moved by hand, by pinch, by taps and by keys.
import type { CrewDay, StageWork, UnitSteps } from '@yastik/core/crew'
import { clockWords } from '@yastik/core/quantities'
import { computed, onBeforeUnmount, onMounted, ref, shallowRef, useTemplateRef, watch } from 'vue'
import { useKeys } from '../components/keys.ts'
import Tap from '../kit/Tap.vue'
import CrewOverview from './CrewOverview.vue'
import CrewTimeline from './CrewTimeline.vue'
import { firstWindow, keptIn, leastMin, movedBy, wholeDay, zoomedBy, type DayWindow } from './dayWindow.ts'
import { t } from '../words/words.ts'

const props = defineProps<{
  day: CrewDay
  units: readonly UnitSteps[]
  people: readonly string[]
  letterOf: (unitId: string) => string
  works: readonly StageWork[]
  picked: StageWork | undefined
  /** When the day begins, minutes from midnight. */
  fromMin: number
}>()
const emit = defineEmits<{ pick: [work: StageWork]; give: [work: StageWork, to: string] }>()
const endMin = computed(() => Math.max(props.day.timeline.finishMin, props.day.timeline.lowerBoundMin, 1))

const box = useTemplateRef<HTMLElement>('box')
const width = ref(0)
const watcher = new ResizeObserver(([{ contentRect }]) => (width.value = Math.floor(contentRect.width)))
// Measured at once: drawn a frame later it would push down what stands below.
onMounted(() => {
  if (!box.value) return
  width.value = Math.floor(box.value.clientWidth)
  watcher.observe(box.value)
})
onBeforeUnmount(() => watcher.disconnect())

const shown = shallowRef<DayWindow>()
watch(
  [width, endMin],
  ([wide, end], [, before]) => {
    if (wide === 0) return
    const bars = props.works.reduce((sum, { who }) => sum + who.length, 0)
    shown.value = shown.value ? keptIn(shown.value, before ?? end, end) : firstWindow(bars, wide * props.people.length, end)
  },
  { immediate: true },
)
const isWhole = computed(() => !shown.value || (shown.value.fromMin <= 0 && shown.value.toMin >= endMin.value))
const isNearest = computed(() => shown.value !== undefined && shown.value.toMin - shown.value.fromMin <= leastMin + 0.01)
const turn = (to: (window: DayWindow) => DayWindow) => shown.value && (shown.value = to(shown.value))
const nearer = () => turn((window) => zoomedBy(window, 2, endMin.value))
const farther = () => turn((window) => zoomedBy(window, 0.5, endMin.value))
const move = (share: number) => turn((window) => movedBy(window, share, endMin.value))
const showAll = () => turn(() => wholeDay(endMin.value))
useKeys([
  { key: '+', does: t('screen.crew.look-nearer-day'), run: nearer },
  { key: '-', keys: ['-', '−'], does: t('screen.crew.look-farther'), run: farther },
  { key: 'ArrowLeft', does: t('screen.crew.go-earlier'), run: () => move(-0.5) },
  { key: 'ArrowRight', does: t('screen.crew.go-later'), run: () => move(0.5) },
  { key: '0', does: t('screen.crew.show-whole-day'), run: showAll },
])
</script>

<template>
  <div ref="box" class="stack" data-crew-chart>
    <template v-if="shown">
      <CrewOverview
        v-model="shown"
        :tasks="day.timeline.tasks"
        :units="units"
        :end-min="endMin"
        :start-min="fromMin"
        :letter-of="letterOf"
        :width="width"
      />
      <div class="row no-print">
        <Tap small :off="isNearest ? t('screen.crew.nearest') : ''" data-nearer @click="nearer">{{ t('screen.crew.nearer') }}</Tap>
        <Tap small :off="isWhole ? t('screen.crew.all-shown') : ''" data-farther @click="farther">{{ t('screen.crew.farther') }}</Tap>
        <Tap small :off="shown.fromMin <= 0 ? t('screen.crew.begins-here') : ''" data-earlier @click="move(-0.5)">{{ t('screen.crew.earlier') }}</Tap>
        <Tap small :off="shown.toMin >= endMin ? t('screen.crew.ends-here') : ''" data-later @click="move(0.5)">{{ t('screen.crew.later-2') }}</Tap>
        <span role="status" data-window>{{ clockWords(fromMin + shown.fromMin) }}–{{ clockWords(fromMin + shown.toMin) }}</span>
      </div>
      <CrewTimeline
        v-model:window="shown"
        :day="day"
        :units="units"
        :people="people"
        :letter-of="letterOf"
        :works="works"
        :picked="picked"
        :start-min="fromMin"
        :end-min="endMin"
        :width="width"
        @pick="emit('pick', $event)"
        @give="(work, to) => emit('give', work, to)"
      />
      <p class="small no-print">
        {{ t('screen.crew.drag-piece-work-somebody-elses') }}
      </p>
    </template>
  </div>
</template>
