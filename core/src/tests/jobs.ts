// Jobs that tests start from.
import type { JobFile, UnitJob } from '../plan/index.ts'
import { partsOf, type Family } from '../units/index.ts'

/** A wall head in which everything comes out, with nothing seen yet. */
export const openHead: UnitJob = {
  id: 'head',
  family: 'wall-head',
  design: {
    ratedCoolingKw: 3.5,
    ratedAirflowM3h: 600,
    ratedPowerW: 1000,
    aboveFloorM: 2.2,
    ceilingGapCm: 12,
    below: 'bed',
    finCoating: 'hydrophilic',
    refrigerantSafety: 'A2L',
    drain: 'gravity',
    filter: 'washable',
    fineFilter: false,
    coverScrews: 3,
    wheelRemovable: true,
    coilLiftable: true,
    panRemovable: true,
    quickAccessOutlet: false,
    boardRemovable: true,
    boardBlocksPan: false,
    roomSensor: false,
  },
  complaints: [],
  grades: {
    filter: { grade: 0 },
    coilFace: { grade: 0 },
    coilBack: { grade: 0 },
    wheel: { grade: 0 },
    pan: { grade: 0 },
    drainLine: { grade: 0 },
    outlet: { grade: 0 },
    housing: { grade: 0 },
  },
}

const clear = (family: Family): UnitJob['grades'] => Object.fromEntries(partsOf[family].map((part) => [part, { grade: 0 as const }]))
const common: UnitJob['design'] = {
  ratedCoolingKw: 3.5,
  below: 'clear',
  finCoating: 'none',
  refrigerantSafety: 'A1',
  coverScrews: 4,
  wheelRemovable: true,
  panRemovable: true,
  boardRemovable: true,
}
const oneBox: UnitJob['design'] = { ...common, weightKg: 30, removable: true, slideOut: true, foamAirGuide: true, storey: 1 }

/** A unit of each family in which everything comes out, with every part looked at and clear. */
export const openUnits: Record<Family, UnitJob> = {
  'wall-head': openHead,
  'ceiling-cassette': {
    id: 'cassette',
    family: 'ceiling-cassette',
    design: { ...common, ratedCoolingKw: 5, aboveFloorM: 2.7, drain: 'pump', ways: 4, drainPlug: true },
    complaints: [],
    grades: clear('ceiling-cassette'),
  },
  window: { id: 'window', family: 'window', design: oneBox, complaints: [], grades: clear('window') },
  'through-wall': {
    id: 'sleeve',
    family: 'through-wall',
    design: { ...oneBox, weightKg: 45, heaterKw: 3, hardWired: false, sleeveDrain: true },
    complaints: [],
    grades: clear('through-wall'),
  },
  'rv-rooftop': {
    id: 'roof',
    family: 'rv-rooftop',
    design: { ...common, iceProbe: true, wheelReachable: true, roof: 'membrane', ducted: false, batteryControl: true },
    complaints: [],
    grades: clear('rv-rooftop'),
  },
}

/** A job with one unit (of the named family), humid summer air, water and drain on site, two people of whom one is trained. */
export function jobWith(unit: Partial<UnitJob> = {}, rest: Partial<Omit<JobFile, 'site'>> & { site?: Partial<JobFile['site']> } = {}): JobFile {
  const { site, ...job } = rest
  const base = openUnits[unit.family ?? 'wall-head']
  return {
    format: 'yastik.job/1',
    crew: [{ name: 'Imre', trained: ['wheel-removal', 'electrics', 'roof'] }, { name: 'Sanna' }],
    ...job,
    site: {
      name: 'Test house',
      setting: 'home',
      outdoorAir: { dryBulbC: 31, relativeHumidity: 0.6 },
      waterOnSite: true,
      foulDrainOnSite: true,
      ...site,
    },
    units: [{ ...base, ...unit, design: { ...base.design, ...unit.design }, grades: { ...base.grades, ...unit.grades } }],
  }
}
