<script setup lang="ts">
// Who goes: people of the firm, tapped.
import type { CrewRecord } from '@yastik/core/wire'
import { computed } from 'vue'
import Ticks from '../kit/Ticks.vue'
import { t } from '../words/words.ts'

const props = defineProps<{ crew: readonly CrewRecord[]; modelValue: readonly number[] }>()
const emit = defineEmits<{ 'update:modelValue': [ids: number[]] }>()
const people = computed(() => props.crew.map(({ id, name }) => ({ value: id, says: name })))
</script>

<template>
  <Ticks
    :label="t('screen.frame.goes')"
    mark="crew"
    :model-value="modelValue"
    :options="people"
    @update:model-value="emit('update:modelValue', $event)"
  />
</template>
