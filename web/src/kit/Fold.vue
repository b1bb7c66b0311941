<script setup lang="ts">
// What is told when somebody asks: a line that opens.
import { ElCollapse, ElCollapseItem } from 'element-plus/es/components/collapse/index'
import { computed } from 'vue'

defineProps<{ title?: string }>()
const isOpen = defineModel<boolean>({ default: false })
const open = computed({ get: () => (isOpen.value ? ['it'] : []), set: (names: string[]) => (isOpen.value = names.length > 0) })
</script>

<template>
  <ElCollapse v-model="open" class="fold">
    <ElCollapseItem name="it" :title="title">
      <template v-if="$slots.title" #title><slot name="title" /></template>
      <slot />
    </ElCollapseItem>
  </ElCollapse>
</template>
