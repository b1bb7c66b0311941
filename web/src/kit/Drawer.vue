<script setup lang="ts">
// A sheet drawn in from the side: what it is about stays in view beside it. What had the focus gets it back when it is pushed away.
import { ElDrawer } from 'element-plus/es/components/drawer/index'
import './drawer.css'

const isOpen = defineModel<boolean>({ required: true })
withDefaults(defineProps<{ title: string; /** Widest it gets. */ width?: string }>(), { width: '30rem' })
const emit = defineEmits<{ closed: [] }>()
</script>

<template>
  <ElDrawer v-model="isOpen" class="drawn" :title="title" :size="`min(${width}, 94vw)`" @closed="emit('closed')">
    <slot />
  </ElDrawer>
</template>
