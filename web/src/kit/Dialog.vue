<script setup lang="ts">
// A sheet laid over the page: what has the focus gets it back when it is taken away.
import { ElDialog } from 'element-plus/es/components/dialog/index'
import './dialog.css'

const isOpen = defineModel<boolean>({ required: true })
withDefaults(defineProps<{ title: string; /** Widest it gets. */ width?: string }>(), { width: '44rem' })
const emit = defineEmits<{ closed: []; opened: [] }>()
</script>

<template>
  <ElDialog v-model="isOpen" class="over" :title="title" :width="`min(${width}, 94vw)`" @opened="emit('opened')" @closed="emit('closed')">
    <slot />
  </ElDialog>
</template>
