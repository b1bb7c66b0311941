<script setup lang="ts">
// Other programs that get in by a token, for owners.
import { endpoints, tokenAreas, tokenScopes, type TokenArea, type TokenRecord } from '@yastik/core/wire'
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
import Ticks from '../kit/Ticks.vue'
import DayField from '../kit/DayField.vue'
import { usePlace } from '../measures/usePlace.ts'
import { t } from '../words/words.ts'
import { dayWords } from '../words/when.ts'

useJob().close()
const place = usePlace()
const list = useAsked(endpoints.tokens, () => ({}))
const tokens = computed(() => list.said.value ?? [])
const doing = useDoing()
const error = computed(() => doing.error.value ?? list.error.value)
const made = ref<{ name: string; token: string }>()
const sure = ref<string>()
const blank = (): { name: string; scope: TokenRecord['scope']; areas: TokenArea[]; endsOn: string } => ({
  name: '',
  scope: 'read',
  areas: ['visits'],
  endsOn: dayjs(place.today()).add(90, 'day').format('YYYY-MM-DD'),
})
const form = ref(blank())
const scopeWords: Record<TokenRecord['scope'], string> = { read: t('screen.house.reads'), write: t('screen.house.reads-writes') }

const areaWords: Record<TokenArea, string> = {
  visits: t('screen.house.area.visits'),
  sites: t('screen.house.area.sites'),
  logbook: t('screen.house.area.logbook'),
  exports: t('screen.house.area.exports'),
  office: t('screen.house.area.office'),
}

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
      <h1>{{ t('screen.house.other-programs') }}</h1>
      <HousePages />
    </div>
    <p>
      {{ t('screen.house.program-gets-token') }} <code>{{ t('screen.house.authorization-bearer') }}</code>{{
        t('screen.house.does-whoever-made-may-do')
      }}
      <a :href="endpoints.openapi.path">{{ t('screen.house.openapi-document') }}</a>.
    </p>
    <ShownOnce v-if="made" :secret="made.token"
      >{{ t('screen.frame.for') }} <b>{{ made.name }}</b></ShownOnce
    >
    <ul class="plain acts">
      <li v-for="token in tokens" :key="token.id" :data-program="token.name">
        <div class="which">
          <b>{{ token.name }}</b> {{ t('screen.house.until', { scope: scopeWords[token.scope], endsOn: dayWords(token.endsOn) }) }}
          <span data-areas>· {{ token.areas.map((area) => areaWords[area]).join(', ') }}</span>
          <small>{{
            t('screen.house.made', {
              madeBy: token.madeBy,
              madeAt: dayWords(token.madeAt),
              lastUsed: token.usedAt ? t('screen.house.last-used', { usedAt: dayWords(token.usedAt) }) : t('screen.house.never-used'),
            })
          }}</small>
        </div>
        <Tap v-if="sure !== token.id" data-end-token @click="sure = token.id">{{ t('screen.house.end') }}</Tap>
        <Tap v-else now data-end-token-sure @click="end(token.id)">{{ t('screen.house.yes-gets-no-more') }}</Tap>
      </li>
    </ul>
    <Form class="ruled-top" data-token-form :sends="form" :schema="endpoints.makeToken.body" :fault="error" @submit="make">
      <div class="row inline">
        <Field where="name" :label="t('screen.house.program')"><TextField v-model="form.name" name="token-name" maxlength="120" /></Field>
        <Choice v-model="form.scope" :label="t('screen.house.may-do')" mark="scope" :options="optionsOf(tokenScopes, (scope) => scopeWords[scope])" />
        <Field where="areas" :label="t('screen.house.reaches')"
          ><Ticks v-model="form.areas" mark="area" :options="optionsOf(tokenAreas, (area) => areaWords[area])"
        /></Field>
        <Field where="endsOn" :label="t('screen.house.until-2')" :hint="t('screen.house.year-most')"
          ><DayField v-model="form.endsOn" name="token-ends"
        /></Field>
        <Tap now type="submit" data-make-token>{{ t('screen.house.make-token') }}</Tap>
      </div>
    </Form>
  </div>
</template>
