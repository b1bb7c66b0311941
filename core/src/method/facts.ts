// What do the rules look at?
import { coilAt, coolingSeasonFromC, indoorAirFrom } from '../air/index.ts'
import { gradeOf, type LookOver } from '../lookover/index.ts'
import {
  findEquipment,
  pickProduct,
  type Equipment,
  type EquipmentKind,
  type Product,
  type ProductClass,
  type UseConditions,
} from '../products/index.ts'
import { estimate } from '../quantities/index.ts'
import { coilAreaM2, type KnownDesign } from '../units/index.ts'
import type { KnownHouseRules } from './houseRules.ts'
import type { Choice, ChoiceOf, Topic } from './topics.ts'

export type Setting = 'home' | 'office' | 'food' | 'health' | 'lodging' | 'vehicle' | 'workshop' | 'equipment-room'

/** Condensate that washes foam off a coil within a day. */
export const neededCondensateLM2 = estimate(3, 'L per m² of coil face in 24 h')
/** Hours a day a unit runs where that was not noted. */
export const usualHoursPerDay = estimate(8, 'h/day')

export interface SiteFacts {
  readonly setting: Setting
  readonly altitudeM?: number
  readonly outdoorAir?: { dryBulbC: number; relativeHumidity: number }
  readonly waterOnSite: boolean
  readonly foulDrainOnSite: boolean
  readonly sensitiveOccupants: boolean
}

export interface FactsInput {
  readonly lookOver: LookOver
  readonly design: KnownDesign
  readonly site: SiteFacts
  readonly trained: readonly string[]
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
  readonly has: (kind: EquipmentKind) => boolean
  readonly product: (kind: ProductClass) => { product?: Product; because: string[] }
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
  const picked = new Map<ProductClass, { product?: Product; because: string[] }>()
  return {
    ...input,
    use,
    areaM2,
    condensateLDay,
    coilGrade: Math.max(gradeOf(lookOver, 'coilFace'), gradeOf(lookOver, 'coilBack')),
    condensateLM2Day: condensateLDay / areaM2,
    has: (kind) => findEquipment(equipment, kind) !== undefined,
    product: (kind) => {
      const known = picked.get(kind) ?? pickProduct(products, kind, use)
      picked.set(kind, known)
      return known
    },
  }
}

/** Condensate (L/day) of the clean unit: none where nobody cools, else by the coil model at the room's air. */
function condensatePerDay({ design, site, lookOver, hoursPerDay = usualHoursPerDay.value }: FactsInput): number {
  const outdoor = site.outdoorAir
  if (outdoor && outdoor.dryBulbC < coolingSeasonFromC.value && site.setting !== 'equipment-room') return 0
  const returnAir = indoorAirFrom(outdoor, site.altitudeM ?? 0, lookOver.readings)
  const clean = coilAt({ ratedCoolingKw: design.ratedCoolingKw, ratedAirflowM3h: design.ratedAirflowM3h, returnAir, outdoorC: outdoor?.dryBulbC })
  return clean.condensateLH * hoursPerDay
}

/** Whether soil on the coil or wheel is loose enough for a brush. */
export const isLooseSoil = ({ lookOver }: Facts): boolean => {
  const kinds = (['coilFace', 'coilBack', 'wheel'] as const).flatMap((part) => lookOver.grades[part]?.kinds ?? [])
  return kinds.every((kind) => kind === 'dust' || kind === 'lint-hair' || kind === 'fine-powder')
}

/** Whether there is any way of catching wash water at a unit of this family. */
export const canContain = ({ has, lookOver }: Facts): boolean =>
  has('bucket') && (lookOver.family === 'ceiling-cassette' ? has('funnel-sheet') : has('wash-bag'))

/** Whether somebody in the crew may do it. */
export const isTrained = ({ trained }: Facts, skill: string): boolean => trained.includes(skill)
