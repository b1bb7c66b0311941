<script setup lang="ts">
// Traits of a unit as a person notes them; what is not noted stays open and gets a stated, cautious default.
import type { Design, UnitForm } from '@yastik/core'
import { ElInput } from 'element-plus/es/components/input/index'
import { ElOption, ElSelect } from 'element-plus/es/components/select/index'
import 'element-plus/theme-chalk/el-input.css'
import 'element-plus/theme-chalk/el-option.css'
import 'element-plus/theme-chalk/el-popper.css'
import 'element-plus/theme-chalk/el-scrollbar.css'
import 'element-plus/theme-chalk/el-select.css'
import 'element-plus/theme-chalk/el-tag.css'
import NumberField from './NumberField.vue'

const form = defineModel<UnitForm>({ required: true })

const numbers: {
  trait: keyof Design & ('ratedCoolingKw' | 'ratedAirflowM3h' | 'nameplateAmps' | 'aboveFloorM' | 'ceilingGapCm' | 'coverScrews' | 'faceWidthMm')
  says: string
  unit: string
}[] = [
  { trait: 'ratedCoolingKw', says: 'Rated cooling', unit: 'kW' },
  { trait: 'ratedAirflowM3h', says: 'Rated airflow', unit: 'm³/h' },
  { trait: 'nameplateAmps', says: 'Nameplate current', unit: 'A' },
  { trait: 'aboveFloorM', says: 'Height above the floor', unit: 'm' },
  { trait: 'ceilingGapCm', says: 'Gap to the ceiling', unit: 'cm' },
  { trait: 'coverScrews', says: 'Cover screws', unit: '' },
]
const yesNo: {
  trait: 'wheelRemovable' | 'coilLiftable' | 'panRemovable' | 'quickAccessOutlet' | 'boardRemovable' | 'boardBlocksPan' | 'roomSensor' | 'fineFilter'
  says: string
}[] = [
  { trait: 'wheelRemovable', says: 'Wheel comes out' },
  { trait: 'coilLiftable', says: 'Coil may be lifted a little' },
  { trait: 'panRemovable', says: 'Pan comes off' },
  { trait: 'quickAccessOutlet', says: 'Wheel reached through the outlet' },
  { trait: 'boardRemovable', says: 'Electronics box comes off' },
  { trait: 'boardBlocksPan', says: 'Electronics box blocks the pan' },
  { trait: 'roomSensor', says: 'Room sensor' },
  { trait: 'fineFilter', says: 'Fine filter' },
]
const words = {
  below: { says: 'What stands below', options: ['clear', 'bed', 'desk', 'worktop', 'electronics', 'patient-chair'] },
  finCoating: { says: 'Fin coating', options: ['none', 'hydrophilic', 'epoxy'] },
  refrigerantSafety: { says: 'Refrigerant safety class', options: ['A1', 'A2L', 'A3'] },
  filter: { says: 'Filter', options: ['washable', 'disposable'] },
} as const

const setTrait = (trait: string, value: unknown) =>
  (form.value = { ...form.value, design: { ...form.value.design, [trait]: value === '' ? undefined : value } })
</script>

<template>
  <div class="unit-form">
    <label class="field wide"><span>Name of the unit, as people on site call it</span><ElInput v-model="form.name" name="unit-name" /></label>
    <label v-for="entry in numbers" :key="entry.trait" class="field"
      ><span>{{ entry.says }}{{ entry.unit ? `, ${entry.unit}` : '' }}</span
      ><NumberField :name="entry.trait" :model-value="form.design[entry.trait]" @update:model-value="setTrait(entry.trait, $event)"
    /></label>
    <label class="field"><span>Runs a day, h</span><NumberField v-model="form.hoursPerDay" name="hoursPerDay" /></label>
    <label v-for="(entry, trait) in words" :key="trait" class="field"
      ><span>{{ entry.says }}</span>
      <ElSelect :model-value="form.design[trait] ?? ''" :name="trait" placeholder="not noted" clearable @change="setTrait(trait, $event)"
        ><ElOption v-for="option in entry.options" :key="option" :value="option" :label="option.replaceAll('-', ' ')"
      /></ElSelect>
    </label>
    <div v-for="entry in yesNo" :key="entry.trait" class="field" role="radiogroup" :aria-label="entry.says">
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
          :aria-checked="form.design[entry.trait] === value"
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
.wide {
  grid-column: 1 / -1;
  max-width: 32rem;
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
