<script setup lang="ts" generic="Name extends string">
// The same thing seen in several ways, one at a time: arrow keys go from one to the next.
import { ElTabPane, ElTabs } from 'element-plus/es/components/tabs/index'
import './tabs.css'
import type { Option } from './option.ts'

const chosen = defineModel<Name>({ required: true })
defineProps<{ options: readonly Option<Name>[] }>()
</script>

<template>
  <ElTabs :model-value="chosen" class="sides" @update:model-value="chosen = $event as Name">
    <ElTabPane v-for="option in options" :key="option.value" :name="option.value" :label="option.says" lazy>
      <slot :name="option.value" />
    </ElTabPane>
  </ElTabs>
</template>
