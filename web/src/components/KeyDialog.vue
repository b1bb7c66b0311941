<script setup lang="ts">
// The keys of the open view.
import { openKeys } from './keys.ts'
import Dialog from '../kit/Dialog.vue'
import { t } from '../words/words.ts'

const isOpen = defineModel<boolean>({ required: true })
/** Keys that are drawn rather than named. */
const shown: Record<string, string> = { ArrowRight: '→', ArrowLeft: '←' }
</script>

<template>
  <Dialog v-model="isOpen" :title="t('screen.frame.keys-sheet')" width="30rem">
    <dl>
      <div v-for="entry in openKeys" :key="entry.key + entry.does" :data-key="entry.key">
        <dt>{{ shown[entry.key] ?? entry.key }}</dt>
        <dd>{{ entry.does }}</dd>
      </div>
    </dl>
  </Dialog>
</template>

<style scoped>
dl {
  margin: 0;
}
dl > div {
  display: flex;
  gap: 1rem;
  padding: 0.35rem 0;
  border-top: 1px solid var(--rule);
}
dt {
  min-width: 5rem;
  font-weight: 600;
}
dd {
  margin: 0;
}
</style>
