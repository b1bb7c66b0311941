// What dries, for how long, before it goes back or runs?
import { partNames, type Part } from '../units/index.ts'
import { dryingMinutes } from '../wash/index.ts'
import { ids, onTheBench, step, type Drafting } from './drafting.ts'
import type { Step } from './step.ts'
import { longAirDryMin, mostDryMin, stepMin, uprightMin } from './stepTimes.ts'

/** Minutes that a part is reckoned to dry, whole ones; past the most that is reckoned only a hand can tell. */
export const reckonedDryMin = (part: Part, way: Parameters<typeof dryingMinutes>[1], { room, facts }: Pick<Drafting, 'room' | 'facts'>): number =>
  Math.ceil(Math.min(mostDryMin.value, dryingMinutes(part, way, room, facts.design.filter)))

/** Parts that were washed off the unit and dry beside it. */
export const washedApart = ({ decided, facts }: Pick<Drafting, 'decided' | 'facts'>): Part[] => [
  ...(decided.scope !== 'decline' && facts.design.filter !== 'disposable' ? ['filter' as const] : []),
  ...(decided.wheel === 'remove-and-wash' ? ['wheel' as const] : []),
  ...(decided.pan === 'remove-and-wash' ? ['pan' as const] : []),
]

export function drySteps(drafting: Drafting, before: readonly Step[]): Step[] {
  const { decided } = drafting
  const washed = washedApart(drafting)
  const steps: Step[] = []
  if (washed.length > 0) {
    const leastMin = Math.max(...washed.map((part) => reckonedDryMin(part, 'fan', drafting)))
    const washedIn = before.filter(({ id }) => ['wash-filters', 'wash-wheel', 'wash-pan'].includes(id)).map(({ id }) => id)
    steps.push(
      step({
        id: 'dry-parts',
        phase: 'dry',
        title: `Wipe down and set to dry: ${washed.map((part) => partNames[part]).join(', ')}`,
        handsMin: stepMin.dryParts.value,
        after: washedIn,
        wait: { leastMin, for: 'parts to dry before a fan' },
        mayEndEarly: 'dry-to-the-touch',
        cautions: [],
      }),
    )
  }
  if (decided.drying === 'long-air-dry') {
    const filmMin = reckonedDryMin('coilFace', 'still-air', drafting)
    steps.push(
      step({
        id: 'open-to-dry',
        phase: 'dry',
        title: 'Leave the unit open to dry, and agree when somebody comes back to close it',
        part: 'coilFace',
        handsMin: stepMin.openToDry.value,
        after: ids(before),
        wait: {
          leastMin: Math.max(longAirDryMin.value, filmMin),
          for: 'the unit to dry open, before it is closed and powered',
        },
        how: `The film on the coil needs about ${filmMin} min in this air; left open for a day, overnight at the very least: a return visit.`,
        mayEndEarly: 'dry-to-the-touch',
        cautions: [],
      }),
    )
  }
  return steps
}

/** A unit that was tipped or carried stands upright before its compressor runs; power waits for it, rebuilding does not. */
export function uprightStep(drafting: Drafting, before: readonly Step[]): Step[] {
  if (!onTheBench(drafting)) return []
  return [
    step({
      id: 'stand-upright',
      phase: 'dry',
      title: 'Set it upright and level; from now on it is not tipped again',
      handsMin: stepMin.standUpright.value,
      after: ids(before),
      wait: { leastMin: uprightMin.value, for: 'oil to run back into the compressor' },
      mayEndEarly: 'owner',
      cautions: [],
    }),
  ]
}
