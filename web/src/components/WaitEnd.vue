<script setup lang="ts">
// A wait that somebody may end: by a hand that says it is dry, or by the owner's written word.
import type { RunningWait } from '@yastik/core/run'
import { computed, ref } from 'vue'
import { useJob } from '../stores/job.ts'
import { useSession } from '../stores/session.ts'

const props = defineProps<{ unitId: string; wait: RunningWait }>()
const job = useJob()
const session = useSession()
const may = computed(() => (props.wait.phase === 'soaking' ? props.wait.step.mayEndEarly : undefined))
const isOwner = computed(() => session.me?.role === 'owner')
const asking = ref(false)
const text = ref('')
const feelDry = () => job.add(props.unitId, { type: 'wait-ended', stepId: props.wait.step.id, said: 'dry-to-the-touch' })
async function shorten() {
  if (text.value.trim() === '') return
  await job.add(props.unitId, { type: 'wait-shortened', stepId: props.wait.step.id, text: text.value.trim() })
  asking.value = false
  text.value = ''
}
</script>

<template>
  <div v-if="may" class="row" data-wait-end>
    <button v-if="may === 'dry-to-the-touch'" class="tap" data-dry-to-the-touch @click="feelDry">It is dry to the touch</button>
    <template v-else-if="isOwner">
      <button v-if="!asking" class="tap" data-shorten @click="asking = true">Shorten this wait, in writing</button>
      <form v-else class="row" @submit.prevent="shorten">
        <input v-model="text" class="line" name="shorten" maxlength="500" placeholder="Why it may be shorter" aria-label="Why it may be shorter" />
        <button class="tap" type="submit" :disabled="text.trim() === ''">Put it on record</button>
        <button class="tap bare" type="button" @click="asking = false">No</button>
      </form>
    </template>
    <p v-else class="small">Only the owner shortens this wait, in writing.</p>
  </div>
</template>
