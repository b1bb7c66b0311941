<script setup lang="ts">
// The customer beside what is due: when they were reminded, why they are not written to, or the way to it.
import type { DuePage } from '@yastik/core/wire'
import Tap from '../kit/Tap.vue'
import { t } from '../words/words.ts'
import { dayWords } from '../words/when.ts'

type Entry = DuePage['entries'][number]
defineOptions({ inheritAttrs: false })
defineProps<{
  siteName: string
  hold: Entry['hold']
  reminded: Entry['reminded']
  /** Where somebody goes anyway, nobody is reminded. */ mayWrite: boolean
}>()
const emit = defineEmits<{ write: [] }>()
</script>

<template>
  <small v-if="reminded" class="each" data-reminded>{{ dayWords(reminded.at) }}: {{ t(`screen.sites.message.${reminded.state}`) }}</small>
  <small v-if="hold && hold !== 'lately'" class="each">{{ t(`screen.logbook.hold.${hold}`) }}</small>
  <Tap v-else-if="hold === null && mayWrite" bare :data-write="siteName" @click="emit('write')">{{ t('screen.logbook.write') }}</Tap>
</template>

<style scoped>
.each {
  display: block;
}
</style>
