// What do the rules look at?
import { coilAt, coolingSeasonFromC, indoorAirFrom } from '../air/index.ts'
import { gradeOf, worstOf, type LookOver } from '../lookover/index.ts'
import {
  findEquipment,
  pickProduct,
  type Equipment,
  type EquipmentKind,
  type Product,
  type Picked,
  type ProductClass,
  type UseConditions,
  type UseWay,
} from '../products/index.ts'
import { estimate } from '../quantities/index.ts'
import { coilAreaM2, isCarried, isOnRoof, type KnownDesign } from '../units/index.ts'
import type { KnownHouseRules } from './houseRules.ts'
import type { Choice, ChoiceOf, Topic } from './topics.ts'

export type Setting = 'home' | 'office' | 'food' | 'health' | 'lodging' | 'vehicle' | 'workshop' | 'equipment-room'

/** Condensate that washes foam off a coil within a day. */
export const neededCondensateLM2 = estimate(3, 'L per m² of coil face in 24 h')
/** Hours a day a unit runs where that was not noted. */
export const usualHoursPerDay = estimate(8, 'h/day')
/** From this rain on a roof is wet. */
export const leastRain = estimate(0.1, 'mm/h')

export interface SiteFacts {
  readonly setting: Setting
  readonly altitudeM?: number
  readonly outdoorAir?: { dryBulbC: number; relativeHumidity: number; windMs?: number; rainMmH?: number }
  readonly waterOnSite: boolean
  readonly foulDrainOnSite: boolean
  readonly sensitiveOccupants: boolean
  readonly electricityPricePerKwh?: number
}

export interface FactsInput {
  readonly lookOver: LookOver
  readonly design: KnownDesign
  readonly site: SiteFacts
  readonly trained: readonly string[]
  /** What each of the crew may lift, kg. */
  readonly liftKg: readonly number[]
  readonly houseRules: KnownHouseRules
  readonly products: readonly Product[]
  readonly equipment: readonly Equipment[]
  readonly hoursPerDay?: number
  /** Wash water (L) that each way of rinsing makes at this unit. */
  readonly washLitres: (rinse: ChoiceOf<'rinse'>) => number
}

/** Facts that no decision changes. */
export interface SettledFacts extends FactsInput {
  readonly use: UseConditions
  readonly areaM2: number
  readonly coilGrade: number
  /** Condensate in the next 24 h (L) and per m² of coil face (L/m²), with the coil clean again. */
  readonly condensateLDay: number
  readonly condensateLM2Day: number
  /** Whether the air that the condensate comes from is known at all. */
  readonly airKnown: boolean
  readonly condenserGrade: number
  /** People who carry the unit out; undefined where it cannot be carried, or not by this crew. */
  readonly carriers?: 1 | 2
  readonly has: (kind: EquipmentKind) => boolean
  readonly product: (kind: ProductClass, way?: UseWay) => Picked
}

/** Facts while deciding. */
export interface Facts extends SettledFacts {
  /** Choices made by hand for this job. */
  readonly chosenByHand: Partial<Record<Topic, string>>
  /** Decisions so far. */
  readonly decided: Partial<Record<Topic, Choice>>
}

/** Everything the rules may ask about a unit, computed once. */
export function factsOf(input: FactsInput): SettledFacts {
  const { lookOver, design, site, houseRules, products, equipment } = input
  const use: UseConditions = {
    neutralOnly: design.finCoating === 'epoxy' || lookOver.findings.includes('fin-corrosion'),
    coatedFins: design.finCoating !== 'none',
    foodArea: site.setting === 'food',
    sensitiveOccupants: site.sensitiveOccupants,
    householdAllowed: houseRules.agentSchool === 'household',
  }
  const areaM2 = coilAreaM2(design)
  const condensateLDay = condensatePerDay(input)
  const picked = new Map<string, Picked>()
  return {
    ...input,
    use,
    areaM2,
    condensateLDay,
    coilGrade: Math.max(gradeOf(lookOver, 'coilFace'), gradeOf(lookOver, 'coilBack')),
    condensateLM2Day: condensateLDay / areaM2,
    airKnown: site.outdoorAir !== undefined || lookOver.readings !== undefined,
    condenserGrade: worstOf(lookOver, 'condenserFace', 'condenserInside'),
    carriers: carriersOf(input),
    has: (kind) => findEquipment(equipment, kind) !== undefined,
    product: (kind, way = 'rinsed') => {
      const key = `${kind} ${way}`
      const known = picked.get(key) ?? pickProduct(products, kind, use, way)
      picked.set(key, known)
      return known
    },
  }
}

/** One carries within the limit, two within the sum of theirs; the firm's limit holds for whoever claims more. */
function carriersOf({ lookOver, design, liftKg, houseRules }: FactsInput): 1 | 2 | undefined {
  if (!isCarried(lookOver.family) || !design.removable) return undefined
  const [first = 0, second = 0] = liftKg.map((kg) => Math.min(kg, houseRules.liftLimitKg)).sort((a, b) => b - a)
  if (design.weightKg <= first) return 1
  return design.weightKg <= first + second ? 2 : undefined
}

/** Condensate (L/day) of the clean unit: none where nobody cools, else by the coil model at the room's air. */
function condensatePerDay({ design, site, lookOver, hoursPerDay = usualHoursPerDay.value }: FactsInput): number {
  const outdoor = site.outdoorAir
  if (design.heatsOnly || isOutOfSeason(site)) return 0
  const returnAir = indoorAirFrom(outdoor, site.altitudeM ?? 0, lookOver.readings)
  const clean = coilAt({ ratedCoolingKw: design.ratedCoolingKw, ratedAirflowM3h: design.ratedAirflowM3h, returnAir, outdoorC: outdoor?.dryBulbC })
  return clean.condensateLH * hoursPerDay
}

/** Whether it is too cool outdoors for anybody to cool a room; an equipment room is cooled all year. */
export const isOutOfSeason = ({ outdoorAir, setting }: SiteFacts): boolean =>
  outdoorAir !== undefined && outdoorAir.dryBulbC < coolingSeasonFromC.value && setting !== 'equipment-room'

/** Whether soil on the breathed-air coil or wheel is loose enough for a brush. */
export const isLooseSoil = ({ lookOver }: Facts): boolean =>
  (['coilFace', 'coilBack', 'wheel'] as const)
    .flatMap((part) => lookOver.grades[part]?.kinds ?? [])
    .every((kind) => kind === 'dust' || kind === 'lint-hair' || kind === 'fine-powder')

/** A window or sleeve unit that stays where it sits. */
export const staysInItsWall = ({ lookOver, decided }: Facts): boolean => isCarried(lookOver.family) && decided.location !== 'outdoors'

/** Whether there is any way of catching wash water at this unit, where it is cleaned. */
export function canContain(facts: Facts): boolean {
  const { has, lookOver, decided } = facts
  if (decided.location === 'outdoors' || isOnRoof(lookOver.family)) return true
  if (staysInItsWall(facts)) return has('floor-sheet')
  return has('bucket') && has(lookOver.family === 'ceiling-cassette' ? 'funnel-sheet' : 'wash-bag')
}

/** Whether condenser, rear fan and base pan are reached: on the bench, on the roof, or from the ground outside. */
export function reachesOutdoorSide({ lookOver, design, decided }: Facts): boolean {
  if (decided.scope === 'decline' || decided.scope === 'filter-service') return false
  if (isOnRoof(lookOver.family) || decided.location === 'outdoors') return true
  return isCarried(lookOver.family) && design.storey === 0
}

/** Product of an agent's class as it is used at this unit: on the breathed-air coil, with a rinse after it or without. */
export const agentProduct = (facts: Facts, agent: ProductClass): Picked =>
  facts.product(agent, facts.decided.rinse === 'none' ? 'unrinsed' : 'rinsed')

/** Whether somebody in the crew may do it. */
export const isTrained = ({ trained }: Pick<Facts, 'trained'>, skill: string): boolean => trained.includes(skill)
