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
import { t } from '../words/words.ts'

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
const drop = () =>
  attempt(async () => session.became(await ask(endpoints.dropSecondFactor, { body: { password: password.value, code: code.value } })))
/** In groups, as it is typed by hand. */
const spaced = (text: string) => text.replace(/(.{4})/g, '$1 ').trim()
</script>

<template>
  <section class="stack ruled-top" data-second-factor>
    <h2>{{ t('screen.house.second-factor-2') }}</h2>
    <Notice v-if="session.me?.secondFactor === 'needed'" kind="now">
      {{ t('screen.house.your-firm-asks-owners-one') }}
    </Notice>
    <FaultNote :error="error" />
    <template v-if="recoveryCodes.length > 0">
      <p>
        <b>{{ t('screen.house.set') }}</b> {{ t('screen.house.each-these-gets-you-once') }}
      </p>
      <ul class="plain codes" data-recovery-codes>
        <li v-for="own in recoveryCodes" :key="own">{{ own }}</li>
      </ul>
      <div class="row">
        <Tap @click="recoveryCodes = []">{{ t('screen.house.i-them') }}</Tap>
      </div>
    </template>
    <Form v-else-if="begun" @submit="confirm">
      <p>{{ t('screen.house.let-application-codes-your-telephone') }}</p>
      <div class="row">
        <QrPicture :text="begun.uri" :says="t('screen.house.secret-your-second-factor-picture')" />
        <div class="stack">
          <p class="secret" data-secret>{{ spaced(begun.secret) }}</p>
          <Field :label="t('screen.house.six-digits')"
            ><TextField v-model="code" name="factor-code" inputmode="numeric" autocomplete="one-time-code"
          /></Field>
          <div class="row">
            <Tap now type="submit" :off="code === '' ? t('screen.frame.enter-code') : ''" data-confirm-factor>{{ t('screen.house.set-2') }}</Tap>
            <Tap @click="begun = undefined">{{ t('screen.house.leave') }}</Tap>
          </div>
        </div>
      </div>
    </Form>
    <Form v-else inline @submit="session.me?.secondFactor === 'set' ? drop() : begin()">
      <p v-if="session.me?.secondFactor === 'set'" class="says">{{ t('screen.house.set-signing-asks-code-your') }}</p>
      <p v-else class="says">{{ t('screen.house.signing-then-asks-code-your') }}</p>
      <Field :label="t('screen.house.your-password')"
        ><TextField v-model="password" name="factor-password" type="password" autocomplete="current-password"
      /></Field>
      <Field v-if="session.me?.secondFactor === 'set'" :label="t('screen.house.code-of-factor')"
        ><TextField v-model="code" name="drop-code" autocomplete="one-time-code"
      /></Field>
      <Tap
        type="submit"
        :off="
          password === ''
            ? t('screen.house.enter-your-password')
            : session.me?.secondFactor === 'set' && code === ''
              ? t('screen.frame.enter-code')
              : ''
        "
        data-factor
      >
        {{ session.me?.secondFactor === 'set' ? t('screen.house.take-off') : t('screen.house.set-one-up') }}
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
