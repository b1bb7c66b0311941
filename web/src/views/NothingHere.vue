<script setup lang="ts">
import { RouterLink } from 'vue-router'
import { t } from '../words/words.ts'
</script>

<template>
  <div class="page stack">
    <h1>{{ t('screen.frame.no-sheet-name') }}</h1>
    <p>
      {{ t('screen.frame.address-leads-nowhere') }} <RouterLink to="/">{{ t('screen.frame.back-today') }}</RouterLink>
    </p>
  </div>
</template>
