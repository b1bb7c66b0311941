<script setup lang="ts">
// Fasteners that did not come back: where they came out, and the owner's word that the unit may go on without them.
import type { LedgerEntry, LedgerException } from '@yastik/core/run'
import { computed, ref } from 'vue'
import { useSession } from '../stores/session.ts'

const props = defineProps<{ entry: LedgerEntry; takenAt: string; draft?: boolean; exception?: LedgerException; nameOf: (id: number) => string }>()
const emit = defineEmits<{ write: [text: string]; record: [] }>()
const session = useSession()
const asking = ref(false)
const text = ref('')
const short = computed(() => props.entry.out - props.entry.in)
function write() {
  if (text.value.trim() === '') return
  emit('write', text.value.trim())
  asking.value = false
  text.value = ''
}
</script>

<template>
  <div class="slot" :class="exception ? 'excepted' : 'short'" :role="exception ? undefined : 'alert'" :data-short="entry.kind">
    <b>{{ short > 0 ? `${short} × ${entry.kind} missing` : `${-short} × ${entry.kind} too many` }}</b>
    <small>came out at “{{ takenAt }}”, {{ entry.slot }}</small>
    <small v-if="exception">May stay out, by {{ nameOf(exception.by) }}: {{ exception.text }}</small>
    <template v-else-if="short > 0">
      <template v-if="session.me?.role !== 'owner'">
        <small>Power waits until it is back, or until the owner writes that it may stay out.</small>
        <button v-if="draft" class="tap" data-record-count @click="emit('record')">Put the count on record for the owner</button>
      </template>
      <button v-else-if="!asking" class="tap" data-except @click="asking = true">Let it stay out</button>
      <form v-else class="stack" @submit.prevent="write">
        <input
          v-model="text"
          class="line"
          name="exception"
          maxlength="500"
          placeholder="Why it may, and what follows"
          aria-label="Why it may stay out"
        />
        <span class="row"
          ><button class="tap" type="submit" :disabled="text.trim() === ''">Put it on record</button
          ><button class="tap bare" type="button" @click="asking = false">No</button></span
        >
      </form>
    </template>
  </div>
</template>

<style scoped>
.slot {
  display: flex;
  flex-direction: column;
  gap: 0.3rem;
  border: var(--rule-width) solid var(--ink);
  padding: 0.4rem 0.7rem;
  line-height: 1.2;
}
.short {
  border: 3px double var(--now);
}
.excepted {
  border-style: dashed;
}
</style>
