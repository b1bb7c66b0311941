<script setup lang="ts">
// What customers read, in the firm's own words: text by text, with the values it may use, seen as it will be read in every language.
import { metric } from '@yastik/core/quantities'
import { endpoints } from '@yastik/core/wire'
import {
  kindOfWordable,
  languageNames,
  languages,
  wordableKinds,
  type Catalogue,
  type Key,
  type Language,
  type WordableKind,
} from '@yastik/core/words'
import { computed, ref } from 'vue'
import { ask } from '../api/client.ts'
import { useAsked, useDoing } from '../api/useServer.ts'
import HousePages from '../components/HousePages.vue'
import Choice from '../kit/Choice.vue'
import FaultNote from '../kit/FaultNote.vue'
import Field from '../kit/Field.vue'
import Form from '../kit/Form.vue'
import { optionsOf } from '../kit/option.ts'
import Tap from '../kit/Tap.vue'
import TextField from '../kit/TextField.vue'
import { useJob } from '../stores/job.ts'
import { useSession } from '../stores/session.ts'
import { language as own, say, t, wordsFor } from '../words/words.ts'

useJob().close()
const { me } = useSession()
const currency = me?.place.currency
const known: Record<string, string> = me ? { firm: me.firm } : {}
const asked = useAsked(endpoints.wording, () => ({}))
const doing = useDoing()
const error = computed(() => doing.error.value ?? asked.error.value)
await asked.ready()
const speech = await import('@yastik/core/words/speech')
/** As they ship, by language. */
const shipped = Object.fromEntries(await Promise.all(languages.map(async (code) => [code, await wordsFor(code)]))) as Record<Language, Catalogue>

const language = ref<Language>(own.value)
const kind = ref<WordableKind>('letters')
const find = ref('')
const saved = ref('')
const tongues = optionsOf(languages, (code) => languageNames[code])
const kinds = optionsOf(wordableKinds, (one) => t(`screen.house.wording.${one}`))

const wording = computed(() => asked.said.value?.wording ?? {})
const ownText = (code: Language, key: Key): string | undefined => wording.value[code]?.[key]
/** A text as a customer would read it, with made-up values. */
function read(code: Language, key: Key, text?: string): string {
  const catalogue = text === undefined ? shipped[code] : speech.worded(shipped[code], { [key]: text })
  return speech.sayIn(catalogue, { measures: metric, ...(currency === undefined ? {} : { currency }) })(speech.sampleOf(shipped[code], key, known))
}
const rows = computed(() =>
  (Object.keys(shipped[language.value].texts) as Key[])
    .filter((key) => kindOfWordable(key) === kind.value)
    .map((key) => ({ key, says: read(language.value, key, ownText(language.value, key)), isOwn: ownText(language.value, key) !== undefined }))
    .filter(({ says }) => says.toLowerCase().includes(find.value.trim().toLowerCase())),
)

const editing = ref<Key>()
const draft = ref('')
function open(key: Key) {
  saved.value = ''
  editing.value = key
  draft.value = ownText(language.value, key) ?? shipped[language.value].texts[key] ?? ''
}
const fault = computed(() => (editing.value === undefined ? undefined : speech.faultOfText(shipped[language.value], editing.value, draft.value)))
const values = computed(() => (editing.value === undefined ? [] : speech.valuesOf(shipped[language.value], editing.value)))
/** How the text reads now in each language: the one that is written, the others as they stand. */
const previews = computed(() => {
  const { value: key } = editing
  if (key === undefined || fault.value) return []
  return languages.map((code) => ({ code, says: read(code, key, code === language.value ? draft.value : ownText(code, key)) }))
})

/** Why it cannot be kept as it is. */
const off = computed(() => (fault.value ? t('screen.house.wording-mend') : draft.value.trim() === '' ? t('screen.house.wording-empty') : ''))
async function set(key: Key, text: string | undefined) {
  const { value: record } = asked.said
  if (!record) return
  const { [key]: _, ...others } = record.wording[language.value] ?? {}
  const texts = text === undefined ? others : { ...others, [key]: text }
  const body = { wording: { ...record.wording, [language.value]: texts }, version: record.version }
  if (!(await doing.run(async () => asked.set(await ask(endpoints.saveWording, { body }))))) return
  editing.value = undefined
  saved.value = text === undefined ? t('screen.house.wording-back') : t('screen.house.wording-saved')
}
const where = computed(() => `wording.${language.value}.${editing.value ?? ''}`)
function turnTo(code: Language) {
  editing.value = undefined
  language.value = code
}
</script>

<template>
  <div class="page stack">
    <div class="spread">
      <h1>{{ t('screen.house.own-wording') }}</h1>
      <HousePages />
    </div>
    <p>{{ t('screen.house.own-wording-about') }}</p>
    <div class="row wide">
      <Choice mark="wording-language" :label="t('screen.frame.language')" :model-value="language" :options="tongues" @update:model-value="turnTo" />
      <Choice v-model="kind" mark="wording-kind" :label="t('screen.house.wording-kind')" :options="kinds" @update:model-value="editing = undefined" />
      <TextField v-model="find" name="wording-find" :aria-label="t('screen.house.wording-find')" :placeholder="t('screen.house.wording-find')" />
    </div>
    <p role="status">{{ saved }}</p>
    <FaultNote v-if="editing === undefined" :error="error" />
    <ul class="plain">
      <li v-for="row in rows" :key="row.key" :data-wording="row.key">
        <Form v-if="row.key === editing" class="stack" :sends="{}" :fault="error" @submit="off === '' && set(row.key, draft.trim())">
          <Field
            :where="where"
            :label="t('screen.house.wording-text')"
            :hint="values.length > 0 ? t('screen.house.wording-values', { values: values.map((name) => `{${name}}`).join(', ') }) : ''"
          >
            <TextField v-model="draft" name="wording-text" :lines="3" maxlength="1000" :lang="language" />
          </Field>
          <p v-if="fault" role="alert" data-wording-fault>{{ t('fault.field.what-allowed', { what: say(fault.what), allowed: fault.allowed }) }}</p>
          <dl v-else data-wording-preview>
            <template v-for="{ code, says } in previews" :key="code">
              <dt>{{ languageNames[code] }}</dt>
              <dd :lang="code">{{ says }}</dd>
            </template>
          </dl>
          <div class="row">
            <Tap now type="submit" data-save-wording :disabled="doing.busy.value" :off="off">{{ t('screen.house.save') }}</Tap>
            <Tap v-if="row.isOwn" data-default-wording @click="set(row.key, undefined)">{{ t('screen.house.wording-default') }}</Tap>
            <Tap bare data-leave-wording @click="editing = undefined">{{ t('screen.house.wording-leave') }}</Tap>
          </div>
        </Form>
        <div v-else class="line">
          <span :lang="language">{{ row.says }}</span>
          <small v-if="row.isOwn" data-own>{{ t('screen.house.wording-own') }}</small>
          <Tap bare small data-edit-wording @click="open(row.key)">{{ t('screen.house.wording-edit') }}</Tap>
        </div>
      </li>
    </ul>
    <p v-if="rows.length === 0">{{ t('screen.house.wording-none') }}</p>
  </div>
</template>

<style scoped>
.wide {
  column-gap: 2.4rem;
}
li {
  padding: 0.5rem 0;
  border-top: 1px solid var(--rule);
}
.line {
  display: flex;
  gap: 0.9rem;
  align-items: baseline;
}
.line span {
  flex: 1;
  max-width: 60rem;
}
dl {
  margin: 0;
  display: grid;
  grid-template-columns: max-content 1fr;
  gap: 0.2rem 0.9rem;
}
dt {
  color: var(--ink-soft);
}
dd {
  margin: 0;
}
</style>
