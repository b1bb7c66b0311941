<script setup lang="ts">
// Something to know before going on: said at once where it calls for doing something, when it suits where it only tells.
import { ElAlert } from 'element-plus/es/components/alert/index'

withDefaults(defineProps<{ /** `now` calls for something; `note` tells. */ kind?: 'now' | 'note' }>(), { kind: 'note' })
</script>

<template>
  <ElAlert class="notice" :class="kind" :role="kind === 'now' ? 'alert' : 'status'" :closable="false" :show-icon="false"><slot /></ElAlert>
</template>
