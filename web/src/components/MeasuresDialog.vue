<script setup lang="ts">
// In which units this person reads and enters figures, and in which language.
import type { Measures } from '@yastik/core/quantities'
import { ref } from 'vue'
import { languageNames, languages, type Language } from '@yastik/core/words'
import { useDoing } from '../api/useServer.ts'
import { useMeasures } from '../measures/useMeasures.ts'
import { useSession } from '../stores/session.ts'
import { optionsOf } from '../kit/option.ts'
import FaultNote from '../kit/FaultNote.vue'
import Dialog from '../kit/Dialog.vue'
import Choice from '../kit/Choice.vue'
import { language, t } from '../words/words.ts'

const isOpen = defineModel<boolean>({ required: true })
const session = useSession()
const { measures } = useMeasures()
const rows: { name: keyof Measures; says: string; values: readonly Measures[keyof Measures][] }[] = [
  { name: 'temperature', says: t('screen.frame.temperature'), values: ['°C', '°F'] },
  { name: 'volume', says: t('screen.frame.water-product'), values: ['L', 'gal'] },
  { name: 'airflow', says: t('screen.frame.airflow'), values: ['m³/h', 'CFM'] },
  { name: 'power', says: t('screen.frame.cooling'), values: ['kW', 'Btu/h'] },
]
/** Each calls itself by its own name. */
const tongues = optionsOf(languages, (own) => languageNames[own])
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
const speak = (own: Language) => run(() => session.setLanguage(own))
</script>

<template>
  <Dialog v-model="isOpen" :title="t('screen.frame.your-units-and-language')" width="28rem">
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
      <div class="spread">
        <span>{{ t('screen.frame.language') }}</span>
        <Choice mark="language" :label="t('screen.frame.language')" :model-value="language" :options="tongues" @update:model-value="speak" />
      </div>
      <FaultNote :error="error" />
      <p class="small">{{ t('screen.frame.yours-alone-stored-computed-stays') }}</p>
    </div>
  </Dialog>
</template>
