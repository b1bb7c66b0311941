<script setup lang="ts">
// Sign in.
import { Fault } from '@yastik/core/faults'
import { leastPassword } from '@yastik/core/wire'
import { computed, ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import SectionDrawing from '../drawing/SectionDrawing.vue'
import { useSession } from '../stores/session.ts'
import Field from '../kit/Field.vue'
import TextField from '../kit/TextField.vue'
import Tap from '../kit/Tap.vue'
import Form from '../kit/Form.vue'
import { languageNames, languages } from '@yastik/core/words'
import { language, readIn, t } from '../words/words.ts'

const session = useSession()
const router = useRouter()
const route = useRoute()
const name = ref('')
const password = ref('')
/** Of the second factor; asked for once the server asks for it. */
const factor = ref('')
const asksFactor = ref(false)
/** Whether a code that an owner gave is used to set a password. */
const byCode = ref(false)
const code = ref('')
const error = ref<unknown>()
const busy = ref(false)

async function submit() {
  busy.value = true
  error.value = undefined
  try {
    if (byCode.value) await session.useCode(name.value, code.value, password.value)
    else await session.signIn(name.value, password.value, factor.value)
    await router.push(typeof route.query.then === 'string' && route.query.then.startsWith('/') ? route.query.then : '/')
  } catch (caught) {
    if (caught instanceof Fault && caught.code === 'second-factor') asksFactor.value = true
    else error.value = caught
  } finally {
    busy.value = false
  }
}
const sample = {
  filter: { grade: 2 },
  coilFace: { grade: 2 },
  coilBack: { grade: 3 },
  wheel: { grade: 4 },
  pan: { grade: 3 },
  outlet: { grade: 1 },
  drainLine: { grade: 1 },
  housing: { grade: 0 },
} as const
/** What is not entered yet. */
const missing = computed(() => {
  if (name.value === '') return t('screen.frame.enter-your-name')
  if (byCode.value && code.value === '') return t('screen.frame.enter-code')
  return password.value === '' ? t('screen.frame.enter-password') : ''
})
</script>

<template>
  <div class="page sign-in">
    <div class="drawing" aria-hidden="true"><SectionDrawing family="wall-head" :grades="sample" readonly /></div>
    <Form class="sheet" :fault="error" @submit="submit">
      <h1>Yastik</h1>
      <p>{{ t('screen.frame.looks-over-decides-computes-times') }}</p>
      <Field :label="t('screen.frame.sign-name')"><TextField v-model="name" name="sign-in" autocomplete="username" autofocus required /></Field>
      <Field v-if="byCode" :label="t('screen.frame.code-you-given')"
        ><TextField v-model="code" name="one-time-code" autocapitalize="characters"
      /></Field>
      <Field
        :label="byCode ? t('screen.frame.your-new-password') : t('screen.frame.password')"
        :hint="byCode ? t('screen.frame.least-characters-four-words-say', { leastPassword }) : undefined"
      >
        <TextField v-model="password" name="password" type="password" :autocomplete="byCode ? 'new-password' : 'current-password'" required />
      </Field>
      <Field
        v-if="asksFactor && !byCode"
        :label="t('screen.frame.code-your-second-factor')"
        :hint="t('screen.frame.your-telephone-one-loss')"
        data-asks-factor
        ><TextField v-model="factor" name="second-factor" autocomplete="one-time-code" autofocus
      /></Field>
      <Tap now big type="submit" :off="missing" :disabled="busy">
        {{ byCode ? t('screen.frame.set-sign') : t('screen.frame.sign') }}
      </Tap>
      <div class="row" role="group" :aria-label="t('screen.frame.language')">
        <Tap v-for="own in languages" :key="own" bare small :lang="own" :pressed="own === language" :data-read-in="own" @click="readIn(own)">
          {{ languageNames[own] }}
        </Tap>
      </div>
      <Tap bare data-by-code @click="((byCode = !byCode), (error = undefined), (password = ''))">
        {{ byCode ? t('screen.frame.i-password') : t('screen.frame.i-given-code') }}
      </Tap>
    </Form>
  </div>
</template>

<style scoped>
.sign-in {
  display: grid;
  grid-template-columns: minmax(0, 1.4fr) minmax(18rem, 1fr);
  gap: 3rem;
  align-items: center;
  min-height: 90vh;
}
.sheet {
  border-left: var(--rule-width) solid var(--ink);
  padding-left: 2rem;
}
@media (max-width: 700px) {
  .sign-in {
    grid-template-columns: 1fr;
    gap: 1rem;
    align-content: start;
  }
  .sheet {
    border-left: 0;
    padding-left: 0;
  }
}
</style>
