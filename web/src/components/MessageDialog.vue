<script setup lang="ts">
// A message to a customer, drafted from the facts: read it, change it, send it. Why it cannot be sent is said at once.
import { endpoints, longestMessage, type HoldReason, type MessageDraft } from '@yastik/core/wire'
import { ref } from 'vue'
import { RouterLink } from 'vue-router'
import { ask } from '../api/client.ts'
import { useDoing } from '../api/useServer.ts'
import FaultNote from '../kit/FaultNote.vue'
import TextField from '../kit/TextField.vue'
import Tap from '../kit/Tap.vue'
import Dialog from '../kit/Dialog.vue'
import { t } from '../words/words.ts'

const props = defineProps<{
  siteId: string
  siteName: string
  /** Of the quote that is written; else of what falls due at the site. */ quoteId?: string
  /** Of the visit whose customer waits, and when it will begin. */ late?: { readonly jobId: string; readonly startMin: number }
}>()
const emit = defineEmits<{ close: []; sent: [] }>()
const open = ref(true)
const draft = ref<MessageDraft>()
const body = ref('')
const { busy, error, run } = useDoing()
const holds: Record<HoldReason, string> = {
  'no-consent': t('screen.sites.customer-not-agreed-written-note'),
  stopped: t('screen.sites.customer-ended-nobody-writes-them'),
  lately: t('screen.sites.customer-reminded-less-than-fortnight'),
}
await run(async () => {
  const { siteId, quoteId, late } = props
  draft.value = late
    ? await ask(endpoints.draftLate, { params: { id: late.jobId }, query: { startMin: late.startMin } })
    : quoteId === undefined
      ? await ask(endpoints.draftReminder, { params: { id: siteId } })
      : await ask(endpoints.draftQuoteMessage, { params: { id: quoteId } })
  body.value = draft.value.body
})
const send = () =>
  run(async () => {
    const message = { body: body.value }
    const { siteId, quoteId, late } = props
    if (late) await ask(endpoints.sendLate, { params: { id: late.jobId }, body: message })
    else if (quoteId === undefined) await ask(endpoints.sendReminder, { params: { id: siteId }, body: message })
    else await ask(endpoints.sendQuoteMessage, { params: { id: quoteId }, body: message })
    emit('sent')
  })
</script>

<template>
  <Dialog v-model="open" :title="t('screen.sites.to-2', { siteName })" width="44rem" @closed="emit('close')">
    <div class="stack" data-message>
      <template v-if="draft">
        <p v-if="draft.hold" class="hold" role="alert" data-hold>
          {{ holds[draft.hold] }} <RouterLink :to="{ name: 'site', params: { siteId } }">{{ t('screen.sites.sheet') }}</RouterLink>
        </p>
        <p v-else-if="draft.channel">
          <b>{{ t(`screen.sites.channel.${draft.channel}`) }}</b> {{ t('screen.sites.to-3', { to: draft.to ?? '' }) }}
        </p>
        <TextField
          v-model="body"
          class="text"
          name="message-body"
          :lines="9"
          :maxlength="longestMessage"
          :aria-label="t('screen.sites.message')"
          :lang="draft.language"
        ></TextField>
        <p class="small">
          <span :lang="draft.language">{{ draft.stopLine }}</span> <i>{{ t('screen.sites.stands-below-always') }}</i>
          {{ t('screen.sites.characters', { body: body.length, longestMessage }) }}
        </p>
      </template>
      <FaultNote :error="error" />
      <div class="row">
        <Tap
          now
          :off="draft?.hold ? t('screen.sites.not-now-see-above') : body.trim() === '' ? t('screen.sites.write-something') : ''"
          :disabled="busy"
          data-send-message
          @click="send"
        >
          {{ busy ? t('screen.sites.handing-over') : t('screen.sites.send') }}
        </Tap>
        <Tap @click="open = false">{{ t('screen.sites.leave') }}</Tap>
      </div>
    </div>
  </Dialog>
</template>

<style scoped>
.text {
  width: 100%;
  padding: 0.6rem;
  resize: vertical;
  line-height: 1.4;
}
.hold {
  border-left: 6px double var(--now);
  padding-left: 0.8rem;
}
</style>
