<script setup lang="ts">
// The sides of the firm's memory: what was done, what is due, and for owners what customers were written.
import { computed } from 'vue'
import { useSession } from '../stores/session.ts'
import SidePages from './SidePages.vue'
import { t } from '../words/words.ts'

const session = useSession()
const pages = computed(() => [
  { to: '/logbook', name: t('screen.sites.handed-over'), key: 'handed-over' },
  { to: '/logbook/due', name: t('screen.sites.due'), key: 'due' },
  ...(session.me?.role === 'owner' ? [{ to: '/logbook/messages', name: t('screen.sites.messages'), key: 'messages' }] : []),
])
</script>

<template><SidePages :label="t('screen.frame.logbook')" :pages="pages" /></template>
