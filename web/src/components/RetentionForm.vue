<script setup lang="ts">
// After how many months things go, for owners; nothing entered keeps them for good.
import { endpoints, keepsAll, type Retention } from '@yastik/core/wire'
import { computed, ref } from 'vue'
import { ask } from '../api/client.ts'
import { useAsked, useDoing } from '../api/useServer.ts'
import FaultNote from '../kit/FaultNote.vue'
import NumberField from '../kit/NumberField.vue'
import Field from '../kit/Field.vue'
import { t } from '../words/words.ts'

const asked = useAsked(endpoints.retention, () => ({}))
const kept = computed<Retention>(() => asked.said.value ?? keepsAll)
const doing = useDoing()
const error = computed(() => doing.error.value ?? asked.error.value)
const said = ref('')
const kinds = [
  { name: 'photographs', says: t('screen.house.photographs-day-their-visit') },
  { name: 'messages', says: t('screen.house.messages-customers-answers') },
  { name: 'audit', says: t('screen.house.did') },
] as const satisfies readonly { name: keyof Retention; says: string }[]

await asked.ready()
async function set(name: keyof Retention, months: number | undefined) {
  said.value = ''
  const body = { ...kept.value, [name]: months ?? null }
  if (await doing.run(async () => asked.set(await ask(endpoints.saveRetention, { body }))))
    said.value = t('screen.house.saved-cleared-within-hours-record')
}
</script>

<template>
  <section class="stack" data-retention>
    <h2>{{ t('screen.house.how-long-things-kept') }}</h2>
    <p class="small">{{ t('screen.house.months-nothing-stands-they-kept') }}</p>
    <div class="fields">
      <Field v-for="{ name, says } in kinds" :key="name" :label="says"
        ><NumberField :name="`keep-${name}`" :model-value="kept[name] ?? undefined" @commit="set(name, $event)"
      /></Field>
    </div>
    <FaultNote :error="error" />
    <p v-if="said" role="status">{{ said }}</p>
  </section>
</template>
