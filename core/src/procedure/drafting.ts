// What do the drafters of steps know about the unit, and what do they hand to one another?
import type { AirState } from '../air/index.ts'
import type { Facts, Topic, Choice } from '../method/index.ts'
import type { Product } from '../products/index.ts'
import { estimate } from '../quantities/index.ts'
import { isOnRoof, isSplit, type Component } from '../units/index.ts'
import type { WashWater } from '../wash/index.ts'
import type { Step } from './step.ts'

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
  readonly condenserMix?: MixFor
  readonly rinseMin: number
  readonly washWater?: WashWater
  readonly room: AirState
}

/** A step with what most steps have filled in; minutes rounded to half a minute. Takes over the object it is given. */
export function step(fields: Pick<Step, 'id' | 'phase' | 'title' | 'handsMin' | 'after'> & Partial<Step>): Step {
  fields.handsMin = Math.max(0.5, Math.round(fields.handsMin * 2) / 2)
  fields.people ??= 1
  fields.equipment ??= []
  fields.cautions ??= []
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

/** Whether water or foam is used inside the unit at all. */
export const isWet = ({ decided }: Drafting): boolean =>
  decided.rinse !== 'none' || (decided['coil-agent'] !== 'none' && decided['coil-agent'] !== undefined)

export const onTheBench = ({ decided }: Drafting): boolean => decided.location === 'outdoors'
/** The dry vacuum, or the wet one where the van has no other. */
export const vacuumOf = ({ facts }: Drafting): string => (facts.has('dry-vacuum') ? 'dry-vacuum' : 'wet-vacuum')

/** Higher than this nobody works from the floor. */
const ladderAbove = estimate(1.8, 'm')
/** Where one stands to reach what hangs high: the ladder it takes, if any. */
export const ladderFor = ({ facts: { lookOver, design } }: Drafting): 'roof-ladder' | 'step-ladder' | undefined =>
  isOnRoof(lookOver.family) ? 'roof-ladder' : design.aboveFloorM > ladderAbove.value && isSplit(lookOver.family) ? 'step-ladder' : undefined

/** What closes the unit: whatever has to be proved with the unit open comes before it goes back. */
export const closerOf = ({ strip }: Drafting): string => strip.findLast(({ closes }) => closes)?.id ?? 'filters'
