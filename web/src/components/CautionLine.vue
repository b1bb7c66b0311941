<script setup lang="ts">
// What can hurt somebody at this step: a short line that is read, and all of it one tap away.
import { computed, ref } from 'vue'
import Tap from '../kit/Tap.vue'

const props = defineProps<{ words: string }>()
/** Up to the first stop; what is short enough stands whole. */
const longestLine = 60
const short = computed(() => (props.words.length <= longestLine ? props.words : props.words.split(/[:.;]\s/, 1)[0]))
const isCut = computed(() => short.value !== props.words)
const open = ref(false)
</script>

<template>
  <li class="caution" data-caution>
    <span class="sign" aria-hidden="true">!</span>
    <span v-if="!isCut">{{ words }}</span>
    <Tap v-else bare class="line" :aria-expanded="open" @click="open = !open"
      ><span
        ><b>{{ short }}</b
        >{{ open ? words.slice(short.length) : ' …' }}</span
      ></Tap
    >
  </li>
</template>

<style scoped>
.caution {
  display: flex;
  gap: 0.6rem;
  align-items: center;
  font-size: 1.05rem;
}
.sign {
  flex: none;
  width: 1.5rem;
  height: 1.5rem;
  border: 2px solid var(--ink);
  border-radius: 50%;
  display: inline-grid;
  place-items: center;
  font-weight: 600;
  line-height: 1;
}
.line {
  height: auto;
  padding-inline: 0;
  font-size: inherit;
  text-align: start;
  white-space: normal;
}
</style>
