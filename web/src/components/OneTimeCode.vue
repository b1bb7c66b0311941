<script setup lang="ts">
// A code that sets a password once: shown this one time, to be read out or handed over.
import dayjs from 'dayjs'

defineProps<{ name: string; signIn: string; code: string; until: string }>()
</script>

<template>
  <div class="code" role="status" data-code>
    <p>
      For <b>{{ name }}</b>, who signs in as <b>{{ signIn }}</b>:
    </p>
    <p class="figure" data-code-itself>{{ code }}</p>
    <p class="small">
      It is shown this once. At the sign-in they choose “I was given a code” and set a password of their own, until
      {{ dayjs(until).format('D MMMM, HH:mm') }}. Give it to nobody else.
    </p>
  </div>
</template>

<style scoped>
.code {
  border: 2px solid var(--ink);
  padding: 0.8rem 1.1rem;
  display: grid;
  gap: 0.4rem;
}
.figure {
  letter-spacing: 0.08em;
  user-select: all;
}
</style>
