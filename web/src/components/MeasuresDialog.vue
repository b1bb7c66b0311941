<script setup lang="ts">
// In which units this person reads and enters figures.
import type { Measures } from '@yastik/core/wire'
import { ElDialog } from 'element-plus/es/components/dialog/index'
import 'element-plus/theme-chalk/el-dialog.css'
import 'element-plus/theme-chalk/el-overlay.css'
import { ref } from 'vue'
import { useMeasures } from '../measures/useMeasures.ts'
import { useSession } from '../stores/session.ts'
import FaultNote from './FaultNote.vue'

const isOpen = defineModel<boolean>({ required: true })
const session = useSession()
const { measures } = useMeasures()
const rows: { name: keyof Measures; says: string; values: readonly Measures[keyof Measures][] }[] = [
  { name: 'temperature', says: 'Temperature', values: ['°C', '°F'] },
  { name: 'volume', says: 'Water and product', values: ['L', 'gal'] },
  { name: 'airflow', says: 'Airflow', values: ['m³/h', 'CFM'] },
  { name: 'power', says: 'Cooling', values: ['kW', 'Btu/h'] },
]
const error = ref<unknown>()
async function choose(name: keyof Measures, value: string) {
  error.value = undefined
  try {
    await session.setMeasures({ ...measures.value, [name]: value })
  } catch (caught) {
    error.value = caught
  }
}
</script>

<template>
  <ElDialog v-model="isOpen" title="Your units" width="min(28rem, 92vw)">
    <div class="stack" data-measures>
      <div v-for="row in rows" :key="row.name" class="spread" role="radiogroup" :aria-label="row.says">
        <span>{{ row.says }}</span>
        <span class="chips">
          <button
            v-for="value in row.values"
            :key="value"
            class="tap"
            role="radio"
            :aria-checked="measures[row.name] === value"
            :data-measure="value"
            @click="choose(row.name, value)"
          >
            {{ value }}
          </button>
        </span>
      </div>
      <FaultNote :error="error" />
      <p class="small">Yours alone. What is stored and computed stays the same; sums are shown in what you choose.</p>
    </div>
  </ElDialog>
</template>
