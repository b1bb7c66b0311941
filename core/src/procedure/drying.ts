// What dries, for how long, before it goes back or runs?
import { partName, type Part } from '../units/index.ts'
import { dryingMinutes } from '../wash/index.ts'
import { isOutOfWall } from '../method/index.ts'
import { ids, step, type Drafting } from './drafting.ts'
import type { Step } from './step.ts'
import { carriedUprightMin, longAirDryMin, mostDryMin, stepMin, takes, tippedUprightMin } from './stepTimes.ts'
import { says } from '../words/index.ts'

/** Minutes that a part is reckoned to dry, whole ones; past the most that is reckoned only a hand can tell. */
export const reckonedDryMin = (part: Part, way: Parameters<typeof dryingMinutes>[1], { room, facts }: Pick<Drafting, 'room' | 'facts'>): number =>
  Math.ceil(Math.min(mostDryMin.value, dryingMinutes(part, way, room, facts.design.filter)))

const dryPartsId = 'dry-parts'
/** Steps at what was taken off to be washed, and what each of them washes. */
const apartIds: Readonly<Record<string, Part>> = { 'wash-filters': 'filter', 'renew-filters': 'filter', 'wash-wheel': 'wheel', 'wash-pan': 'pan' }
/** Whether a step is done away from the unit, so that only what was washed in it waits for it. */
export const isApart = (drafting: Pick<Drafting, 'decided' | 'facts'>, { id }: Step): boolean =>
  id === dryPartsId || (id in apartIds && (apartIds[id] === 'filter' || washedApart(drafting).includes(apartIds[id])))
/** Parts that were washed off the unit. Shaken, wiped and blown off they go back, and nobody waits for them. */
export const washedApart = ({ decided, facts }: Pick<Drafting, 'decided' | 'facts'>): Part[] => [
  ...(decided.scope !== 'decline' && facts.design.filter !== 'disposable' && !facts.lookOver.findings.includes('missing-filter')
    ? ['filter' as const]
    : []),
  ...(decided.wheel === 'remove-and-wash' ? ['wheel' as const] : []),
  ...(decided.pan === 'remove-and-wash' ? ['pan' as const] : []),
]

export function drySteps(drafting: Drafting, before: readonly Step[]): Step[] {
  const { decided } = drafting
  const washed = washedApart(drafting)
  const steps: Step[] = []
  if (washed.length > 0) {
    const washedIn = before.filter(({ id }) => ['wash-filters', 'wash-wheel', 'wash-pan'].includes(id)).map(({ id }) => id)
    steps.push(
      step({
        id: dryPartsId,
        phase: 'dry',
        title: says('procedure.dry-parts.title', { parts: { comma: washed.map(partName) } }),
        ...takes(...washed.map((part) => (part === 'filter' ? stepMin.dryFilters : stepMin.dryParts))),
        after: washedIn,
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
        title: says('procedure.open-to-dry.title'),
        part: 'coilFace',
        ...takes(stepMin.openToDry),
        after: ids(before),
        wait: {
          leastMin: Math.max(longAirDryMin.value, filmMin),
          for: says('procedure.open-to-dry.wait'),
        },
        how: says('procedure.open-to-dry.how', { time: { min: filmMin } }),
        mayEndEarly: 'dry-to-the-touch',
        cautions: [],
      }),
    )
  }
  return steps
}

/** A unit that was carried stands upright before its compressor runs; power waits for it, rebuilding does not. */
export function uprightStep(drafting: Drafting, before: readonly Step[]): Step[] {
  if (!isOutOfWall(drafting)) return []
  return [
    step({
      id: 'stand-upright',
      phase: 'dry',
      title: says('procedure.stand-upright.title'),
      ...takes(stepMin.standUpright),
      after: ids(before),
      wait: { leastMin: carriedUprightMin.value, for: says('procedure.stand-upright.wait') },
      how: says('procedure.stand-upright.how', { time: { h: tippedUprightMin.value / 60 } }),
      mayEndEarly: 'owner',
      cautions: [],
    }),
  ]
}
