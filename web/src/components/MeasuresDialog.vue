<script setup lang="ts">
// In which units this person reads and enters figures.
import type { Measures } from '@yastik/core/quantities'
import { ref } from 'vue'
import { useDoing } from '../api/useServer.ts'
import { useMeasures } from '../measures/useMeasures.ts'
import { useSession } from '../stores/session.ts'
import { optionsOf } from '../kit/option.ts'
import FaultNote from '../kit/FaultNote.vue'
import Dialog from '../kit/Dialog.vue'
import Choice from '../kit/Choice.vue'

const isOpen = defineModel<boolean>({ required: true })
const session = useSession()
const { measures } = useMeasures()
const rows: { name: keyof Measures; says: string; values: readonly Measures[keyof Measures][] }[] = [
  { name: 'temperature', says: 'Temperature', values: ['°C', '°F'] },
  { name: 'volume', says: 'Water and product', values: ['L', 'gal'] },
  { name: 'airflow', says: 'Airflow', values: ['m³/h', 'CFM'] },
  { name: 'power', says: 'Cooling', values: ['kW', 'Btu/h'] },
]
const { error, run } = useDoing()
/** What was tapped and is not answered yet: taps come faster than answers, and none takes another one back. */
const wished = ref<Partial<Measures>>({})
let sending: Promise<unknown> = Promise.resolve()
function choose(name: keyof Measures, value: string) {
  wished.value = { ...wished.value, [name]: value }
  const own = wished.value
  sending = sending.then(async () => {
    await run(() => session.setMeasures({ ...measures.value, ...own }))
    // Taken, or turned down: what the server has is shown again, once nothing more is under way.
    if (wished.value === own) wished.value = {}
  })
}
</script>

<template>
  <Dialog v-model="isOpen" title="Your units" width="28rem">
    <div class="stack" data-measures>
      <div v-for="row in rows" :key="row.name" class="spread">
        <span>{{ row.says }}</span>
        <Choice
          mark="measure"
          :label="row.says"
          :model-value="wished[row.name] ?? measures[row.name]"
          :options="optionsOf(row.values, (value) => value)"
          @update:model-value="choose(row.name, $event)"
        />
      </div>
      <FaultNote :error="error" />
      <p class="small">Yours alone. What is stored and computed stays the same; sums are shown in what you choose.</p>
    </div>
  </Dialog>
</template>
