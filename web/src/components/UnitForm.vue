<script setup lang="ts">
// Traits of a unit as a person notes them; what is not noted stays open and gets a stated, cautious default.
import { isSiUnit } from '@yastik/core/quantities'
import { traitsOf, type Design, type Trait } from '@yastik/core/units'
import type { UnitForm } from '@yastik/core/wire'
import { computed } from 'vue'
import NumberField from '../kit/NumberField.vue'
import { useMeasures } from '../measures/useMeasures.ts'
import Field from '../kit/Field.vue'
import Pick from '../kit/Pick.vue'
import TextField from '../kit/TextField.vue'
import Choice from '../kit/Choice.vue'

const form = defineModel<UnitForm>({ required: true })

interface Asked {
  readonly trait: Trait
  readonly says: string
}
const numbers: readonly (Asked & { unit: string })[] = [
  { trait: 'ratedCoolingKw', says: 'Rated cooling', unit: 'kW' },
  { trait: 'ratedAirflowM3h', says: 'Rated airflow', unit: 'm³/h' },
  { trait: 'ratedPowerW', says: 'Rated power', unit: 'W' },
  { trait: 'volts', says: 'Voltage', unit: 'V' },
  { trait: 'nameplateAmps', says: 'Nameplate current', unit: 'A' },
  { trait: 'aboveFloorM', says: 'Height above the floor', unit: 'm' },
  { trait: 'ceilingGapCm', says: 'Gap to the ceiling', unit: 'cm' },
  { trait: 'coverScrews', says: 'Cover screws', unit: '' },
  { trait: 'weightKg', says: 'Weight', unit: 'kg' },
  { trait: 'storey', says: 'Storey, ground is 0', unit: '' },
  { trait: 'heaterKw', says: 'Electric heater', unit: 'kW' },
]
const yesNo: readonly Asked[] = [
  { trait: 'wheelRemovable', says: 'Wheel comes out' },
  { trait: 'coilLiftable', says: 'Coil may be lifted a little' },
  { trait: 'panRemovable', says: 'Pan comes off' },
  { trait: 'quickAccessOutlet', says: 'Wheel reached through the outlet' },
  { trait: 'boardRemovable', says: 'Electronics box comes off' },
  { trait: 'boardBlocksPan', says: 'Electronics box blocks the pan' },
  { trait: 'roomSensor', says: 'Room sensor' },
  { trait: 'fineFilter', says: 'Fine filter' },
  { trait: 'drainPlug', says: 'Drain plug in the pan' },
  { trait: 'removable', says: 'Can be taken out safely' },
  { trait: 'slideOut', says: 'Slides out of its cabinet or sleeve' },
  { trait: 'foamAirGuide', says: 'Foam air guide over the blower' },
  { trait: 'hardWired', says: 'Wired in, no plug' },
  { trait: 'sleeveDrain', says: 'Sleeve has its own drain' },
  { trait: 'iceProbe', says: 'Ice-guard probe' },
  { trait: 'wheelReachable', says: 'Wheel reached with the lid off' },
  { trait: 'ducted', says: 'Feeds ducts' },
  { trait: 'batteryControl', says: 'Controls on the 12 V battery' },
  { trait: 'heatsOnly', says: 'Only heats' },
]
const words: readonly (Asked & { options: readonly { value: string | number; says: string }[] })[] = [
  { trait: 'below', says: 'What stands below', options: named('clear', 'bed', 'desk', 'worktop', 'electronics', 'patient-chair') },
  { trait: 'finCoating', says: 'Fin coating', options: named('none', 'hydrophilic', 'epoxy') },
  { trait: 'refrigerantSafety', says: 'Refrigerant safety class', options: named('A1', 'A2L', 'A3') },
  { trait: 'filter', says: 'Filter', options: named('washable', 'disposable') },
  { trait: 'drain', says: 'Drain', options: named('gravity', 'pump') },
  { trait: 'ways', says: 'Outlets', options: [1, 2, 4].map((value) => ({ value, says: String(value) })) },
  { trait: 'roof', says: 'Roof', options: named('membrane', 'fibreglass', 'metal') },
]
function named(...options: string[]) {
  return options.map((value) => ({ value, says: value.replaceAll('-', ' ') }))
}

/** What stands on the nameplate, for whoever orders a part. */
const plate = [
  { name: 'maker', says: 'Maker' },
  { name: 'model', says: 'Model' },
  { name: 'serialNumber', says: 'Serial number' },
] as const
const has = ({ trait }: Asked) => traitsOf[form.value.family].includes(trait)
const asked = computed(() => ({ numbers: numbers.filter(has), words: words.filter(has), yesNo: yesNo.filter(has) }))
const wordOf = (trait: Trait) => (form.value.design[trait] ?? '') as string | number
const valueOf = <T extends Design[Trait]>(trait: Trait) => form.value.design[trait] as T | undefined

const threeWays = [
  { value: 'yes', says: 'yes' },
  { value: 'no', says: 'no' },
  { value: 'open', says: 'not noted' },
] as const
type Said = (typeof threeWays)[number]['value']
const saidOf = (trait: Trait): Said => (({ true: 'yes', false: 'no' }) as const)[String(valueOf(trait))] ?? 'open'
const say = (trait: Trait, said: Said) => setTrait(trait, said === 'open' ? undefined : said === 'yes')

const { unit } = useMeasures()
const setTrait = (trait: string, value: unknown) =>
  (form.value = { ...form.value, design: { ...form.value.design, [trait]: value === '' || value === null ? undefined : value } })
</script>

<template>
  <div class="fields">
    <slot />
    <Field
      v-for="entry in asked.numbers"
      :key="entry.trait"
      :where="`design.${entry.trait}`"
      :label="entry.says"
      :unit="entry.unit === '' ? undefined : unit(entry.unit)"
      ><NumberField
        :si="entry.unit && isSiUnit(entry.unit) ? entry.unit : undefined"
        :name="entry.trait"
        :model-value="valueOf<number>(entry.trait)"
        @update:model-value="setTrait(entry.trait, $event)"
    /></Field>
    <Field v-for="entry in plate" :key="entry.name" :where="entry.name" :label="entry.says">
      <TextField
        :name="entry.name"
        :model-value="form[entry.name] ?? ''"
        @update:model-value="form[entry.name] = $event.trim() === '' ? undefined : $event"
      />
    </Field>
    <Field where="hoursPerDay" label="Runs a day" unit="h"><NumberField v-model="form.hoursPerDay" name="hoursPerDay" /></Field>
    <Field v-for="entry in asked.words" :key="entry.trait" :where="`design.${entry.trait}`" :label="entry.says">
      <Pick
        :model-value="wordOf(entry.trait)"
        :name="entry.trait"
        placeholder="not noted"
        clearable
        :options="entry.options"
        @update:model-value="setTrait(entry.trait, $event)"
      />
    </Field>
    <Field v-for="entry in asked.yesNo" :key="entry.trait" :where="`design.${entry.trait}`" :label="entry.says">
      <Choice class="three" :model-value="saidOf(entry.trait)" :options="threeWays" @update:model-value="say(entry.trait, $event)" />
    </Field>
  </div>
</template>

<style scoped>
.three {
  gap: 0;
  flex-wrap: nowrap;
}
.three :deep(.el-radio-button:not(:first-child)) {
  margin-left: calc(-1 * var(--rule-width));
}
</style>
