<script setup lang="ts">
// After how many months things go, for owners; nothing entered keeps them for good.
import { endpoints, keepsAll, type Retention } from '@yastik/core/wire'
import { ref } from 'vue'
import { ask } from '../api/client.ts'
import FaultNote from '../kit/FaultNote.vue'
import NumberField from '../kit/NumberField.vue'
import Field from '../kit/Field.vue'

const kept = ref<Retention>(keepsAll)
const error = ref<unknown>()
const said = ref('')
const kinds = [
  { name: 'photographs', says: 'Photographs, from the day of their visit' },
  { name: 'messages', says: 'Messages to customers, and answers' },
  { name: 'audit', says: 'Who did what' },
] as const satisfies readonly { name: keyof Retention; says: string }[]

async function attempt(work: () => Promise<Retention>) {
  ;[error.value, said.value] = [undefined, '']
  try {
    kept.value = await work()
  } catch (caught) {
    error.value = caught
  }
}
await attempt(() => ask(endpoints.retention))
const set = (name: keyof Retention, months: number | undefined) =>
  attempt(async () => {
    const saved = await ask(endpoints.saveRetention, { body: { ...kept.value, [name]: months ?? null } })
    said.value = 'Saved. It is cleared within hours, and that is on record.'
    return saved
  })
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
