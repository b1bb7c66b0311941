<script setup lang="ts">
// Other programs that get in by a token, for owners.
import { endpoints, longestToken, tokenScopes, type TokenRecord } from '@yastik/core/wire'
import dayjs from 'dayjs'
import { ElInput } from 'element-plus/es/components/input/index'
import 'element-plus/theme-chalk/el-input.css'
import { ref } from 'vue'
import { ask } from '../api/client.ts'
import FaultNote from '../components/FaultNote.vue'
import HousePages from '../components/HousePages.vue'
import { useJob } from '../stores/job.ts'

useJob().close()
const tokens = ref<TokenRecord[]>([])
const error = ref<unknown>()
const made = ref<{ name: string; token: string }>()
const sure = ref<string>()
const blank = (): { name: string; scope: TokenRecord['scope']; endsOn: string } => ({
  name: '',
  scope: 'read',
  endsOn: dayjs().add(90, 'day').format('YYYY-MM-DD'),
})
const form = ref(blank())
const scopeWords: Record<TokenRecord['scope'], string> = { read: 'reads', write: 'reads and writes' }

async function attempt(work: () => Promise<void>) {
  ;[error.value, sure.value] = [undefined, undefined]
  try {
    await work()
    tokens.value = await ask(endpoints.tokens)
  } catch (caught) {
    error.value = caught
  }
}
await attempt(async () => undefined)
const make = () =>
  attempt(async () => {
    const { record, token } = await ask(endpoints.makeToken, { body: form.value })
    made.value = { name: record.name, token }
    form.value = blank()
  })
const end = (id: string) => attempt(() => ask(endpoints.endToken, { params: { id } }))
const day = (at: string) => dayjs(at).format('D MMM YYYY')
</script>

<template>
  <div class="page stack">
    <div class="spread">
      <h1>Other programs</h1>
      <HousePages />
    </div>
    <p>
      A program gets in by a token, in <code>Authorization: Bearer</code>, and does what whoever made it may do, within its scope. What is there to
      ask is described in <a :href="endpoints.openapi.path">an OpenAPI document</a>.
    </p>
    <FaultNote :error="error" />
    <div v-if="made" class="made" role="status" data-token>
      <p>
        For <b>{{ made.name }}</b>, shown this once:
      </p>
      <p class="itself" data-token-itself>{{ made.token }}</p>
    </div>
    <ul class="plain tokens">
      <li v-for="token in tokens" :key="token.id" :data-program="token.name">
        <div class="who">
          <b>{{ token.name }}</b> {{ scopeWords[token.scope] }} until {{ day(token.endsOn) }}
          <small>made by {{ token.madeBy }} on {{ day(token.madeAt) }}; {{ token.usedAt ? `last used ${day(token.usedAt)}` : 'never used' }}</small>
        </div>
        <button v-if="sure !== token.id" class="tap" data-end-token @click="sure = token.id">End it</button>
        <button v-else class="tap now" data-end-token-sure @click="end(token.id)">Yes, it gets in no more</button>
      </li>
    </ul>
    <form class="row end ruled-top" data-token-form @submit.prevent="make">
      <label class="field"><span>Which program</span><ElInput v-model="form.name" name="token-name" maxlength="120" /></label>
      <div class="chips" role="radiogroup" aria-label="What it may do">
        <button
          v-for="scope in tokenScopes"
          :key="scope"
          type="button"
          class="tap"
          role="radio"
          :aria-checked="form.scope === scope"
          :data-scope="scope"
          @click="form.scope = scope"
        >
          {{ scopeWords[scope] }}
        </button>
      </div>
      <label class="field"
        ><span>Until <small>a year at most</small></span
        ><ElInput v-model="form.endsOn" name="token-ends" type="date" :max="dayjs().add(longestToken, 'day').format('YYYY-MM-DD')"
      /></label>
      <button class="tap now" type="submit" :disabled="form.name.trim() === ''" data-make-token>Make a token</button>
    </form>
  </div>
</template>

<style scoped>
.tokens li {
  display: flex;
  flex-wrap: wrap;
  justify-content: space-between;
  align-items: center;
  gap: 0.5rem 1.5rem;
  border-top: var(--rule-width) solid var(--rule);
  padding: 0.6rem 0;
}
.who {
  flex: 1 1 20rem;
}
.who small {
  display: block;
}
.end {
  align-items: end;
}
.made {
  border: 2px solid var(--ink);
  padding: 0.8rem 1.1rem;
  display: grid;
  gap: 0.4rem;
}
.itself {
  overflow-wrap: anywhere;
  font-weight: 600;
  user-select: all;
}
</style>
