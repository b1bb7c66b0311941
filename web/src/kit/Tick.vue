<script setup lang="ts">
// One thing that holds or does not: a box to tick, with what it stands for beside it.
import { ElCheckbox } from 'element-plus/es/components/checkbox/index'

defineProps<{ modelValue: boolean; disabled?: boolean; /** Readable at arm's length. */ big?: boolean; label?: string; name?: string }>()
const emit = defineEmits<{ 'update:modelValue': [on: boolean] }>()
</script>

<template>
  <ElCheckbox
    class="tick"
    :class="{ big }"
    :model-value="modelValue"
    :disabled="disabled"
    :name="name"
    :validate-event="false"
    @update:model-value="emit('update:modelValue', $event === true)"
  >
    <span v-if="label" class="unseen">{{ label }}</span><slot />
  </ElCheckbox>
</template>
