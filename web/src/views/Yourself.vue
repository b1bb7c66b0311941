<script setup lang="ts">
// Oneself: password, second factor, and where one is signed in.
import { endpoints, leastPassword, ofStored } from '@yastik/core/wire'
import { computed, ref } from 'vue'
import { ask } from '../api/client.ts'
import { useAsked, useDoing } from '../api/useServer.ts'
import FaultNote from '../kit/FaultNote.vue'
import SecondFactor from '../components/SecondFactor.vue'
import { useJob } from '../stores/job.ts'
import { useSession } from '../stores/session.ts'
import Field from '../kit/Field.vue'
import TextField from '../kit/TextField.vue'
import Tap from '../kit/Tap.vue'
import Tick from '../kit/Tick.vue'
import Form from '../kit/Form.vue'
import { say, t } from '../words/words.ts'
import { dayAndTimeWords } from '../words/when.ts'

useJob().close()
const session = useSession()
const password = ref('')
const next = ref('')
const keepsAccess = ref(false)
const { error, run } = useDoing()
const ending = useDoing()
const said = ref('')
const list = useAsked(endpoints.sessions, () => ({}))
const sessions = computed(() => list.said.value ?? [])
const sessionError = computed(() => ending.error.value ?? list.error.value)

await list.ready()
async function change() {
  said.value = ''
  const isChanged = await run(() =>
    ask(endpoints.changePassword, { body: { password: password.value, next: next.value, keepsAccess: keepsAccess.value } }),
  )
  if (!isChanged) return
  ;[password.value, next.value] = ['', '']
  said.value = t('screen.house.changed-wherever-else-you-signed')
  await list.reload()
}
const end = (id?: string) =>
  ending.run(async () => {
    await (id === undefined ? ask(endpoints.endSessions) : ask(endpoints.endSession, { params: { id } }))
    await list.reload()
  })
const day = (at: string) => dayAndTimeWords(at)
</script>

<template>
  <div class="page stack">
    <h1>{{ session.me?.name }}</h1>
    <Form data-change-password :sends="{ password, next }" :schema="endpoints.changePassword.body" :fault="error" @submit="change">
      <h2>{{ t('screen.frame.password') }}</h2>
      <p v-if="said" role="status">{{ said }}</p>
      <div class="row inline">
        <Field where="password" :label="t('screen.house.one-you')"
          ><TextField v-model="password" name="password" type="password" autocomplete="current-password"
        /></Field>
        <Field where="next" :label="t('screen.house.new-one')" :hint="t('screen.house.least-characters-four-words-say', { leastPassword })"
          ><TextField v-model="next" name="next-password" type="password" autocomplete="new-password"
        /></Field>
        <Tick v-model="keepsAccess" name="keeps-access">{{ t('screen.house.keeps-access') }}</Tick>
        <Tap type="submit" :off="password === '' ? t('screen.house.enter-password-now') : next === '' ? t('screen.house.enter-new-one') : ''">{{
          t('screen.house.change-2')
        }}</Tap>
      </div>
    </Form>
    <SecondFactor />
    <section class="stack ruled-top" data-sessions>
      <h2>{{ t('screen.house.you-signed') }}</h2>
      <FaultNote :error="sessionError" />
      <ul class="plain acts">
        <li v-for="own in sessions" :key="own.id" :data-session="own.isThis ? 'this' : 'other'">
          <span
            ><b>{{ say(ofStored(own.device)) }}</b> {{ t('screen.house.since', { day: day(own.madeAt) }) }}
            <small>{{ own.isThis ? t('screen.house.here-now') : t('screen.house.used', { day: day(own.usedAt) }) }}</small></span
          >
          <Tap v-if="!own.isThis" @click="end(own.id)">{{ t('screen.house.sign-out') }}</Tap>
        </li>
      </ul>
      <div v-if="sessions.length > 1" class="row">
        <Tap data-end-others @click="end()">{{ t('screen.house.sign-out-everywhere-but-here') }}</Tap>
      </div>
    </section>
  </div>
</template>
