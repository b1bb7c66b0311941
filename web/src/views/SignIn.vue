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
  if (name.value === '') return 'enter your name'
  if (byCode.value && code.value === '') return 'enter the code'
  return password.value === '' ? 'enter the password' : ''
})
</script>

<template>
  <div class="page sign-in">
    <div class="drawing" aria-hidden="true"><SectionDrawing family="wall-head" :grades="sample" readonly /></div>
    <Form class="sheet" :fault="error" @submit="submit">
      <h1>Yastik</h1>
      <p>Looks over, decides, computes, times and proves the deep cleaning of room air conditioners.</p>
      <Field label="Sign-in name"><TextField v-model="name" name="sign-in" autocomplete="username" autofocus required /></Field>
      <Field v-if="byCode" label="The code that you were given"><TextField v-model="code" name="one-time-code" autocapitalize="characters" /></Field>
      <Field :label="byCode ? 'Your new password' : 'Password'" :hint="byCode ? `at least ${leastPassword} characters; four words, say` : undefined">
        <TextField v-model="password" name="password" type="password" :autocomplete="byCode ? 'new-password' : 'current-password'" required />
      </Field>
      <Field v-if="asksFactor && !byCode" label="The code of your second factor" hint="from your telephone, or one for its loss" data-asks-factor
        ><TextField v-model="factor" name="second-factor" autocomplete="one-time-code" autofocus
      /></Field>
      <Tap now big type="submit" :off="missing" :disabled="busy">
        {{ byCode ? 'Set it and sign in' : 'Sign in' }}
      </Tap>
      <Tap bare data-by-code @click="((byCode = !byCode), (error = undefined), (password = ''))">
        {{ byCode ? 'I have a password' : 'I was given a code' }}
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
