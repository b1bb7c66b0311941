<script setup lang="ts">
// What customers were written, what became of it, and what they answered. It is looked at again while anything is on its way.
import { endpoints, type MessageRecord, ofStored } from '@yastik/core/wire'
import { computed } from 'vue'
import { RouterLink } from 'vue-router'
import { ask } from '../api/client.ts'
import { useDoing, usePages } from '../api/useServer.ts'
import FaultNote from '../kit/FaultNote.vue'
import LogbookPages from '../components/LogbookPages.vue'
import { useJob } from '../stores/job.ts'
import Tap from '../kit/Tap.vue'
import Fold from '../kit/Fold.vue'
import { say, t } from '../words/words.ts'
import { momentWords } from '../words/when.ts'

useJob().close()
const againMs = 3000
// What cannot be asked just now is asked again in a moment; the first line says why.
const { entries, error: notThere, hasMore, more, reload, ready } = usePages(endpoints.messages, undefined, { againMs })
const doing = useDoing()
const error = computed(() => doing.error.value ?? notThere.value)
await ready()

const move = ({ id }: MessageRecord, to: typeof endpoints.withdrawMessage | typeof endpoints.retryMessage) =>
  doing.run(async () => {
    await ask(to, { params: { id } })
    await reload()
  })
</script>

<template>
  <div class="page stack">
    <div class="spread">
      <h1>{{ t('screen.sites.customers-written') }}</h1>
      <LogbookPages />
    </div>
    <FaultNote :error="error" />
    <p v-if="!error && entries.length === 0">
      {{ t('screen.sites.nobody-written-yet') }} <RouterLink to="/logbook/due">{{ t('screen.sites.due') }}</RouterLink>
      {{ t('screen.sites.shows-whom-remind') }}
    </p>
    <ol class="plain" data-messages>
      <li v-for="message in entries" :key="message.id" class="message" :data-message-state="message.state">
        <div class="about">
          <RouterLink :to="{ name: 'site', params: { siteId: message.siteId } }"
            ><b>{{ message.siteName }}</b></RouterLink
          ><br />
          <small>{{ momentWords(message.madeAt) }}, {{ message.by }}</small
          ><br />
          <small>{{
            t('screen.sites.to', { text: message.channel === 'text' ? t('screen.sites.text') : t('screen.sites.mail'), to: message.to })
          }}</small>
        </div>
        <Fold
          ><template #title>{{ message.body.split('\n')[0] }}</template>
          <p class="body">{{ message.body }}</p>
        </Fold>
        <div>
          <b>{{ t(`screen.sites.message.${message.state}`) }}</b>
          <template v-if="message.because"
            ><br /><small
              >{{ say(ofStored(message.because))
              }}{{ message.state === 'waiting' ? t('screen.sites.tried-again-itself', { tries: message.tries }) : '' }}</small
            ></template
          >
          <p v-for="reply in message.replies" :key="reply.at" class="reply" data-reply>{{ t('screen.sites.quoted', { text: reply.text }) }}</p>
          <Tap v-if="message.state === 'waiting'" bare @click="move(message, endpoints.withdrawMessage)">{{ t('screen.sites.take-back') }}</Tap>
          <Tap v-if="message.state === 'failed'" bare data-retry @click="move(message, endpoints.retryMessage)">{{
            t('screen.sites.try-again')
          }}</Tap>
        </div>
      </li>
    </ol>
    <Tap v-if="hasMore" @click="more">{{ t('screen.sites.older-ones') }}</Tap>
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
