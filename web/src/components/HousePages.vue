<script setup lang="ts">
// The sides of how the firm works: its rules, and for owners its people, other programs that get in, and who did what.
import { RouterLink } from 'vue-router'
import { useSession } from '../stores/session.ts'

const session = useSession()
</script>

<template>
  <nav v-if="session.me?.role === 'owner'" class="row" aria-label="House rules">
    <RouterLink to="/house-rules" class="tap" exact-active-class="on">Rules</RouterLink>
    <RouterLink to="/house-rules/people" class="tap" exact-active-class="on" data-to-people>People</RouterLink>
    <RouterLink to="/house-rules/programs" class="tap" exact-active-class="on" data-to-programs>Other programs</RouterLink>
    <RouterLink to="/house-rules/audit" class="tap" exact-active-class="on" data-to-audit>Who did what</RouterLink>
  </nav>
</template>

<style scoped>
.on {
  border-width: 2px;
  font-weight: 600;
}
</style>
