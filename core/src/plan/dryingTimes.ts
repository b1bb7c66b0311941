// How long does each wet part take to dry, in still air, before a fan, or in the unit's own draught?
import type { AirState } from '../air/index.ts'
import type { Facts } from '../method/index.ts'
import { reckonedDryMin, washedApart } from '../procedure/index.ts'
import type { Part } from '../units/index.ts'
import { dryingWays } from '../wash/index.ts'
import type { UnitPlan } from './planFile.ts'

/** The same minutes as the steps wait. */
export function dryingTimes(facts: Facts, room: AirState): UnitPlan['drying'] {
  const { decided } = facts
  if (decided.scope === 'decline') return []
  const inPlace: Part[] = [
    ...(decided.wheel === 'wash-in-place' ? (['wheel'] as const) : []),
    ...(decided.rinse === 'none' ? [] : (['coilFace'] as const)),
  ]
  return [...washedApart({ facts, decided }), ...inPlace].flatMap((part) =>
    dryingWays
      .filter((how) => how !== 'unit-fan' || inPlace.includes(part))
      .map((how) => ({ part, how, minutes: reckonedDryMin(part, how, { facts, room }) })),
  )
}
