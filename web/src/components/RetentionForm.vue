<script setup lang="ts">
// After how many months things go, for owners; nothing entered keeps them for good.
import { endpoints, keepsAll, type Retention } from '@yastik/core/wire'
import { computed, ref } from 'vue'
import { ask } from '../api/client.ts'
import { useAsked, useDoing } from '../api/useServer.ts'
import FaultNote from '../kit/FaultNote.vue'
import NumberField from '../kit/NumberField.vue'
import Field from '../kit/Field.vue'

const asked = useAsked(endpoints.retention, () => ({}))
const kept = computed<Retention>(() => asked.said.value ?? keepsAll)
const doing = useDoing()
const error = computed(() => doing.error.value ?? asked.error.value)
const said = ref('')
const kinds = [
  { name: 'photographs', says: 'Photographs, from the day of their visit' },
  { name: 'messages', says: 'Messages to customers, and answers' },
  { name: 'audit', says: 'Who did what' },
] as const satisfies readonly { name: keyof Retention; says: string }[]

await asked.ready()
async function set(name: keyof Retention, months: number | undefined) {
  said.value = ''
  const body = { ...kept.value, [name]: months ?? null }
  if (await doing.run(async () => asked.set(await ask(endpoints.saveRetention, { body }))))
    said.value = 'Saved. It is cleared within hours, and that is on record.'
}
</script>

<template>
  <section class="stack" data-retention>
    <h2>How long things are kept</h2>
    <p class="small">Months; where nothing stands they are kept for good. Local law may ask for longer, or for less.</p>
    <div class="fields">
      <Field v-for="{ name, says } in kinds" :key="name" :label="says"
        ><NumberField :name="`keep-${name}`" :model-value="kept[name] ?? undefined" @commit="set(name, $event)"
      /></Field>
    </div>
    <FaultNote :error="error" />
    <p v-if="said" role="status">{{ said }}</p>
  </section>
</template>
