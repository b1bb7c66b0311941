// Which jobs may come? Seeded job files over everything that the format allows, from the format's own words and not from what the rules like.
import { complaints, extents, findings, soilKinds } from '../../lookover/index.ts'
import { choicesOf, schools } from '../../method/index.ts'
import { settings, type JobFile, type UnitJob } from '../../plan/index.ts'
import { builtInProducts, builtInVan, equipmentKinds, type Equipment, type Product } from '../../products/index.ts'
import { allGrades, seeded } from '../../quantities/index.ts'
import { families, partsOf, traitsOf, type Family, type Trait } from '../../units/index.ts'
import { surroundings } from '../../upkeep/index.ts'
import { skills } from '../../procedure/index.ts'

/** What a seed decides: every draw comes from here, so that the same seed makes the same job. */
class Dice {
  constructor(private readonly random: () => number) {}
  chance(share: number): boolean {
    return this.random() < share
  }
  between(least: number, most: number, digits = 0): number {
    const factor = 10 ** digits
    return Math.round((least + this.random() * (most - least)) * factor) / factor
  }
  one<T>(list: readonly T[]): T {
    return list[Math.min(list.length - 1, Math.floor(this.random() * list.length))]
  }
  some<T>(list: readonly T[], most: number): T[] {
    const left = [...list]
    return Array.from({ length: this.between(0, most) }, () => left.splice(Math.floor(this.random() * left.length), 1)).flat()
  }
  maybe<T>(share: number, make: () => T): T | undefined {
    return this.chance(share) ? make() : undefined
  }
}

/** A value for each trait that has no plain yes or no. */
const traitValues: Partial<Record<Trait, (dice: Dice) => unknown>> = {
  ratedCoolingKw: (dice) => dice.between(1.5, 14, 1),
  ratedAirflowM3h: (dice) => dice.between(250, 2000),
  ratedPowerW: (dice) => dice.between(400, 4000),
  nameplateAmps: (dice) => dice.between(2, 20, 1),
  volts: (dice) => dice.one([115, 208, 230, 265]),
  aboveFloorM: (dice) => dice.between(0.2, 4, 1),
  ceilingGapCm: (dice) => dice.between(0, 40),
  below: (dice) => dice.one(['clear', 'bed', 'desk', 'worktop', 'electronics', 'patient-chair']),
  finCoating: (dice) => dice.one(['none', 'hydrophilic', 'epoxy']),
  refrigerantSafety: (dice) => dice.one(['A1', 'A2L', 'A3']),
  drain: (dice) => dice.one(['gravity', 'pump']),
  filter: (dice) => dice.one(['washable', 'disposable']),
  coverScrews: (dice) => dice.between(0, 12),
  ways: (dice) => dice.one([1, 2, 4]),
  weightKg: (dice) => dice.between(12, 90),
  storey: (dice) => dice.between(0, 4),
  heaterKw: (dice) => dice.between(0, 5, 1),
  roof: (dice) => dice.one(['membrane', 'fibreglass', 'metal']),
}
/** Both or neither: slants without a width do not hold up. */
const faceTraits: readonly Trait[] = ['faceWidthMm', 'faceSlantMm']

function designOf(family: Family, dice: Dice): UnitJob['design'] {
  const noted = dice.one([0, 0.4, 0.8, 1])
  const design: Record<string, unknown> = {}
  for (const trait of traitsOf[family]) {
    if (faceTraits.includes(trait) || !dice.chance(noted)) continue
    // A unit that only heats is rare.
    if (trait === 'heatsOnly' && !dice.chance(0.1)) continue
    design[trait] = traitValues[trait]?.(dice) ?? dice.chance(0.5)
  }
  if (dice.chance(0.15)) Object.assign(design, { faceWidthMm: dice.between(300, 1200), faceSlantMm: [dice.between(100, 400), dice.between(80, 300)] })
  // What contradicts itself holds up in no file.
  if (design.slideOut === true && design.removable === false) delete design.slideOut
  return design as UnitJob['design']
}

function gradesOf(family: Family, dice: Dice): UnitJob['grades'] {
  const graded = dice.one([0, 0.4, 0.8, 1, 1])
  const worst = dice.one([0, 1, 2, 3, 4, 4])
  return Object.fromEntries(
    partsOf[family]
      .filter(() => dice.chance(graded))
      .map((part) => {
        const kinds = dice.maybe(0.6, () => dice.some(soilKinds, 3))
        return [part, { grade: allGrades[dice.between(0, worst)], ...(kinds && kinds.length > 0 ? { kinds } : {}) }]
      }),
  )
}

function readingsOf(dice: Dice): UnitJob['readings'] {
  const returnC = dice.between(18, 35, 1)
  return {
    returnC,
    returnRh: dice.between(0.2, 0.9, 2),
    supplyC: dice.between(returnC - 18, returnC + 2, 1),
    supplyRh: dice.maybe(0.7, () => dice.between(0.3, 1, 2)),
    airflowM3h: dice.maybe(0.7, () => dice.between(60, 900)),
    amps: dice.maybe(0.4, () => dice.between(0, 15, 1)),
    flowTest: dice.maybe(0.4, () => ({ litres: 1, seconds: dice.one([20, 45, 90, 240, 900]) })),
    levelMmPerM: dice.maybe(0.4, () => dice.between(-4, 8, 1)),
  }
}

/** Most units carry few findings: most findings end the work, and little would be left to look at. */
function findingsOf(dice: Dice): Pick<UnitJob, 'findings' | 'findingExtent'> {
  const found = dice.some(findings, dice.one([0, 0, 0, 1, 1, 2, 4]))
  if (found.length === 0) return {}
  const extent = Object.fromEntries(found.filter(() => dice.chance(0.6)).map((finding) => [finding, dice.one(extents)]))
  return { findings: found, ...(Object.keys(extent).length > 0 ? { findingExtent: extent } : {}) }
}

function unitOf(index: number, dice: Dice): UnitJob {
  const family = dice.one(families)
  const said = dice.some(
    complaints.filter((complaint) => complaint !== 'none'),
    dice.one([0, 0, 1, 1, 2, 3]),
  )
  const choices = dice.chance(0.08) ? { [dice.one(Object.keys(choicesOf) as (keyof typeof choicesOf)[])]: undefined } : undefined
  const topic = choices && (Object.keys(choices)[0] as keyof typeof choicesOf)
  return {
    id: `u${index}`,
    family,
    design: designOf(family, dice),
    complaints: said.length === 0 && dice.chance(0.3) ? ['none'] : said,
    grades: gradesOf(family, dice),
    ...findingsOf(dice),
    readings: dice.maybe(0.3, () => readingsOf(dice)),
    monthsSinceClean: dice.maybe(0.3, () => dice.between(0, 60)),
    hoursPerDay: dice.maybe(0.6, () => dice.between(1, 24)),
    ...(topic ? { choices: { [topic]: dice.one(choicesOf[topic]) } } : {}),
    extras: dice.maybe(0.1, () => ['outdoor-unit' as const]),
  }
}

/** Products whose labels rule them out: strong, or for outdoors, or not for fins, sold under any class. */
function harmfulProducts(dice: Dice): Product[] {
  return builtInProducts.map((product) => ({
    ...product,
    label: {
      ...product.label,
      pH: dice.one([[11.5, 13] as const, [2, 3.5] as const, [6.5, 8] as const]).map(Number) as [number, number],
      ...(dice.chance(0.4) ? { indoorSafe: false } : {}),
      ...(dice.chance(0.3) ? { aluminiumSafe: false } : {}),
    },
  }))
}
function oddProducts(dice: Dice): Product[] {
  return dice.some(builtInProducts, 8).map((product) => ({
    ...product,
    ...(dice.chance(0.3) ? { inStockLitres: dice.one([0, 0.02, 0.1, 1]) } : {}),
    label: {
      ...product.label,
      ...(dice.chance(0.3)
        ? {
            dilution: dice.one([
              [60, 120],
              [0, 0],
              [3.5, 7.5],
              [120, 120],
              [9.3, 9.3],
            ]) as [number, number],
          }
        : {}),
      ...(dice.chance(0.2) ? { fragranced: true } : {}),
      ...(dice.chance(0.2) ? { lifeWeeks: undefined } : {}),
      ...(dice.chance(0.2) ? { dwellMin: undefined } : {}),
    },
  }))
}

function vanOf(dice: Dice): Equipment[] | undefined {
  const full = dice.one([1, 1, 0.85, 0.5, 0.1])
  if (full === 1 && dice.chance(0.5)) return undefined
  const van = builtInVan.filter(() => dice.chance(full)).map((entry) => ({ ...entry, ...(dice.chance(0.2) ? { count: dice.between(0, 3) } : {}) }))
  const airLine = dice.maybe(0.2, () => ({ id: 'air', kind: 'air-line' as const, count: 1 }))
  return [...van.filter(({ kind }) => equipmentKinds.includes(kind)), ...(airLine ? [airLine] : [])]
}

const names = ['Asa', 'Bo', 'Cleo', 'Dov']
function crewOf(dice: Dice): JobFile['crew'] {
  return names.slice(0, dice.one([1, 2, 2, 3, 4])).map((name) => ({
    name,
    liftKg: dice.maybe(0.5, () => dice.one([5, 8, 15, 23, 30, 60])),
    trained: dice.maybe(0.8, () => (dice.chance(0.4) ? [...skills] : dice.some(skills, 3))),
  }))
}

function houseRulesOf(dice: Dice): JobFile['houseRules'] {
  const rules: Record<string, unknown> = {}
  for (const [school, values] of Object.entries(schools)) if (dice.chance(0.5)) rules[school] = dice.one(values as readonly string[])
  if (dice.chance(0.2)) rules.liftLimitKg = dice.one([10, 18, 23, 40])
  if (dice.chance(0.2)) rules.roofWindLimitMs = dice.one([4, 8, 12])
  if (dice.chance(0.3))
    Object.assign(rules, { hourlyRate: dice.between(20, 120), minimumCharge: dice.between(0, 200), travelCharge: dice.between(0, 60) })
  return rules as JobFile['houseRules']
}

/** Without what is undefined, as a job that was read from a file. */
const plain = <T>(value: T): T => JSON.parse(JSON.stringify(value)) as T

/** The job of a seed. */
/** What hangs together: drawn apart, so that everything else of a seed stays what it was. */
function wired(units: UnitJob[], seed: number): UnitJob[] {
  const dice = new Dice(seeded(seed + 31))
  return units.map((unit) => ({
    ...unit,
    supply: dice.maybe(0.5, () => dice.one(['breaker 4', 'breaker 7'])),
    outdoorUnit: dice.maybe(0.3, () => dice.one(['yard', 'balcony'])),
  }))
}

export function jobOf(seed: number): JobFile {
  const dice = new Dice(seeded(seed))
  const air = dice.maybe(0.8, () => ({
    dryBulbC: dice.between(-8, 42, 1),
    relativeHumidity: dice.between(0.1, 1, 2),
    windMs: dice.maybe(0.6, () => dice.between(0, 14, 1)),
    rainMmH: dice.maybe(0.4, () => dice.one([0, 0, 0.05, 1.4, 8])),
  }))
  const products = dice.one(['usual', 'usual', 'usual', 'odd', 'harmful', 'none'])
  return plain({
    format: 'yastik.job/1',
    site: {
      name: 'Made-up place',
      setting: dice.one(settings),
      surroundings: dice.maybe(0.5, () => dice.some(surroundings, 3)),
      altitudeM: dice.maybe(0.3, () => dice.between(0, 2500)),
      outdoorAir: air,
      waterOnSite: dice.chance(0.75),
      foulDrainOnSite: dice.chance(0.8),
      sensitiveOccupants: dice.maybe(0.4, () => dice.chance(0.5)),
      electricityPricePerKwh: dice.maybe(0.4, () => dice.between(0.1, 0.6, 2)),
      carriedWaterL: dice.maybe(0.3, () => dice.one([0, 2, 10, 40])),
    },
    crew: crewOf(dice),
    units: wired(
      Array.from({ length: dice.one([1, 1, 1, 1, 1, 1, 2, 3]) }, (_, index) => unitOf(index, dice)),
      seed,
    ),
    houseRules: dice.maybe(0.8, () => houseRulesOf(dice)),
    products: products === 'odd' ? oddProducts(dice) : products === 'harmful' ? harmfulProducts(dice) : products === 'none' ? [] : undefined,
    equipment: vanOf(dice),
  })
}
