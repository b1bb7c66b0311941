// What do the rules look at?
import { coilAt, coolingSeasonFromC, indoorAirFrom } from '../air/index.ts'
import { gradeOf, hasKind, worstOf, type LookOver, type SoilKind } from '../lookover/index.ts'
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
import { estimate, type Grade } from '../quantities/index.ts'
import {
  closedOff,
  coilAreaM2,
  isCarried,
  isOnRoof,
  isReached,
  openings,
  type Family,
  type KnownDesign,
  type Part,
  type Touch,
  type Trait,
} from '../units/index.ts'
import type { KnownHouseRules } from './houseRules.ts'
import type { Choice, Topic } from './topics.ts'

export type Setting = 'home' | 'office' | 'food' | 'health' | 'lodging' | 'vehicle' | 'workshop' | 'equipment-room'

/** Condensate that washes foam off a coil within a day. */
export const neededCondensateLM2 = estimate(3, 'L per m² of coil face in 24 h')
/** Hours a day a unit runs where that was not noted. */
export const usualHoursPerDay = estimate(8, 'h/day')
/** From this rain on a roof is wet. */
export const leastRain = estimate(0.1, 'mm/h')
/** At this outdoor temperature and below a roof counts as iced. */
export const iceC = estimate(2, '°C')
/** Most wash water that a trough and towels take. */
export const troughLitres = estimate(2, 'L')
/** Slid level onto a stand, so much of a chassis is lifted; the rest lies in its sleeve or on the stand. */
const slidShare = estimate(0.5, 'of its weight')
/** Water that the van brings where there is no tap. */
export const usualCarriedL = estimate(10, 'L')

export interface SiteFacts {
  readonly setting: Setting
  readonly altitudeM?: number
  readonly outdoorAir?: { dryBulbC: number; relativeHumidity: number; windMs?: number; rainMmH?: number }
  readonly waterOnSite: boolean
  readonly foulDrainOnSite: boolean
  readonly sensitiveOccupants: boolean
  /** Water in the van, L, where there is no tap. */
  readonly carriedWaterL: number
  readonly electricityPricePerKwh?: number
}

/** One of the crew, as far as the rules ask. */
export interface Hand {
  readonly trained?: readonly string[]
  /** What this person may lift, kg; the firm's limit holds for whoever claims more. */
  readonly liftKg?: number
  /** Of the firm's own minutes, what they take, %. */
  readonly pacePercent?: number
}

export interface FactsInput {
  readonly lookOver: LookOver
  readonly design: KnownDesign
  /** Whether somebody noted this trait: what was not noted is said so, never as "this design does not". */
  readonly isNoted: (trait: Trait) => boolean
  readonly site: SiteFacts
  readonly crew: readonly Hand[]
  readonly houseRules: KnownHouseRules
  readonly products: readonly Product[]
  readonly equipment: readonly Equipment[]
  readonly hoursPerDay?: number
  /** What comes down at this unit by what is decided so far, L: agents, their rinse, and that of a wheel washed where it sits. */
  readonly caughtLitres: (facts: Facts) => number
}

/** Facts that no decision changes. */
export interface SettledFacts extends FactsInput {
  readonly use: UseConditions
  readonly areaM2: number
  readonly coilGrade: Grade
  /** Condensate in the next 24 h (L) and per m² of coil face (L/m²), with the coil clean again. */
  readonly condensateLDay: number
  readonly condensateLM2Day: number
  /** Whether the air that the condensate comes from is known at all. */
  readonly airKnown: boolean
  readonly condenserGrade: Grade
  /** Everything that somebody of the crew is trained for. */
  readonly trained: ReadonlySet<string>
  /** People who carry the unit out; undefined where it cannot be carried, or not by this crew. */
  readonly carriers?: 1 | 2
  /** People who slide it out onto a stand; undefined where it does not slide, or nothing in the van holds it or catches its water there. */
  readonly sliders?: 1 | 2
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
  const { lookOver, design, site, houseRules, products, equipment, crew } = input
  const coated = design.finCoating !== 'none'
  const use: UseConditions = {
    neutralOnly: coated || lookOver.findings.includes('fin-corrosion'),
    coatedFins: coated,
    foodArea: site.setting === 'food',
    sensitiveOccupants: site.sensitiveOccupants,
    householdAllowed: houseRules.agentSchool === 'household',
  }
  const areaM2 = coilAreaM2(design)
  const condensateLDay = condensatePerDay(input)
  const picked = new Map<string, Picked>()
  const carried = new Map<EquipmentKind, boolean>()
  return {
    ...input,
    use,
    areaM2,
    condensateLDay,
    coilGrade: worstOf(lookOver, 'coilFace', 'coilBack'),
    condensateLM2Day: condensateLDay / areaM2,
    airKnown: site.outdoorAir !== undefined || lookOver.readings !== undefined,
    condenserGrade: worstOf(lookOver, 'condenserFace', 'condenserInside'),
    trained: new Set(crew.flatMap(({ trained }) => trained ?? [])),
    carriers: carriersOf(input),
    sliders: whyNotSlid(input) === undefined ? peopleFor(input, slidKg(input)) : undefined,
    has: (kind) => {
      const known = carried.get(kind) ?? findEquipment(equipment, kind) !== undefined
      carried.set(kind, known)
      return known
    },
    product: (kind, way = 'rinsed') => {
      const key = `${kind} ${way}`
      const known = picked.get(key) ?? pickProduct(products, kind, use, way)
      picked.set(key, known)
      return known
    },
  }
}

/** What each of the crew may lift, kg, within the firm's limit; the strongest first. */
export const liftsOf = ({ crew, houseRules }: Pick<FactsInput, 'crew' | 'houseRules'>): number[] =>
  crew.map(({ liftKg = Infinity }) => Math.min(liftKg, houseRules.liftLimitKg)).sort((a, b) => b - a)

/** One lifts within the own limit; two only where each may lift half. */
function peopleFor(input: FactsInput, kg: number): 1 | 2 | undefined {
  const [first = 0, second = 0] = liftsOf(input)
  if (kg <= first) return 1
  return kg / 2 <= second ? 2 : undefined
}

const carriersOf = (input: FactsInput): 1 | 2 | undefined =>
  isCarried(input.lookOver.family) && input.design.removable ? peopleFor(input, input.design.weightKg) : undefined

/** What is lifted of a chassis that is slid out level, kg. */
export const slidKg = ({ design }: Pick<FactsInput, 'design'>): number => design.weightKg * slidShare.value

/** Why a unit is not slid out onto a stand and washed there; undefined where it is. */
export function whyNotSlid(input: FactsInput): 'fixed' | 'no-stand' | 'stand-too-weak' | 'nothing-catches' | 'equipment-room' | 'heavy' | undefined {
  const { lookOver, design, equipment, site } = input
  if (!isCarried(lookOver.family) || !design.removable || !design.slideOut) return 'fixed'
  const stands = equipment.filter(({ kind, count }) => kind === 'stand' && count > 0)
  if (stands.length === 0) return 'no-stand'
  if (stands.every(({ limitKg = 0 }) => limitKg < design.weightKg)) return 'stand-too-weak'
  if (!findEquipment(equipment, 'funnel-sheet') || !findEquipment(equipment, 'bucket')) return 'nothing-catches'
  if (site.setting === 'equipment-room') return 'equipment-room'
  return peopleFor(input, slidKg(input)) === undefined ? 'heavy' : undefined
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

const looseKinds: readonly SoilKind[] = ['dust', 'lint-hair', 'fine-powder']
/** Whether soil on the breathed-air coil or wheel is loose enough for a brush. */
export const isLooseSoil = ({ lookOver }: Facts): boolean =>
  (['coilFace', 'coilBack', 'wheel'] as const).every(
    (part) => gradeOf(lookOver, part) === 0 || (lookOver.grades[part]?.kinds ?? []).every((kind) => looseKinds.includes(kind)),
  )

const coilFaces: readonly Part[] = ['coilFace', 'coilBack']
/** Slime, and grease or smoke, on the faces of the coil or on the wheel: each part chooses its own agent. */
export const hasSlime = ({ lookOver }: Pick<Facts, 'lookOver'>, where: 'coil' | 'wheel'): boolean =>
  hasKind(lookOver, 'biofilm', ...(where === 'coil' ? coilFaces : (['wheel'] as const)))
export const hasGrease = ({ lookOver }: Pick<Facts, 'lookOver'>, where: 'coil' | 'wheel'): boolean =>
  (['grease', 'smoke'] as const).some((kind) => hasKind(lookOver, kind, ...(where === 'coil' ? coilFaces : (['wheel'] as const))))

/** Whether a window or sleeve unit is out of its wall while it is cleaned. */
export const isOutOfWall = ({ decided }: Pick<Facts, 'decided'>): boolean => decided.location === 'outdoors' || decided.location === 'on-stand'
/** A window or sleeve unit that stays where it sits. */
export const staysInItsWall = (facts: Facts): boolean => isCarried(facts.lookOver.family) && !isOutOfWall(facts)

const isTakenApart = (scope: Choice | undefined) => scope === 'strip-down' || scope === 'bench-clean'
/** Whether its cover comes off, so that its electronics lie open. */
export const isUncovered = ({ decided }: Pick<Facts, 'decided'>): boolean => decided.scope === 'open-clean' || isTakenApart(decided.scope)
/** Whether a part is reached by what is decided so far. */
export function reaches({ lookOver, design, decided }: Pick<Facts, 'lookOver' | 'design' | 'decided'>, part: Part, touch: Touch = 'hands'): boolean {
  const { scope } = decided
  if (scope === undefined || scope === 'decline') return false
  const { open, strip } = openings[lookOver.family]
  const isOff = (id: string) =>
    (scope === 'filter-service' ? id === 'filters' || id === 'fine-filter' : closedOff.includes(id)) ||
    (isUncovered({ decided }) && open.includes(id)) ||
    (isTakenApart(scope) && strip.includes(id)) ||
    ((id === 'pan' || id === 'wheel') && decided[id] === 'remove-and-wash')
  return isReached(lookOver.family, design, part, touch, isOff)
}

/** Whether what is at hand catches as much water as a pump throws: a bag, a sheet that is funnelled, or the open air. */
export function catchesMuch(facts: Facts): boolean {
  const { has, lookOver } = facts
  if (isOutOfWall(facts)) return true
  if (isOnRoof(lookOver.family) || isCarried(lookOver.family)) return false
  return has('bucket') && (has('funnel-sheet') || (lookOver.family === 'wall-head' && has('wash-bag')))
}

/** Whether there is any way of catching wash water at this unit, where it is cleaned: a little at least. */
export function canContain(facts: Facts): boolean {
  const { has, lookOver } = facts
  if (isOnRoof(lookOver.family) || catchesMuch(facts)) return true
  if (staysInItsWall(facts)) return has('floor-sheet')
  return lookOver.family === 'wall-head' && has('bucket')
}

/** What sprays by hand: a pump sprayer, else a spray bottle. */
export const handSprayerOf = ({ has }: Pick<SettledFacts, 'has'>): 'pump-sprayer' | 'spray-bottle' | undefined =>
  has('pump-sprayer') ? 'pump-sprayer' : has('spray-bottle') ? 'spray-bottle' : undefined

/** Whether the condenser is reached: out of its wall, on the roof, or from the ground outside. */
export const reachesOutdoorSide = (facts: Facts): boolean => facts.decided.scope !== 'filter-service' && reaches(facts, 'condenserFace')

/** Product of an agent's class as it is used at this unit: on the breathed-air coil, with a rinse after it or without. */
export const agentProduct = (facts: Facts, agent: ProductClass): Picked =>
  facts.product(agent, facts.decided.rinse === 'none' ? 'unrinsed' : 'rinsed')

/** What goes on a greasy part before its slime is treated: first the degreasing agent, rinsed off, then the antimicrobial. */
export function degreaserBefore(facts: Facts, where: 'coil' | 'wheel'): Picked['product'] {
  const agent = facts.decided[where === 'coil' ? 'coil-agent' : 'wheel-agent']
  if (agent !== 'antimicrobial-foam' || !hasGrease(facts, where)) return undefined
  const inOrder: readonly ProductClass[] =
    facts.houseRules.agentSchool === 'household' ? ['mild-detergent', 'rinse-off-foam'] : ['rinse-off-foam', 'mild-detergent']
  return inOrder.flatMap((kind) => facts.product(kind, 'rinsed').product ?? [])[0]
}

/** Whether one person of the crew may do it: on a roof only who is trained for roofs too. */
export function isTrained({ crew, lookOver }: { crew: readonly Hand[]; lookOver: { family: Family } }, skill: string): boolean {
  const needed = isOnRoof(lookOver.family) && skill !== 'roof' ? [skill, 'roof'] : [skill]
  return crew.some(({ trained = [] }) => needed.every((one) => trained.includes(one)))
}

/** Findings after which the unit is not run before they are put right: what it is, and whether people on site can do that. */
export const powerBars = ({
  lookOver,
}: Pick<Facts, 'lookOver'>): ('cracked-wheel' | 'wet-electronics' | 'loose-wiring' | 'oxidised-plug' | 'scorched-plug')[] =>
  (['cracked-wheel', 'wet-electronics', 'loose-wiring', 'oxidised-plug', 'scorched-plug'] as const).filter((finding) =>
    lookOver.findings.includes(finding),
  )

/** An oxidised plug is cleaned here, unless it is damaged: much of it is. */
export const isPlugCleaned = ({ lookOver }: Pick<Facts, 'lookOver'>): boolean =>
  lookOver.findings.includes('oxidised-plug') && lookOver.extent?.['oxidised-plug'] !== 'much'

/** Whether the unit is handed back switched off: a cracked wheel never runs again. */
export const staysOff = ({ lookOver }: Pick<Facts, 'lookOver'>): boolean => lookOver.findings.includes('cracked-wheel')
