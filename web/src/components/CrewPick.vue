<script setup lang="ts">
// Who goes: people of the firm, tapped.
import type { CrewRecord } from '@yastik/core/wire'

const props = defineProps<{ crew: readonly CrewRecord[]; modelValue: readonly number[] }>()
const emit = defineEmits<{ 'update:modelValue': [ids: number[]] }>()
const toggle = (id: number) =>
  emit('update:modelValue', props.modelValue.includes(id) ? props.modelValue.filter((other) => other !== id) : [...props.modelValue, id])
</script>

<template>
  <div class="chips" role="group" aria-label="Who goes">
    <button v-for="person in crew" :key="person.id" class="tap" :aria-pressed="modelValue.includes(person.id)" @click="toggle(person.id)">
      {{ person.name }}
    </button>
  </div>
</template>
