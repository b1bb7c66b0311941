// How long does each wet part take to dry, in still air, before a fan, or in the unit's own draught?
import type { AirState } from '../air/index.ts'
import type { Facts } from '../method/index.ts'
import type { Part } from '../units/index.ts'
import { dryingMinutes, dryingWays } from '../wash/index.ts'
import type { UnitPlan } from './planFile.ts'

export function dryingTimes({ decided, design }: Facts, room: AirState): UnitPlan['drying'] {
  if (decided.scope === 'decline') return []
  const inUnit: Part[] = decided.rinse === 'none' ? [] : ['coilFace']
  const wetParts: Part[] = [
    'filter',
    ...(decided.wheel === 'remove-and-wash' || decided.wheel === 'wash-in-place' ? (['wheel'] as const) : []),
    ...(decided.pan === 'remove-and-wash' ? (['pan'] as const) : []),
    ...inUnit,
  ]
  return wetParts.flatMap((part) =>
    dryingWays
      .filter((how) => how !== 'unit-fan' || part === 'coilFace' || (part === 'wheel' && decided.wheel === 'wash-in-place'))
      .map((how) => ({ part, how, minutes: Math.ceil(dryingMinutes(part, how, room, design.filter)) }))
      .filter(({ minutes }) => Number.isFinite(minutes)),
  )
}
