<script setup lang="ts">
// Oneself: password, second factor, and where one is signed in.
import { endpoints, leastPassword } from '@yastik/core/wire'
import dayjs from 'dayjs'
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
import Form from '../kit/Form.vue'

useJob().close()
const session = useSession()
const password = ref('')
const next = ref('')
const { error, run } = useDoing()
const ending = useDoing()
const said = ref('')
const list = useAsked(endpoints.sessions, () => ({}))
const sessions = computed(() => list.said.value ?? [])
const sessionError = computed(() => ending.error.value ?? list.error.value)

await list.ready()
async function change() {
  said.value = ''
  const isChanged = await run(() => ask(endpoints.changePassword, { body: { password: password.value, next: next.value } }))
  if (!isChanged) return
  ;[password.value, next.value] = ['', '']
  said.value = 'It is changed. Wherever else you were signed in, you are not any more.'
  await list.reload()
}
const end = (id?: string) =>
  ending.run(async () => {
    await (id === undefined ? ask(endpoints.endSessions) : ask(endpoints.endSession, { params: { id } }))
    await list.reload()
  })
const day = (at: string) => dayjs(at).format('D MMM, HH:mm')
</script>

<template>
  <div class="page stack">
    <h1>{{ session.me?.name }}</h1>
    <Form data-change-password :sends="{ password, next }" :schema="endpoints.changePassword.body" :fault="error" @submit="change">
      <h2>Password</h2>
      <p v-if="said" role="status">{{ said }}</p>
      <div class="row inline">
        <Field where="password" label="The one you have"
          ><TextField v-model="password" name="password" type="password" autocomplete="current-password"
        /></Field>
        <Field where="next" label="A new one" :hint="`at least ${leastPassword} characters; four words, say`"
          ><TextField v-model="next" name="next-password" type="password" autocomplete="new-password"
        /></Field>
        <Tap type="submit" :off="password === '' ? 'enter the password of now' : next === '' ? 'enter a new one' : ''">Change it</Tap>
      </div>
    </Form>
    <SecondFactor />
    <section class="stack ruled-top" data-sessions>
      <h2>Where you are signed in</h2>
      <FaultNote :error="sessionError" />
      <ul class="plain acts">
        <li v-for="own in sessions" :key="own.id" :data-session="own.isThis ? 'this' : 'other'">
          <span
            ><b>{{ own.device }}</b> since {{ day(own.madeAt) }} <small>{{ own.isThis ? 'here, now' : `used ${day(own.usedAt)}` }}</small></span
          >
          <Tap v-if="!own.isThis" @click="end(own.id)">Sign out there</Tap>
        </li>
      </ul>
      <div v-if="sessions.length > 1" class="row"><Tap data-end-others @click="end()">Sign out everywhere but here</Tap></div>
    </section>
  </div>
</template>
