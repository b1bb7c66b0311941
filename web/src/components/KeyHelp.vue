<script setup lang="ts">
// `?` shows which keys work here; the dialog loads when it is first asked for.
import { defineAsyncComponent, ref } from 'vue'
import { useKeys } from './keys.ts'
import { t } from '../words/words.ts'

const KeyDialog = defineAsyncComponent(() => import('./KeyDialog.vue'))
const shown = ref(false)
const asked = ref(false)
useKeys([{ key: '?', does: t('screen.frame.show-keys-view'), run: () => ((asked.value = true), (shown.value = !shown.value)) }])
</script>

<template><KeyDialog v-if="asked" v-model="shown" /></template>
