<script setup lang="ts">
// A second factor for oneself: set up by a picture or its text, confirmed by a code, with codes for the loss of the device.
import { endpoints } from '@yastik/core/wire'
import { ref, shallowRef } from 'vue'
import { ask } from '../api/client.ts'
import { useDoing } from '../api/useServer.ts'
import { useSession } from '../stores/session.ts'
import FaultNote from '../kit/FaultNote.vue'
import QrPicture from './QrPicture.vue'
import Tap from '../kit/Tap.vue'
import Field from '../kit/Field.vue'
import TextField from '../kit/TextField.vue'
import Form from '../kit/Form.vue'
import Notice from '../kit/Notice.vue'

const session = useSession()
const password = ref('')
const code = ref('')
const begun = shallowRef<{ secret: string; uri: string }>()
const recoveryCodes = ref<string[]>([])
const { error, run } = useDoing()

const attempt = (work: () => Promise<void>) =>
  run(async () => {
    await work()
    ;[password.value, code.value] = ['', '']
  })
const begin = () => attempt(async () => void (begun.value = await ask(endpoints.beginSecondFactor, { body: { password: password.value } })))
const confirm = () =>
  attempt(async () => {
    const { me, recoveryCodes: codes } = await ask(endpoints.confirmSecondFactor, { body: { code: code.value } })
    ;[recoveryCodes.value, begun.value] = [codes, undefined]
    await session.became(me)
  })
const drop = () => attempt(async () => session.became(await ask(endpoints.dropSecondFactor, { body: { password: password.value } })))
/** In groups, as it is typed by hand. */
const spaced = (text: string) => text.replace(/(.{4})/g, '$1 ').trim()
</script>

<template>
  <section class="stack ruled-top" data-second-factor>
    <h2>A second factor</h2>
    <Notice v-if="session.me?.secondFactor === 'needed'" kind="now">
      Your firm asks its owners for one: until it is set you do what technicians do.
    </Notice>
    <FaultNote :error="error" />
    <template v-if="recoveryCodes.length > 0">
      <p><b>It is set.</b> Each of these gets you in once, where the device is lost. They are shown this once: print them, or write them down.</p>
      <ul class="plain codes" data-recovery-codes>
        <li v-for="own in recoveryCodes" :key="own">{{ own }}</li>
      </ul>
      <div class="row"><Tap @click="recoveryCodes = []">I have them</Tap></div>
    </template>
    <Form v-else-if="begun" @submit="confirm">
      <p>Let the application for codes on your telephone read this, or type the text into it. Then enter the code that it shows.</p>
      <div class="row">
        <QrPicture :text="begun.uri" says="The secret of your second factor, as a picture" />
        <div class="stack">
          <p class="secret" data-secret>{{ spaced(begun.secret) }}</p>
          <Field label="The six digits"><TextField v-model="code" name="factor-code" inputmode="numeric" autocomplete="one-time-code" /></Field>
          <div class="row">
            <Tap now type="submit" :off="code === '' ? 'enter the code' : ''" data-confirm-factor>Set it</Tap>
            <Tap @click="begun = undefined">Leave it</Tap>
          </div>
        </div>
      </div>
    </Form>
    <Form v-else inline @submit="session.me?.secondFactor === 'set' ? drop() : begin()">
      <p v-if="session.me?.secondFactor === 'set'" class="says">It is set: signing in asks for a code of your device as well.</p>
      <p v-else class="says">Signing in then asks for a code of your telephone as well: whoever learns your password is not in yet.</p>
      <Field label="Your password"><TextField v-model="password" name="factor-password" type="password" autocomplete="current-password" /></Field>
      <Tap type="submit" :off="password === '' ? 'enter your password' : ''" data-factor>
        {{ session.me?.secondFactor === 'set' ? 'Take it off' : 'Set one up' }}
      </Tap>
    </Form>
  </section>
</template>

<style scoped>
.says {
  flex: 1 1 20rem;
}
.codes {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(11rem, 1fr));
  gap: 0.3rem 1rem;
  font-size: 1.1rem;
  letter-spacing: 0.05em;
}
.secret {
  letter-spacing: 0.08em;
  max-width: 22rem;
  user-select: all;
}
</style>
