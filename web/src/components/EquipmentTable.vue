<script setup lang="ts">
// What is in the van besides bottles, with the figures that plans count on.
import { equipmentKinds, usualStandKg, type Equipment, type EquipmentKind } from '@yastik/core/products'
import type { SiUnit } from '@yastik/core/quantities'
import { computed, ref } from 'vue'
import NumberField from '../kit/NumberField.vue'
import type { Column } from '../kit/column.ts'
import { optionsOf } from '../kit/option.ts'
import { useMeasures } from '../measures/useMeasures.ts'
import Tap from '../kit/Tap.vue'
import Field from '../kit/Field.vue'
import Ledger from '../kit/Ledger.vue'
import Pick from '../kit/Pick.vue'
import { t } from '../words/words.ts'

const { figure, unit } = useMeasures()
const props = defineProps<{ equipment: readonly Equipment[]; mayEdit: boolean }>()
const emit = defineEmits<{ save: [equipment: Equipment[]] }>()
type Figure = 'flowLMin' | 'pressureBar' | 'litres' | 'outletMm' | 'limitKg'
const figures: { field: Figure; says: string; si?: SiUnit }[] = [
  { field: 'flowLMin', says: t('screen.stores.flow'), si: 'L/min' },
  { field: 'pressureBar', says: t('screen.stores.pressure-bar') },
  { field: 'litres', says: t('screen.stores.holds'), si: 'L' },
  { field: 'outletMm', says: t('screen.stores.outlet-mm') },
  { field: 'limitKg', says: t('screen.stores.carries-kg') },
]
const kind = ref<EquipmentKind>('air-line')

const change = (id: string, fields: Partial<Equipment>) =>
  emit(
    'save',
    props.equipment.map((entry) => (entry.id === id ? { ...entry, ...fields } : entry)),
  )
const takeOut = (id: string) =>
  emit(
    'save',
    props.equipment.filter((entry) => entry.id !== id),
  )
const kinds = optionsOf(equipmentKinds, (own) => t(`names.equipment.${own}`))
const columns = computed<Column<Equipment>[]>(() => [
  { key: 'kind', says: t('screen.stores.equipment') },
  { key: 'count', says: t('screen.stores.how-many-2'), number: true },
  ...figures.map(({ field, says, si }) => ({ key: field, says: si ? `${says}, ${unit(si)}` : says, number: true })),
  { key: 'doings', says: '', hidden: !props.mayEdit },
])
function add() {
  const taken = new Set(props.equipment.map(({ id }) => id))
  let number = 1
  while (taken.has(`${kind.value}-${number}`)) number++
  const own = kind.value === 'stand' ? { limitKg: usualStandKg.value } : {}
  emit('save', [...props.equipment, { id: `${kind.value}-${number}`, kind: kind.value, count: 1, ...own }])
}
</script>

<template>
  <Ledger
    data-equipment
    :title="t('screen.stores.equipment-van')"
    :rows="equipment"
    :columns="columns"
    :row-key="({ id }) => id"
    :row-attrs="({ kind: own }) => ({ 'data-kind': own })"
    :empty="t('screen.stores.nothing-van-yet')"
  >
    <template #kind="{ row }">{{ t(`names.equipment.${row.kind}`) }}</template>
    <template #count="{ row }">
      <NumberField
        v-if="mayEdit"
        :name="`count-${row.id}`"
        :label="t('screen.stores.how-many', { kind: t(`names.equipment.${row.kind}`) })"
        :model-value="row.count"
        @commit="change(row.id, { count: $event ?? Number.NaN })"
      /><template v-else>{{ row.count }}</template>
    </template>
    <template v-for="{ field, says, si } in figures" #[field]="{ row }" :key="field">
      <NumberField
        v-if="mayEdit && row[field] !== undefined"
        :si="si"
        :name="`${field}-${row.id}`"
        :label="t('screen.stores.of-the', { says, kind: row.kind })"
        :model-value="row[field]"
        @commit="change(row.id, { [field]: $event })"
      /><template v-else>{{ row[field] === undefined ? '' : si ? figure(row[field], si) : row[field] }}</template>
    </template>
    <template #doings="{ row }">
      <Tap bare :aria-label="t('screen.stores.take-out', { what: t(`names.equipment.${row.kind}`) })" @click="takeOut(row.id)">{{
        t('screen.stores.take-out-2')
      }}</Tap>
    </template>
  </Ledger>
  <div v-if="mayEdit" class="row">
    <Field :label="t('screen.stores.add-van')"><Pick v-model="kind" name="equipment-kind" :options="kinds" /></Field
    ><Tap data-add-equipment @click="add">{{ t('screen.stores.add') }}</Tap>
  </div>
</template>

<style scoped>
td.number :deep(.el-input) {
  max-width: 6.5rem;
}
</style>
