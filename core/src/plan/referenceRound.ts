// What does a school cost or save a firm? Two ordinary units of every family, planned by each school, summed.
import { knownHouseRules, schools, type HouseRules, type SchoolName } from '../method/index.ts'
import { builtInProducts, builtInVan, type Equipment, type Product } from '../products/index.ts'
import { round, type Grade } from '../quantities/index.ts'
import { families, partsOf, type Design, type Family, type Part } from '../units/index.ts'
import { planTotals } from './compare.ts'
import type { JobFile, UnitJob } from './jobFile.ts'
import { contextOf } from './planJob.ts'
import { planUnit } from './planUnit.ts'

/** Units of the round: everything comes out of them. */
const designs: Record<Family, Design> = {
  'wall-head': { ratedCoolingKw: 3.5, coilLiftable: true, ceilingGapCm: 15, aboveFloorM: 2.2 },
  'ceiling-cassette': { ratedCoolingKw: 5, drain: 'pump', drainPlug: true },
  window: { ratedCoolingKw: 2.6, weightKg: 32, removable: true, foamAirGuide: true, storey: 0 },
  'through-wall': { ratedCoolingKw: 2.6, weightKg: 42, removable: true, sleeveDrain: true, storey: 1, heaterKw: 3 },
  'rv-rooftop': { ratedCoolingKw: 3.4, iceProbe: true, wheelReachable: true, roof: 'membrane', batteryControl: true },
}
/** One of each family carries loose dust, the other a wheel that is filling up, and its drain runs slowly. */
const soiling: readonly Partial<Record<Part, Grade>>[] = [
  { filter: 2, coilFace: 2, coilBack: 1, wheel: 2, outlet: 1, condenserFace: 1 },
  { filter: 2, coilFace: 2, wheel: 3, pan: 1, drainLine: 2, outlet: 1, condenserFace: 2 },
]

const unitsOf = (family: Family): UnitJob[] =>
  soiling.map((grades, index) => ({
    id: `${family}-${index}`,
    family,
    design: {
      ...designs[family],
      below: 'clear',
      finCoating: 'none',
      refrigerantSafety: 'A1',
      coverScrews: 4,
      wheelRemovable: true,
      panRemovable: true,
      boardRemovable: true,
    },
    complaints: [],
    grades: Object.fromEntries(partsOf[family].map((part) => [part, { grade: grades[part] ?? 0, kinds: ['dust' as const] }])),
  }))

export interface Consequence {
  readonly value: string
  /** Minutes of one person with waits, work and product in the firm's money, litres of water, soiled parts not reached. */
  readonly minutes: number
  readonly money: number
  readonly waterL: number
  readonly notReached: number
}

/** What each value of a school makes of the round, with the firm's other rules, products and van. Pure. */
export function consequencesOf(
  school: SchoolName,
  rules: HouseRules,
  products: readonly Product[] = builtInProducts,
  equipment: readonly Equipment[] = builtInVan,
): Consequence[] {
  return schools[school].map((value) => {
    const job: JobFile = {
      format: 'yastik.job/1',
      site: {
        name: 'round',
        setting: 'home',
        outdoorAir: { dryBulbC: 30, relativeHumidity: 0.6, windMs: 2 },
        waterOnSite: true,
        foulDrainOnSite: true,
      },
      crew: [{ name: 'first', trained: ['wheel-removal', 'electrics', 'roof'] }, { name: 'second' }],
      units: families.flatMap(unitsOf),
      houseRules: { ...rules, [school]: value },
      products: [...products],
      equipment: [...equipment],
    }
    const context = contextOf(job)
    const plans = job.units.map((unit) => planUnit(unit, context))
    const totals = plans.map((plan) => planTotals(plan, knownHouseRules(job.houseRules)))
    const sum = (of: (entry: (typeof totals)[number]) => number) => totals.reduce((all, entry) => all + of(entry), 0)
    return {
      value,
      minutes: round(sum(({ minutes }) => minutes)),
      money: round(
        sum(({ money }) => money),
        2,
      ),
      waterL: round(sum(({ waterL }) => waterL)),
      notReached: plans.reduce((all, { plan }) => all + plan.notReached.length, 0),
    }
  })
}
