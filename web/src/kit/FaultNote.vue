<script setup lang="ts">
// What went wrong, where, and what is allowed.
import { Fault } from '@yastik/core/faults'
import { computed } from 'vue'
import Notice from './Notice.vue'
import { say, sayError, t } from '../words/words.ts'

const props = defineProps<{ error: unknown }>()
const sentence = computed(() => (props.error ? sayError(props.error) : ''))
const lines = computed(() =>
  props.error instanceof Fault
    ? props.error.lines.map(({ where, what, allowed }) => ({ where: say(where), what: say(what), allowed: say(allowed) }))
    : [],
)
</script>

<template>
  <Notice v-if="sentence" kind="now" class="fault">
    <b>{{ sentence }}</b>
    <ul v-if="lines.length > 0">
      <li v-for="line in lines" :key="line.where + line.what">
        <b>{{ line.where }}</b>: {{ line.what }}<template v-if="line.allowed">{{ t('screen.frame.allowed', { allowed: line.allowed }) }}</template>
      </li>
    </ul>
  </Notice>
</template>

<style scoped>
ul {
  margin: 0.3rem 0 0;
  padding-left: 1.1rem;
}
</style>
