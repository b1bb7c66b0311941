<script setup lang="ts">
// The sides of how the firm works: its rules, and for owners its people, other programs that get in, and who did what.
import { useSession } from '../stores/session.ts'
import SidePages from './SidePages.vue'

const session = useSession()
const pages = [
  { to: '/house-rules', name: 'Rules', key: 'rules' },
  { to: '/house-rules/people', name: 'People', key: 'people' },
  { to: '/house-rules/programs', name: 'Other programs', key: 'programs' },
  { to: '/house-rules/audit', name: 'Who did what', key: 'audit' },
] as const
</script>

<template><SidePages v-if="session.me?.role === 'owner'" label="House rules" :pages="pages" /></template>
