// What do the drafters of steps know about the unit, and what do they hand to one another?
import type { AirState } from '../air/index.ts'
import { drainState } from '../lookover/index.ts'
import { handSprayerOf, type Choice, type Facts, type Topic } from '../method/index.ts'
import type { Product } from '../products/index.ts'
import { estimate } from '../quantities/index.ts'
import { hasDrainLine as drainsByLine, isOnRoof, isReached, isSplit, type Component, type Part, type Touch } from '../units/index.ts'
import { pourL, roofCupL, type WashWater } from '../wash/index.ts'
import type { Extra, Step } from './step.ts'

export interface MixFor {
  readonly product: Product
  readonly dilution: number
  readonly productL: number
  readonly waterL: number
  readonly passes: number
}

export interface Drafting {
  readonly facts: Facts
  readonly decided: Partial<Record<Topic, Choice>>
  /** What comes off, in the order of stripping. */
  readonly strip: readonly Component[]
  readonly coilMix?: MixFor
  /** What degreases the coil before its slime is treated. */
  readonly coilFirst?: MixFor
  readonly wheelMix?: MixFor
  readonly wheelFirst?: MixFor
  readonly condenserMix?: MixFor
  /** Minutes of rinsing the coil, the wheel not counted. */
  readonly rinseMin: number
  readonly extras: readonly Extra[]
  /** Whether it is not the first of its family in this visit. */
  readonly isFurtherOfKind: boolean
  /** Whether what hangs here is wanted at another unit on the same supply before either has power again. */
  readonly isLentOut: boolean
  /** Whether two of the crew work at this unit together: there are people enough for that. */
  readonly isShared: boolean
  readonly washWater?: WashWater
  readonly room: AirState
}

/** Nobody counts less than a quarter of a minute, nor anything finer. */
export const toQuarter = (minutes: number): number => Math.max(0.25, Math.round(minutes * 4) / 4)

/** A step with what most steps have filled in; minutes rounded to a quarter of a minute. Takes over the object it is given. */
export function step(fields: Pick<Step, 'id' | 'phase' | 'title' | 'handsMin' | 'after'> & Partial<Step>): Step {
  fields.handsMin = toQuarter(fields.handsMin)
  if (fields.lowMin !== undefined) fields.lowMin = Math.min(fields.handsMin, toQuarter(fields.lowMin))
  if (fields.highMin !== undefined) fields.highMin = Math.max(fields.handsMin, toQuarter(fields.highMin))
  fields.people ??= 1
  fields.equipment ??= []
  fields.cautions ??= []
  if (fields.photo !== undefined) fields.needsPhoto = true
  return fields as Step
}

export const ids = (steps: readonly Step[]): string[] => steps.map(({ id }) => id)
/** The steps that no other of them waits for: when these have ended, all have. */
export function lastOf(steps: readonly Step[]): Step[] {
  const waitedFor = new Set<string>()
  for (const { after } of steps) for (const id of after) waitedFor.add(id)
  return steps.filter(({ id }) => !waitedFor.has(id))
}

export const offId = (component: Pick<Component, 'id'>): string => `off-${component.id}`
export const onId = (component: Pick<Component, 'id'>): string => `on-${component.id}`
/** The step with which whatever caught the water comes down. */
export const takeDownId = 'take-down'
export const comesOff = ({ strip }: Drafting, id: string): boolean => strip.some((component) => component.id === id)

/** Whether a part is reached with what comes off here; a filter that is missing is in nobody's way. */
export const isPartReached = (drafting: Drafting, part: Part, touch: Touch = 'hands'): boolean => {
  const { lookOver, design } = drafting.facts
  const isOff = (id: string) => comesOff(drafting, id) || (id === 'filters' && lookOver.findings.includes('missing-filter'))
  return isReached(lookOver.family, design, part, touch, isOff)
}

/** Whether water or foam is used at the unit at all: on coil, wheel or condenser, in its pan, or in its drain. */
export const isWet = ({ decided, facts }: Drafting): boolean =>
  decided.scope !== 'filter-service' &&
  decided.scope !== 'decline' &&
  (decided.rinse !== 'none' ||
    decided['coil-agent'] !== 'none' ||
    decided['condenser-rinse'] !== 'none' ||
    decided.wheel === 'wash-in-place' ||
    decided.wheel === 'remove-and-wash' ||
    decided.pan !== 'leave' ||
    decided.drain !== 'flow-test-only' ||
    decided['pan-treatment'] === 'slow-release' ||
    drainState(facts.lookOver) !== 'good')
/** Whether it is opened at all: more than its filters. */
export const isOpened = ({ decided }: Drafting): boolean => decided.scope !== 'filter-service' && decided.scope !== 'decline'
/** Whether the wheel was wetted, wherever: its first spin throws what is left in it. */
export const isWheelWashed = ({ decided }: Drafting): boolean => decided.wheel === 'wash-in-place' || decided.wheel === 'remove-and-wash'
/** What hangs on a unit and catches what its wheel throws. */
export const hangsAtUnit = ({ decided }: Drafting): boolean =>
  decided.containment === 'wash-bag-to-bucket' || (decided.containment === 'funnel-sheet-to-bucket' && decided.location !== 'on-stand')
/** Whether its water leaves by a line of its own; else through a base pan or over a roof's gutter. */
export const hasDrainLine = ({ facts: { lookOver, design } }: Drafting): boolean => drainsByLine(lookOver.family, design)
/** Equipment that rinses by this choice, as far as the van has it. */
export function rinseTool({ facts }: Drafting, choice: string): string {
  return choice === 'spray-bottle' || choice === 'condensate' || choice === 'none' ? (handSprayerOf(facts) ?? 'spray-bottle') : choice
}
/** Water of a flow test: a litre, on a roof a cup. */
export const flowTestL = ({ facts: { lookOver } }: Drafting): number => (isOnRoof(lookOver.family) ? roofCupL.value : pourL.value)

/** Out of its wall, it is washed outdoors on a bench, or indoors on a stand before its sleeve. */
export const onTheBench = ({ decided }: Drafting): boolean => decided.location === 'outdoors'
export const onStand = ({ decided }: Pick<Drafting, 'decided'>): boolean => decided.location === 'on-stand'
/** The dry vacuum, or the wet one where the van has no other; none where it has neither. */
export const vacuumOf = ({ facts }: Drafting): string[] => (facts.has('dry-vacuum') ? ['dry-vacuum'] : facts.has('wet-vacuum') ? ['wet-vacuum'] : [])

/** What takes loose soil off the outdoor side: the wet vacuum where there are two, so that both sides are done at once. */
export const secondVacuumOf = ({ facts }: Drafting): string[] =>
  facts.has('wet-vacuum') ? ['wet-vacuum'] : facts.has('dry-vacuum') ? ['dry-vacuum'] : []

/** Higher than this nobody works from the floor. */
const ladderAbove = estimate(1.8, 'm')
/** Where one stands to reach what hangs high: the ladder it takes, if any. */
export const ladderFor = ({ facts: { lookOver, design } }: Drafting): 'roof-ladder' | 'step-ladder' | undefined =>
  isOnRoof(lookOver.family) ? 'roof-ladder' : design.aboveFloorM > ladderAbove.value && isSplit(lookOver.family) ? 'step-ladder' : undefined

/** What closes the unit: whatever has to be proved with the unit open comes before it goes back. */
export const closerOf = ({ strip }: Drafting): string => strip.findLast(({ closes }) => closes)?.id ?? 'filters'
