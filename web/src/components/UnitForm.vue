<script setup lang="ts">
// Traits of a unit as a person notes them; what is not noted stays open and gets a stated, cautious default.
import { isSiUnit } from '@yastik/core/quantities'
import { traitsOf, type Design, type Trait } from '@yastik/core/units'
import type { UnitForm } from '@yastik/core/wire'
import { computed } from 'vue'
import DayField from '../kit/DayField.vue'
import NumberField from '../kit/NumberField.vue'
import { useMeasures } from '../measures/useMeasures.ts'
import Field from '../kit/Field.vue'
import Pick from '../kit/Pick.vue'
import TextField from '../kit/TextField.vue'
import Choice from '../kit/Choice.vue'
import { t } from '../words/words.ts'

const form = defineModel<UnitForm>({ required: true })

interface Asked {
  readonly trait: Trait
  readonly says: string
}
const numbers: readonly (Asked & { unit: string })[] = [
  { trait: 'ratedCoolingKw', says: t('screen.sites.rated-cooling'), unit: 'kW' },
  { trait: 'ratedAirflowM3h', says: t('screen.sites.rated-airflow'), unit: 'm³/h' },
  { trait: 'ratedPowerW', says: t('screen.sites.rated-power'), unit: 'W' },
  { trait: 'volts', says: t('screen.sites.voltage'), unit: 'V' },
  { trait: 'nameplateAmps', says: t('screen.sites.nameplate-current'), unit: 'A' },
  { trait: 'aboveFloorM', says: t('screen.sites.height-above-floor'), unit: 'm' },
  { trait: 'ceilingGapCm', says: t('screen.sites.gap-ceiling'), unit: 'cm' },
  { trait: 'coverScrews', says: t('screen.sites.cover-screws'), unit: '' },
  { trait: 'weightKg', says: t('screen.sites.weight'), unit: 'kg' },
  { trait: 'storey', says: t('screen.sites.storey-ground-0'), unit: '' },
  { trait: 'heaterKw', says: t('screen.sites.electric-heater'), unit: 'kW' },
]
const yesNo: readonly Asked[] = [
  { trait: 'wheelRemovable', says: t('screen.sites.wheel-comes-out') },
  { trait: 'coilLiftable', says: t('screen.sites.coil-may-lifted-little') },
  { trait: 'panRemovable', says: t('screen.sites.pan-comes-off') },
  { trait: 'quickAccessOutlet', says: t('screen.sites.wheel-reached-through-outlet') },
  { trait: 'boardRemovable', says: t('screen.sites.electronics-box-comes-off') },
  { trait: 'boardBlocksPan', says: t('screen.sites.electronics-box-blocks-pan') },
  { trait: 'roomSensor', says: t('screen.sites.room-sensor') },
  { trait: 'fineFilter', says: t('screen.sites.fine-filter') },
  { trait: 'drainPlug', says: t('screen.sites.drain-plug-pan') },
  { trait: 'removable', says: t('screen.sites.can-taken-out-safely') },
  { trait: 'slideOut', says: t('screen.sites.slides-out-cabinet-sleeve') },
  { trait: 'foamAirGuide', says: t('screen.sites.foam-air-guide-over-blower') },
  { trait: 'hardWired', says: t('screen.sites.wired-no-plug') },
  { trait: 'sleeveDrain', says: t('screen.sites.sleeve-own-drain') },
  { trait: 'iceProbe', says: t('screen.sites.ice-guard-probe') },
  { trait: 'wheelReachable', says: t('screen.sites.wheel-reached-lid-off') },
  { trait: 'ducted', says: t('screen.sites.feeds-ducts') },
  { trait: 'batteryControl', says: t('screen.sites.controls-12-v-battery') },
  { trait: 'heatsOnly', says: t('screen.sites.only-heats') },
]
const words: readonly (Asked & { options: readonly { value: string | number; says: string }[] })[] = [
  { trait: 'below', says: t('screen.sites.stands-below'), options: named('clear', 'bed', 'desk', 'worktop', 'electronics', 'patient-chair') },
  { trait: 'finCoating', says: t('screen.sites.fin-coating'), options: named('none', 'hydrophilic', 'epoxy') },
  { trait: 'refrigerantSafety', says: t('screen.sites.refrigerant-safety-class'), options: named('A1', 'A2L', 'A3') },
  { trait: 'filter', says: t('screen.sites.filter'), options: named('washable', 'disposable') },
  { trait: 'drain', says: t('screen.sites.drain'), options: named('gravity', 'pump') },
  { trait: 'ways', says: t('screen.sites.outlets'), options: [1, 2, 4].map((value) => ({ value, says: String(value) })) },
  { trait: 'roof', says: t('screen.sites.roof'), options: named('membrane', 'fibreglass', 'metal') },
]
type Choosable =
  | 'clear'
  | 'bed'
  | 'desk'
  | 'worktop'
  | 'electronics'
  | 'patient-chair'
  | 'none'
  | 'hydrophilic'
  | 'epoxy'
  | 'A1'
  | 'A2L'
  | 'A3'
  | 'washable'
  | 'disposable'
  | 'gravity'
  | 'pump'
  | 'membrane'
  | 'fibreglass'
  | 'metal'
function named(...options: Choosable[]) {
  return options.map((value) => ({ value, says: t(`screen.sites.trait.${value}`) }))
}

/** What stands on the nameplate, for whoever orders a part. */
const plate = [
  { name: 'maker', says: t('screen.sites.maker') },
  { name: 'model', says: t('screen.sites.model') },
  { name: 'serialNumber', says: t('screen.sites.serial-number') },
  { name: 'supply', says: t('screen.sites.supply') },
  { name: 'outdoorUnit', says: t('screen.sites.outdoor-unit') },
] as const
const has = ({ trait }: Asked) => traitsOf[form.value.family].includes(trait)
const asked = computed(() => ({ numbers: numbers.filter(has), words: words.filter(has), yesNo: yesNo.filter(has) }))
const wordOf = (trait: Trait) => (form.value.design[trait] ?? '') as string | number
const valueOf = <T extends Design[Trait]>(trait: Trait) => form.value.design[trait] as T | undefined

const threeWays = [
  { value: 'yes', says: t('screen.sites.yes') },
  { value: 'no', says: t('screen.sites.no') },
  { value: 'open', says: t('screen.sites.not-noted') },
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
    <Field where="othersCleanedOn" :label="t('screen.sites.others-cleaned-on')"
      ><DayField
        name="othersCleanedOn"
        clearable
        :model-value="form.othersCleanedOn"
        @update:model-value="form.othersCleanedOn = $event || undefined"
    /></Field>
    <Field where="hoursPerDay" :label="t('screen.sites.runs-day')" unit="h"><NumberField v-model="form.hoursPerDay" name="hoursPerDay" /></Field>
    <Field v-for="entry in asked.words" :key="entry.trait" :where="`design.${entry.trait}`" :label="entry.says">
      <Pick
        :model-value="wordOf(entry.trait)"
        :name="entry.trait"
        :placeholder="t('screen.sites.not-noted')"
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
