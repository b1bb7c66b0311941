// Which traits does a unit of each family have?
import type { Trait } from './design.ts'
import type { Family } from './family.ts'

/** Traits that a unit of any family has. */
const everyFamily = [
  'ratedCoolingKw',
  'ratedAirflowM3h',
  'ratedPowerW',
  'nameplateAmps',
  'volts',
  'faceWidthMm',
  'faceSlantMm',
  'aboveFloorM',
  'below',
  'finCoating',
  'refrigerantSafety',
  'filter',
  'fineFilter',
  'coverScrews',
  'wheelRemovable',
  'panRemovable',
  'boardRemovable',
  'heatsOnly',
] as const satisfies readonly Trait[]
const drained = ['drain', 'boardBlocksPan'] as const satisfies readonly Trait[]
const carried = ['weightKg', 'removable', 'slideOut', 'foamAirGuide', 'storey'] as const satisfies readonly Trait[]

/** In the order in which a person notes them. A trait of another family says nothing about a unit and is set aside. */
export const traitsOf: Record<Family, readonly Trait[]> = {
  'wall-head': [...everyFamily, ...drained, 'ceilingGapCm', 'coilLiftable', 'quickAccessOutlet', 'roomSensor'],
  'ceiling-cassette': [...everyFamily, ...drained, 'ways', 'drainPlug'],
  window: [...everyFamily, ...carried],
  'through-wall': [...everyFamily, ...carried, 'heaterKw', 'hardWired', 'sleeveDrain'],
  'rv-rooftop': [...everyFamily, 'iceProbe', 'wheelReachable', 'roof', 'ducted', 'batteryControl'],
}
