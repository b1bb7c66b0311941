<script setup lang="ts">
// A time of day, to a quarter of an hour; or none.
import { clockWords } from '@yastik/core/quantities'
import { computed } from 'vue'
import Pick from '../kit/Pick.vue'
import { t } from '../words/words.ts'

const props = defineProps<{ /** Minutes from midnight; null is none. */ modelValue: number | null; name: string }>()
const emit = defineEmits<{ 'update:modelValue': [minute: number | null] }>()
const [earliestMin, latestMin, everyMin] = [5 * 60, 22 * 60, 15]
const none = -1
const options = computed(() => {
  const quarters = Array.from({ length: (latestMin - earliestMin) / everyMin + 1 }, (_, index) => earliestMin + index * everyMin)
  // What came from a calendar may lie between.
  const all = props.modelValue === null || quarters.includes(props.modelValue) ? quarters : [...quarters, props.modelValue].sort((a, b) => a - b)
  return [{ value: none, says: t('screen.frame.no-time') }, ...all.map((minute) => ({ value: minute, says: clockWords(minute) }))]
})
</script>

<template>
  <Pick
    :model-value="modelValue ?? none"
    :name="name"
    :options="options"
    filterable
    class="time"
    @update:model-value="emit('update:modelValue', $event === none ? null : $event)"
  />
</template>

<style scoped>
.time {
  min-width: 7rem;
}
</style>
