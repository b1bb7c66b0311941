<script setup lang="ts">
// A step that may be left out is left out on purpose: with a reason, and knowing what is lost.
import type { Step } from '@yastik/core/procedure'
import { ref } from 'vue'
import { useJob } from '../stores/job.ts'

const props = defineProps<{ unitId: string; step: Step }>()
const job = useJob()
const asking = ref(false)
const because = ref('')
async function leaveOut() {
  if (because.value.trim() === '') return
  await job.add(props.unitId, { type: 'step-skipped', stepId: props.step.id, because: because.value.trim() })
  asking.value = false
  because.value = ''
}
</script>

<template>
  <button v-if="!asking" class="tap bare" data-leave-out @click="asking = true">Leave it out</button>
  <form v-else class="stack" @submit.prevent="leaveOut">
    <p>What is lost: {{ step.optional }}.</p>
    <div class="row">
      <input
        v-model="because"
        class="line"
        name="left-out-because"
        maxlength="500"
        placeholder="Why it is left out"
        aria-label="Why it is left out"
      />
      <button class="tap" type="submit" :disabled="because.trim() === ''">Leave out</button>
      <button class="tap bare" type="button" @click="asking = false">Keep it</button>
    </div>
  </form>
</template>
