<script setup lang="ts">
// Other programs that get in by a token, for owners.
import { dayWords } from '@yastik/core/quantities'
import { endpoints, tokenScopes, type TokenRecord } from '@yastik/core/wire'
import dayjs from 'dayjs'
import { computed, ref } from 'vue'
import { ask } from '../api/client.ts'
import { useAsked, useDoing } from '../api/useServer.ts'
import { optionsOf } from '../kit/option.ts'
import HousePages from '../components/HousePages.vue'
import ShownOnce from '../components/ShownOnce.vue'
import { useJob } from '../stores/job.ts'
import Tap from '../kit/Tap.vue'
import Field from '../kit/Field.vue'
import TextField from '../kit/TextField.vue'
import Form from '../kit/Form.vue'
import Choice from '../kit/Choice.vue'
import DayField from '../kit/DayField.vue'
import { usePlace } from '../measures/usePlace.ts'

useJob().close()
const place = usePlace()
const list = useAsked(endpoints.tokens, () => ({}))
const tokens = computed(() => list.said.value ?? [])
const doing = useDoing()
const error = computed(() => doing.error.value ?? list.error.value)
const made = ref<{ name: string; token: string }>()
const sure = ref<string>()
const blank = (): { name: string; scope: TokenRecord['scope']; endsOn: string } => ({
  name: '',
  scope: 'read',
  endsOn: dayjs(place.today()).add(90, 'day').format('YYYY-MM-DD'),
})
const form = ref(blank())
const scopeWords: Record<TokenRecord['scope'], string> = { read: 'reads', write: 'reads and writes' }

const attempt = (work: () => Promise<void>) => {
  sure.value = undefined
  return doing.run(async () => {
    await work()
    await list.reload()
  })
}
await list.ready()
const make = () =>
  attempt(async () => {
    const { record, token } = await ask(endpoints.makeToken, { body: form.value })
    made.value = { name: record.name, token }
    form.value = blank()
  })
const end = (id: string) => attempt(() => ask(endpoints.endToken, { params: { id } }))
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
    <ShownOnce v-if="made" :secret="made.token"
      >For <b>{{ made.name }}</b></ShownOnce
    >
    <ul class="plain acts">
      <li v-for="token in tokens" :key="token.id" :data-program="token.name">
        <div class="which">
          <b>{{ token.name }}</b> {{ scopeWords[token.scope] }} until {{ dayWords(token.endsOn) }}
          <small
            >made by {{ token.madeBy }} on {{ dayWords(token.madeAt) }};
            {{ token.usedAt ? `last used ${dayWords(token.usedAt)}` : 'never used' }}</small
          >
        </div>
        <Tap v-if="sure !== token.id" data-end-token @click="sure = token.id">End it</Tap>
        <Tap v-else now data-end-token-sure @click="end(token.id)">Yes, it gets in no more</Tap>
      </li>
    </ul>
    <Form class="ruled-top" data-token-form :sends="form" :schema="endpoints.makeToken.body" :fault="error" @submit="make">
      <div class="row inline">
        <Field where="name" label="Which program"><TextField v-model="form.name" name="token-name" maxlength="120" /></Field>
        <Choice v-model="form.scope" label="What it may do" mark="scope" :options="optionsOf(tokenScopes, (scope) => scopeWords[scope])" />
        <Field where="endsOn" label="Until" hint="a year at most"><DayField v-model="form.endsOn" name="token-ends" /></Field>
        <Tap now type="submit" data-make-token>Make a token</Tap>
      </div>
    </Form>
  </div>
</template>
