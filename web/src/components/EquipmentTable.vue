<script setup lang="ts">
// What is in the van besides bottles, with the figures that plans count on.
import { equipmentKinds, type Equipment, type EquipmentKind } from '@yastik/core/products'
import { ref } from 'vue'
import NumberField from './NumberField.vue'
import type { SiUnit } from '../measures/measures.ts'
import { useMeasures } from '../measures/useMeasures.ts'

const { figure, unit } = useMeasures()
const props = defineProps<{ equipment: readonly Equipment[]; mayEdit: boolean }>()
const emit = defineEmits<{ save: [equipment: Equipment[]] }>()
type Figure = 'flowLMin' | 'pressureBar' | 'litres' | 'outletMm'
const figures: { field: Figure; says: string; si?: SiUnit }[] = [
  { field: 'flowLMin', says: 'Flow', si: 'L/min' },
  { field: 'pressureBar', says: 'Pressure, bar' },
  { field: 'litres', says: 'Holds', si: 'L' },
  { field: 'outletMm', says: 'Outlet, mm' },
]
const kind = ref<EquipmentKind>('air-line')

const change = (id: string, fields: Partial<Equipment>) =>
  emit(
    'save',
    props.equipment.map((entry) => (entry.id === id ? { ...entry, ...fields } : entry)),
  )
function add() {
  const taken = new Set(props.equipment.map(({ id }) => id))
  let number = 1
  while (taken.has(`${kind.value}-${number}`)) number++
  emit('save', [...props.equipment, { id: `${kind.value}-${number}`, kind: kind.value, count: 1 }])
}
</script>

<template>
  <table class="ledger" data-equipment>
    <thead>
      <tr>
        <th>Equipment</th>
        <th class="number">How many</th>
        <th v-for="{ field, says, si } in figures" :key="field" class="number">{{ says }}{{ si ? `, ${unit(si)}` : '' }}</th>
        <th v-if="mayEdit"></th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="entry in equipment" :key="entry.id" :data-kind="entry.kind">
        <td>{{ entry.kind.replaceAll('-', ' ') }}</td>
        <td class="number">
          <NumberField
            v-if="mayEdit"
            :name="`count-${entry.id}`"
            :model-value="entry.count"
            @commit="change(entry.id, { count: $event ?? Number.NaN })"
          /><template v-else>{{ entry.count }}</template>
        </td>
        <td v-for="{ field, si } in figures" :key="field" class="number">
          <NumberField
            v-if="mayEdit && entry[field] !== undefined"
            :si="si"
            :name="`${field}-${entry.id}`"
            :model-value="entry[field]"
            @commit="change(entry.id, { [field]: $event })"
          /><template v-else>{{ entry[field] === undefined ? '' : si ? figure(entry[field], si) : entry[field] }}</template>
        </td>
        <td v-if="mayEdit" class="number">
          <button
            class="tap bare"
            type="button"
            :aria-label="`take ${entry.kind} out of the van`"
            @click="
              emit(
                'save',
                equipment.filter(({ id }) => id !== entry.id),
              )
            "
          >
            Take out
          </button>
        </td>
      </tr>
    </tbody>
  </table>
  <div v-if="mayEdit" class="row">
    <label class="field"
      ><span>Add to the van</span
      ><select v-model="kind" name="equipment-kind" class="line">
        <option v-for="option in equipmentKinds" :key="option" :value="option">{{ option.replaceAll('-', ' ') }}</option>
      </select></label
    ><button class="tap" type="button" data-add-equipment @click="add">Add it</button>
  </div>
</template>

<style scoped>
td.number :deep(.el-input) {
  max-width: 6.5rem;
}
</style>
