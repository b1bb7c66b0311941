<script setup lang="ts">
// Sign in.
import { Fault } from '@yastik/core/faults'
import { leastPassword } from '@yastik/core/wire'
import { ElInput } from 'element-plus/es/components/input/index'
import 'element-plus/theme-chalk/el-input.css'
import { ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import FaultNote from '../components/FaultNote.vue'
import SectionDrawing from '../drawing/SectionDrawing.vue'
import { useSession } from '../stores/session.ts'

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
</script>

<template>
  <div class="page sign-in">
    <div class="drawing" aria-hidden="true"><SectionDrawing family="wall-head" :grades="sample" readonly /></div>
    <form class="stack" @submit.prevent="submit">
      <h1>Yastik</h1>
      <p>Looks over, decides, computes, times and proves the deep cleaning of room air conditioners.</p>
      <label class="field"><span>Sign-in name</span><ElInput v-model="name" name="sign-in" autocomplete="username" autofocus required /></label>
      <label v-if="byCode" class="field"
        ><span>The code that you were given</span><ElInput v-model="code" name="one-time-code" autocapitalize="characters"
      /></label>
      <label class="field"
        ><span v-if="byCode"
          >Your new password <small>at least {{ leastPassword }} characters; four words, say</small></span
        ><span v-else>Password</span
        ><ElInput v-model="password" name="password" type="password" :autocomplete="byCode ? 'new-password' : 'current-password'" required
      /></label>
      <label v-if="asksFactor && !byCode" class="field" data-asks-factor
        ><span>The code of your second factor <small>from your telephone, or one for its loss</small></span
        ><ElInput v-model="factor" name="second-factor" autocomplete="one-time-code" autofocus
      /></label>
      <FaultNote :error="error" />
      <button class="tap now big" type="submit" :disabled="busy || !name || !password || (byCode && !code)">
        {{ byCode ? 'Set it and sign in' : 'Sign in' }}
      </button>
      <button class="tap bare" type="button" data-by-code @click="((byCode = !byCode), (error = undefined), (password = ''))">
        {{ byCode ? 'I have a password' : 'I was given a code' }}
      </button>
    </form>
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
form {
  border-left: var(--rule-width) solid var(--ink);
  padding-left: 2rem;
}
@media (max-width: 700px) {
  .sign-in {
    grid-template-columns: 1fr;
    gap: 1rem;
    align-content: start;
  }
  form {
    border-left: 0;
    padding-left: 0;
  }
}
</style>
