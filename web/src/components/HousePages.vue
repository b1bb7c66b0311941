<script setup lang="ts">
// The sides of how the firm works: its rules, and for owners its own wording, people, other programs that get in, and who did what.
import { useSession } from '../stores/session.ts'
import SidePages from './SidePages.vue'
import { t } from '../words/words.ts'

const session = useSession()
const pages = [
  { to: '/house-rules', name: t('screen.house.rules'), key: 'rules' },
  { to: '/house-rules/wording', name: t('screen.house.own-wording'), key: 'wording' },
  { to: '/house-rules/people', name: t('screen.house.people'), key: 'people' },
  { to: '/house-rules/programs', name: t('screen.house.other-programs'), key: 'programs' },
  { to: '/house-rules/audit', name: t('screen.house.did'), key: 'audit' },
] as const
</script>

<template><SidePages v-if="session.me?.role === 'owner'" :label="t('screen.frame.house-rules')" :pages="pages" /></template>
