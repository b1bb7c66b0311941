<script setup lang="ts">
// The sides of the firm's memory: what was done, what is due, and what customers were written.
import { RouterLink } from 'vue-router'
import { useSession } from '../stores/session.ts'

const session = useSession()
</script>

<template>
  <nav class="row" aria-label="Logbook">
    <RouterLink to="/logbook" class="tap" exact-active-class="on">Handed over</RouterLink>
    <RouterLink to="/logbook/due" class="tap" exact-active-class="on" data-to-due>What is due</RouterLink>
    <RouterLink v-if="session.me?.role === 'owner'" to="/logbook/messages" class="tap" exact-active-class="on" data-to-messages>Messages</RouterLink>
  </nav>
</template>

<style scoped>
.on {
  border-width: 2px;
  font-weight: 600;
}
</style>
