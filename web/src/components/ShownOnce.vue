<script setup lang="ts">
// What is shown this one time and kept nowhere: a token, a secret address. It is marked as a whole, and copied where the page may.
import { ref, watch } from 'vue'
import Tap from '../kit/Tap.vue'
import { t } from '../words/words.ts'

const props = defineProps<{ /** The secret itself. */ secret: string }>()
/** Pages without TLS may not copy; it can be marked by hand. */
const mayCopy = window.isSecureContext
const copied = ref(false)
watch(
  () => props.secret,
  () => (copied.value = false),
)
async function copy() {
  await navigator.clipboard.writeText(props.secret)
  copied.value = true
}
</script>

<template>
  <div class="once" role="status" data-shown-once>
    <p><slot />{{ t('screen.frame.shown-once') }}</p>
    <p class="itself" data-shown-itself>{{ secret }}</p>
    <div v-if="mayCopy" class="row">
      <Tap data-copy-it @click="copy">{{ copied ? t('screen.frame.copied') : t('screen.frame.copy') }}</Tap>
    </div>
  </div>
</template>

<style scoped>
.once {
  border: 2px solid var(--ink);
  padding: 0.8rem 1.1rem;
  display: grid;
  gap: 0.4rem;
}
.itself {
  overflow-wrap: anywhere;
  font-weight: 600;
  user-select: all;
}
</style>
