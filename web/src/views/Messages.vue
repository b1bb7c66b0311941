<script setup lang="ts">
// What customers were written, what became of it, and what they answered. It is looked at again while anything is on its way.
import { endpoints, type MessageRecord } from '@yastik/core/wire'
import { onBeforeUnmount, ref } from 'vue'
import { RouterLink } from 'vue-router'
import { ask } from '../api/client.ts'
import FaultNote from '../kit/FaultNote.vue'
import LogbookPages from '../components/LogbookPages.vue'
import { momentWords } from '../measures/days.ts'
import { messageStateWords } from '../components/messages.ts'
import { useJob } from '../stores/job.ts'
import Tap from '../kit/Tap.vue'
import Fold from '../kit/Fold.vue'

useJob().close()
const againMs = 3000
const entries = ref<MessageRecord[]>([])
const next = ref<string | null>(null)
const error = ref<unknown>()

const page = (after?: string) => ask(endpoints.messages, { query: { after } })
async function load() {
  try {
    const first = await page()
    // Older ones that were asked for stay below.
    const known = new Set(first.entries.map(({ id }) => id))
    const older = entries.value.filter(({ id, madeAt }) => !known.has(id) && madeAt <= (first.entries.at(-1)?.madeAt ?? ''))
    if (older.length === 0) next.value = first.next
    entries.value = [...first.entries, ...older]
    error.value = undefined
  } catch (caught) {
    error.value = caught
  }
}
async function loadOlder() {
  if (!next.value) return
  const older = await page(next.value)
  entries.value = [...entries.value, ...older.entries]
  next.value = older.next
}
await load()
// What cannot be asked just now is asked again in a moment; `load` says why.
const timer = setInterval(() => void load(), againMs)
onBeforeUnmount(() => clearInterval(timer))

async function move({ id }: MessageRecord, to: typeof endpoints.withdrawMessage | typeof endpoints.retryMessage) {
  error.value = undefined
  try {
    await ask(to, { params: { id } })
    await load()
  } catch (caught) {
    error.value = caught
  }
}
</script>

<template>
  <div class="page stack">
    <div class="spread">
      <h1>What customers were written</h1>
      <LogbookPages />
    </div>
    <FaultNote :error="error" />
    <p v-if="!error && entries.length === 0">
      Nobody was written to yet. <RouterLink to="/logbook/due">What is due</RouterLink> shows whom to remind.
    </p>
    <ol class="plain" data-messages>
      <li v-for="message in entries" :key="message.id" class="message" :data-message-state="message.state">
        <div class="about">
          <RouterLink :to="{ name: 'site', params: { siteId: message.siteId } }"
            ><b>{{ message.siteName }}</b></RouterLink
          ><br />
          <small>{{ momentWords(message.madeAt) }}, {{ message.by }}</small
          ><br />
          <small>{{ message.channel === 'text' ? 'text' : 'mail' }} to {{ message.to }}</small>
        </div>
        <Fold
          ><template #title>{{ message.body.split('\n')[0] }}</template>
          <p class="body">{{ message.body }}</p>
        </Fold>
        <div>
          <b>{{ messageStateWords[message.state] }}</b>
          <template v-if="message.because"
            ><br /><small>{{ message.because }}{{ message.state === 'waiting' ? `, tried ${message.tries}×, again by itself` : '' }}</small></template
          >
          <p v-for="reply in message.replies" :key="reply.at" class="reply" data-reply>“{{ reply.text }}”</p>
          <Tap v-if="message.state === 'waiting'" bare @click="move(message, endpoints.withdrawMessage)">Take it back</Tap>
          <Tap v-if="message.state === 'failed'" bare data-retry @click="move(message, endpoints.retryMessage)">Try again</Tap>
        </div>
      </li>
    </ol>
    <Tap v-if="next" @click="loadOlder">Older ones</Tap>
  </div>
</template>

<style scoped>
.message {
  display: grid;
  grid-template-columns: minmax(12rem, 16rem) minmax(0, 1fr) minmax(11rem, 16rem);
  gap: 0.4rem 1.4rem;
  border-bottom: var(--rule-width) solid var(--rule);
  padding: 0.6rem 0;
}
.body {
  white-space: pre-line;
  border-left: 3px solid var(--rule);
  padding-left: 0.8rem;
  margin-top: 0.4rem;
}
.reply {
  border: var(--rule-width) solid var(--ink);
  padding: 0.2rem 0.6rem;
  margin-top: 0.3rem;
}
@media (max-width: 700px) {
  .message {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
