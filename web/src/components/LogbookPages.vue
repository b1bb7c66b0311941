<script setup lang="ts">
// The sides of the firm's memory: what was done, what is due, and for owners what customers were written.
import { computed } from 'vue'
import { useSession } from '../stores/session.ts'
import SidePages from './SidePages.vue'

const session = useSession()
const pages = computed(() => [
  { to: '/logbook', name: 'Handed over', key: 'handed-over' },
  { to: '/logbook/due', name: 'What is due', key: 'due' },
  ...(session.me?.role === 'owner' ? [{ to: '/logbook/messages', name: 'Messages', key: 'messages' }] : []),
])
</script>

<template><SidePages label="Logbook" :pages="pages" /></template>
