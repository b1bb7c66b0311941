<script setup lang="ts">
// Sign in.
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
const error = ref<unknown>()
const busy = ref(false)

async function submit() {
  busy.value = true
  error.value = undefined
  try {
    await session.signIn(name.value, password.value)
    await router.push(typeof route.query.then === 'string' && route.query.then.startsWith('/') ? route.query.then : '/')
  } catch (caught) {
    error.value = caught
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
      <label class="field"
        ><span>Password</span><ElInput v-model="password" name="password" type="password" autocomplete="current-password" required
      /></label>
      <FaultNote :error="error" />
      <button class="tap now big" type="submit" :disabled="busy || !name || !password">Sign in</button>
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
