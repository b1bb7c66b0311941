<script setup lang="ts">
// Traits of a unit as a person notes them; what is not noted stays open and gets a stated, cautious default.
import { traitsOf, type Design, type Trait } from '@yastik/core/units'
import type { UnitForm } from '@yastik/core/wire'
import { ElOption, ElSelect } from 'element-plus/es/components/select/index'
import 'element-plus/theme-chalk/el-option.css'
import 'element-plus/theme-chalk/el-popper.css'
import 'element-plus/theme-chalk/el-scrollbar.css'
import 'element-plus/theme-chalk/el-select.css'
import 'element-plus/theme-chalk/el-tag.css'
import { computed } from 'vue'
import NumberField from './NumberField.vue'
import { isSiUnit } from '../measures/measures.ts'
import { useMeasures } from '../measures/useMeasures.ts'

const form = defineModel<UnitForm>({ required: true })

interface Asked {
  readonly trait: Trait
  readonly says: string
}
const numbers: readonly (Asked & { unit: string })[] = [
  { trait: 'ratedCoolingKw', says: 'Rated cooling', unit: 'kW' },
  { trait: 'ratedAirflowM3h', says: 'Rated airflow', unit: 'm³/h' },
  { trait: 'ratedPowerW', says: 'Rated power', unit: 'W' },
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

const has = ({ trait }: Asked) => traitsOf[form.value.family].includes(trait)
const asked = computed(() => ({ numbers: numbers.filter(has), words: words.filter(has), yesNo: yesNo.filter(has) }))
const wordOf = (trait: Trait) => (form.value.design[trait] ?? '') as string | number
const valueOf = <T extends Design[Trait]>(trait: Trait) => form.value.design[trait] as T | undefined

const { unit } = useMeasures()
const setTrait = (trait: string, value: unknown) =>
  (form.value = { ...form.value, design: { ...form.value.design, [trait]: value === '' ? undefined : value } })
</script>

<template>
  <div class="unit-form">
    <slot />
    <label v-for="entry in asked.numbers" :key="entry.trait" class="field"
      ><span>{{ entry.says }}{{ entry.unit ? `, ${unit(entry.unit)}` : '' }}</span
      ><NumberField
        :si="entry.unit && isSiUnit(entry.unit) ? entry.unit : undefined"
        :name="entry.trait"
        :model-value="valueOf<number>(entry.trait)"
        @update:model-value="setTrait(entry.trait, $event)"
    /></label>
    <label class="field"><span>Runs a day, h</span><NumberField v-model="form.hoursPerDay" name="hoursPerDay" /></label>
    <label v-for="entry in asked.words" :key="entry.trait" class="field"
      ><span>{{ entry.says }}</span>
      <ElSelect :model-value="wordOf(entry.trait)" :name="entry.trait" placeholder="not noted" clearable @change="setTrait(entry.trait, $event)"
        ><ElOption v-for="option in entry.options" :key="option.value" :value="option.value" :label="option.says"
      /></ElSelect>
    </label>
    <div v-for="entry in asked.yesNo" :key="entry.trait" class="field" role="radiogroup" :aria-label="entry.says">
      <span>{{ entry.says }}</span>
      <div class="three">
        <button
          v-for="[value, says] in [
            [true, 'yes'],
            [false, 'no'],
            [undefined, 'not noted'],
          ] as const"
          :key="says"
          type="button"
          class="tap"
          role="radio"
          :aria-checked="valueOf(entry.trait) === value"
          @click="setTrait(entry.trait, value)"
        >
          {{ says }}
        </button>
      </div>
    </div>
  </div>
</template>

<style scoped>
.unit-form {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(15rem, 1fr));
  gap: 0.8rem 1.2rem;
}
.three {
  display: grid;
  grid-template-columns: 1fr 1fr 1.4fr;
}
.three .tap {
  margin-left: calc(-1 * var(--rule-width));
  padding: 0.2rem;
}
</style>
