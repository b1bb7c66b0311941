// How long do ordinary visits take, as trained people with ordinary access take them? Each with its unit, its people, and the minutes that are right.
import type { JobFile, UnitJob } from '../plan/index.ts'
import type { Grade } from '../quantities/index.ts'
import type { Part } from '../units/index.ts'

type Crew = JobFile['crew']
const everything = ['wheel-removal', 'electrics', 'roof'] as const
const one: Crew = [{ name: 'Ilke', trained: [...everything] }]
const two: Crew = [...one, { name: 'Odo', trained: [...everything] }]

export interface ReferenceVisit {
  readonly name: string
  readonly crew: Crew
  readonly units: readonly Omit<UnitJob, 'id'>[]
  /** What its first unit has to be decided as, so that it is this visit at all. */
  readonly scope: string
  /** From least to most, minutes: hands of all people together, and from the door to the van. */
  readonly hands: readonly [number, number]
  readonly onSite: readonly [number, number]
  /** What it adds to another visit: to the same with one unit less, where nothing else is said. */
  readonly adds?: { readonly to?: ReferenceVisit['units']; readonly hands: readonly [number, number]; readonly onSite: readonly [number, number] }
}

const graded = (grades: Partial<Record<Part, Grade>>): UnitJob['grades'] =>
  Object.fromEntries(Object.entries(grades).map(([part, grade]) => [part, { grade }]))
const unit = (family: UnitJob['family'], design: UnitJob['design'], grades: Partial<Record<Part, Grade>>, rest: Partial<UnitJob> = {}) => ({
  family,
  design,
  complaints: [],
  grades: graded(grades),
  ...rest,
})

const head: UnitJob['design'] = { ratedCoolingKw: 3.5, wheelRemovable: true, panRemovable: true, coilLiftable: true, below: 'clear' }
const clear = { coilBack: 0, wheel: 0, pan: 0, drainLine: 0, outlet: 0, housing: 0 } as const
const filtersAlone = unit('wall-head', head, { ...clear, filter: 2, coilFace: 0 })
const lightHead = unit('wall-head', head, { ...clear, filter: 2, coilFace: 1 })
const heavyHead = unit('wall-head', head, { filter: 2, coilFace: 2, coilBack: 2, wheel: 3, pan: 2, drainLine: 0, outlet: 2, housing: 1 })
const openHead = unit(
  'wall-head',
  { ...head, wheelRemovable: false, panRemovable: false },
  { filter: 2, coilFace: 2, coilBack: 1, wheel: 2, pan: 1, drainLine: 0, outlet: 1, housing: 0 },
)
const lightCassette = unit('ceiling-cassette', { below: 'clear' }, { ...clear, filter: 2, coilFace: 1, coilBack: 1 })
const soiledCassette = unit(
  'ceiling-cassette',
  { below: 'clear' },
  { filter: 2, coilFace: 2, coilBack: 2, wheel: 3, pan: 2, drainLine: 1, outlet: 1, housing: 1 },
)
const oneBox = { filter: 1, coilFace: 1, coilBack: 1, wheel: 0, pan: 0, condenserFace: 1, basePan: 0, housing: 0, outlet: 0 } as const
const dirtyBox = {
  filter: 2,
  coilFace: 2,
  coilBack: 2,
  wheel: 2,
  condenserFace: 2,
  condenserInside: 2,
  basePan: 2,
  rearFan: 1,
  outlet: 1,
  housing: 1,
} as const
const lightWindow = unit('window', { weightKg: 30, removable: false, below: 'clear' }, oneBox)
const benchWindow = unit('window', { weightKg: 20, removable: true, below: 'clear' }, dirtyBox)
const slide = { weightKg: 40, removable: true, slideOut: true, heaterKw: 2, below: 'clear' } as const
const lightSlideOut = unit('through-wall', slide, oneBox)
const slidOut = unit('through-wall', slide, {
  filter: 2,
  coilFace: 2,
  coilBack: 2,
  wheel: 1,
  condenserFace: 2,
  condenserInside: 1,
  basePan: 1,
  rearFan: 0,
  outlet: 1,
  housing: 1,
})
const roof = { filter: 1, coilFace: 1, coilBack: 1, wheel: 0, pan: 0, condenserFace: 1, housing: 0, outlet: 0 } as const
const lightRoof = unit('rv-rooftop', { below: 'clear' }, roof)
const neglectedRoof = unit(
  'rv-rooftop',
  { wheelReachable: true, wheelRemovable: true, below: 'clear' },
  { filter: 3, coilFace: 3, coilBack: 2, wheel: 3, pan: 2, condenserFace: 3, housing: 2, outlet: 1 },
)

const combed = (one: Omit<UnitJob, 'id'>): Omit<UnitJob, 'id'> => ({ ...one, findings: ['bent-fins'] })

export const referenceVisits: readonly ReferenceVisit[] = [
  { name: 'filter service, one unit', crew: one, units: [filtersAlone], scope: 'filter-service', hands: [8, 15], onSite: [10, 20] },
  {
    name: 'filter service, a second unit',
    crew: one,
    units: [filtersAlone, filtersAlone],
    scope: 'filter-service',
    hands: [11, 23],
    onSite: [13, 29],
    adds: { hands: [3, 8], onSite: [3, 9] },
  },
  { name: 'wall head, light', crew: one, units: [lightHead], scope: 'clean-in-place', hands: [40, 55], onSite: [50, 70] },
  {
    name: 'a further light head',
    crew: one,
    units: [lightHead, lightHead],
    scope: 'clean-in-place',
    hands: [60, 85],
    onSite: [67, 105],
    adds: { hands: [20, 30], onSite: [20, 35] },
  },
  {
    name: 'four light heads',
    crew: one,
    units: [lightHead, lightHead, lightHead, lightHead],
    scope: 'clean-in-place',
    hands: [100, 145],
    onSite: [100, 160],
  },
  {
    name: 'wall head, cover off, wheel in place',
    crew: one,
    units: [openHead],
    scope: 'open-clean',
    hands: [75, 110],
    onSite: [90, 125],
  },
  { name: 'wall head, strip-down, alone', crew: one, units: [heavyHead], scope: 'strip-down', hands: [110, 150], onSite: [125, 170] },
  { name: 'wall head, strip-down, by two', crew: two, units: [heavyHead], scope: 'strip-down', hands: [120, 160], onSite: [75, 100] },
  { name: 'cassette, light', crew: one, units: [lightCassette], scope: 'clean-in-place', hands: [45, 60], onSite: [55, 75] },
  { name: 'cassette, washed, by two', crew: two, units: [soiledCassette], scope: 'strip-down', hands: [110, 200], onSite: [70, 120] },
  { name: 'window unit where it sits, light', crew: one, units: [lightWindow], scope: 'clean-in-place', hands: [25, 40], onSite: [40, 50] },
  { name: 'one-box unit on the bench', crew: one, units: [benchWindow], scope: 'bench-clean', hands: [80, 120], onSite: [95, 130] },
  {
    name: 'slide-out wall unit, light, each of several',
    crew: one,
    units: [lightSlideOut, lightSlideOut, lightSlideOut],
    scope: 'clean-in-place',
    hands: [70, 100],
    onSite: [80, 120],
    adds: { hands: [20, 30], onSite: [20, 35] },
  },
  { name: 'slide-out wall unit, slid out and washed, by two', crew: two, units: [slidOut], scope: 'bench-clean', hands: [70, 100], onSite: [50, 65] },
  {
    name: 'fins of a coil behind its cover combed',
    crew: one,
    units: [combed(openHead)],
    scope: 'open-clean',
    hands: [85, 130],
    onSite: [100, 145],
    adds: { to: [openHead], hands: [10, 20], onSite: [10, 20] },
  },
  {
    name: 'fins of an unprotected condenser combed',
    crew: one,
    units: [combed(lightRoof)],
    scope: 'open-clean',
    hands: [75, 125],
    onSite: [95, 145],
    adds: { to: [lightRoof], hands: [30, 60], onSite: [30, 60] },
  },
  { name: 'roof unit, light', crew: one, units: [lightRoof], scope: 'open-clean', hands: [45, 65], onSite: [65, 85] },
  {
    name: 'a second roof unit on the same roof',
    crew: one,
    units: [lightRoof, lightRoof],
    scope: 'open-clean',
    hands: [85, 115],
    onSite: [85, 135],
    adds: { hands: [25, 45], onSite: [20, 45] },
  },
  { name: 'roof unit, neglected', crew: one, units: [neglectedRoof], scope: 'strip-down', hands: [110, 140], onSite: [130, 155] },
]

export const visitJob = ({ crew, units }: Pick<ReferenceVisit, 'crew' | 'units'>): JobFile => ({
  format: 'yastik.job/1',
  site: {
    name: 'Row 12',
    setting: 'home',
    waterOnSite: true,
    foulDrainOnSite: true,
    outdoorAir: { dryBulbC: 30, relativeHumidity: 0.6, windMs: 2 },
  },
  crew,
  units: units.map((entry, index) => ({ id: `unit-${index + 1}`, ...entry })),
})
