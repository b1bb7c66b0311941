<script setup lang="ts">
// How far something is that takes a while.
import { ElProgress } from 'element-plus/es/components/progress/index'
import './progress.css'

defineProps<{ /** 0..1; undefined where nobody knows. */ share: number | undefined; says: string }>()
</script>

<template>
  <div class="progress" role="status">
    <span>{{ says }}</span>
    <ElProgress
      :percentage="share === undefined ? 100 : Math.round(share * 100)"
      :indeterminate="share === undefined"
      :show-text="false"
      :stroke-width="8"
      :aria-label="says"
    />
  </div>
</template>
