// What would do more than this plan, and what would it take? Offers stand beside the plan; nobody is sold them by it.
import { isTrained, liftsOf, type Facts } from '../method/index.ts'
import { stepMin, type Extra } from '../procedure/index.ts'
import { round } from '../quantities/index.ts'
import { isCarried, isOnRoof, isSplit } from '../units/index.ts'
import type { UnitJob } from './jobFile.ts'
import type { UnitContext } from './planUnit.ts'

export interface Offer {
  what: string
  because: string
  /** The extra that the customer orders by taking the offer, where it is one. */
  extra?: Extra
  /** By how much hands-on and waiting minutes, and work and product in the firm's money, grow. */
  minutes?: number
  money?: number
}

/** What a plan would come to under other circumstances, against the plan as it is. */
export type Instead = (context: Partial<UnitContext>) => { minutes: number; money: number; scope: string; reaches: boolean }

interface Offered {
  readonly unit: UnitJob
  readonly facts: Facts
  readonly leftDirty: boolean
  /** Hands-on minutes of combing in the plan. */
  readonly combMinutes: number
  /** Weather or training kept everybody off the roof. */
  readonly keptDown: boolean
  readonly instead: Instead
  readonly context: UnitContext
}

/** Offers of one unit, the most telling first. */
export function offersFor(input: Offered): Offer[] {
  const { facts } = input
  if (facts.decided.scope === 'decline') return []
  if (isOnRoof(facts.lookOver.family) && input.keptDown) return notUpToday(input)
  return [...secondPerson(input), ...trainedPerson(input), ...bought(input), ...secondVisit(input), ...finWork(input), ...outdoorUnit(input)]
}

const sums = ({ minutes, money }: { minutes: number; money: number }) => ({ minutes: round(minutes), money: round(money, 2) })

/** Too heavy for who is coming: with a second person it goes to the bench. */
function secondPerson({ facts, context, instead }: Offered): Offer[] {
  const { lookOver, design, houseRules } = facts
  if (!isCarried(lookOver.family) || !design.removable || facts.carriers !== undefined || facts.decided.scope === 'bench-clean') return []
  if (design.weightKg / 2 > houseRules.liftLimitKg)
    return [
      {
        what: 'a lift or a crane for this unit',
        because: `${design.weightKg} kg: more than two people may carry at ${houseRules.liftLimitKg} kg each`,
      },
    ]
  const helpers = liftsOf(facts).filter((kg) => design.weightKg / 2 <= kg).length
  const added = Array.from({ length: Math.max(1, 2 - helpers) }, () => ({ liftKg: houseRules.liftLimitKg }))
  const other = instead({ crew: [...context.crew, ...added] })
  if (other.scope !== 'bench-clean') return []
  return [
    {
      what: helpers === 0 && context.crew.length > 0 ? 'with people who may lift it, on the bench' : 'with a second person, on the bench',
      because: `${design.weightKg} kg: carried out by two who may lift half each, wheel, condenser and base pan are reached too`,
      ...sums(other),
    },
  ]
}

/** Somebody trained would take out what stays in. */
function trainedPerson({ facts, context, instead }: Offered): Offer[] {
  const { lookOver } = facts
  if (!isSplit(lookOver.family) || facts.decided.scope === 'strip-down' || facts.decided.wheel === 'remove-and-wash') return []
  if (isTrained(facts, 'wheel-removal') || !facts.design.wheelRemovable || facts.decided.wheel === 'leave') return []
  const other = instead({ crew: [...context.crew, { trained: ['wheel-removal', 'electrics'] }] })
  if (other.scope !== 'strip-down') return []
  return [
    {
      what: 'with somebody trained to take the wheel out',
      because: 'taken apart, both sides of the blades and the back of the coil are reached',
      ...sums(other),
    },
  ]
}

/** Something in the van that is missing: what catches water, or what carries it. */
function bought({ facts, context, instead }: Offered): Offer[] {
  const { decided, lookOver, has } = facts
  if (decided.rinse !== 'none' || facts.coilGrade === 0 || decided.scope === 'filter-service') return []
  const catcher = lookOver.family === 'ceiling-cassette' ? 'funnel-sheet' : 'wash-bag'
  const missing = [
    ...(isSplit(lookOver.family) && !has('wash-bag') && !has('funnel-sheet') ? [catcher] : []),
    ...(isSplit(lookOver.family) && !has('bucket') ? ['bucket'] : []),
    ...(isCarried(lookOver.family) && !has('floor-sheet') ? ['floor-sheet'] : []),
    ...(has('pump-wand') || has('spray-bottle') || has('pump-sprayer') ? [] : ['spray-bottle']),
  ] as const
  if (missing.length === 0) return []
  const other = instead({
    equipment: [
      ...context.equipment,
      ...missing.map((kind) => ({ id: `bought-${kind}`, kind: kind as (typeof context.equipment)[number]['kind'], count: 1 })),
    ],
  })
  if (!other.reaches) return []
  const words = missing.map((kind) => kind.replaceAll('-', ' ')).join(' and ')
  return [{ what: `${words}, bought or brought`, because: 'with it the soil is carried off with water instead of brushed dry', ...sums(other) }]
}

/** What this visit leaves dirty is come back to. */
function secondVisit({ facts, leftDirty }: Offered): Offer[] {
  if (!leftDirty) return []
  const { site, lookOver, decided } = facts
  if (site.setting === 'equipment-room')
    return [
      {
        what: isCarried(lookOver.family)
          ? 'cleaned on the bench, outside the room'
          : 'a second visit with the equipment moved or shut off, so that it may be washed',
        because: 'dry work does not get heavy soil off',
      },
    ]
  if (decided.rinse === 'none') return [{ what: 'a second visit with water and what catches it', because: 'dry work does not get heavy soil off' }]
  return [{ what: 'a second visit for what was not reached', because: 'a part that matters is left dirty' }]
}

function finWork({ facts, combMinutes }: Offered): Offer[] {
  if (!facts.lookOver.findings.includes('bent-fins')) return []
  if (facts.decided.scope === 'filter-service')
    return [{ what: 'fins combed straight, with the unit opened', because: 'bent fins hold the air back' }]
  if (combMinutes === 0) return []
  return [
    {
      what: 'the combing of the fins as work of its own, on another day',
      because: 'it takes its time, and the unit is clean without it',
      minutes: -combMinutes,
      money: round((-combMinutes / 60) * facts.houseRules.hourlyRate, 2),
    },
  ]
}

/** The outdoor unit of a split: not part of this job unless it is ordered. */
function outdoorUnit({ unit, facts }: Offered): Offer[] {
  if (!isSplit(facts.lookOver.family) || unit.extras?.includes('outdoor-unit')) return []
  const minutes = stepMin.outdoorOff.value + stepMin.outdoorWash.value + stepMin.outdoorCheck.value
  return [
    {
      what: 'the outdoor unit looked at and rinsed at low pressure',
      extra: 'outdoor-unit',
      because: facts.lookOver.complaints.includes('not-cold')
        ? 'it does not cool as it should, and the outdoor unit was not looked at'
        : 'it is not part of this visit: not looked at',
      minutes,
      money: round((minutes / 60) * facts.houseRules.hourlyRate, 2),
    },
  ]
}

/** Nobody goes up today: what would make it possible. */
function notUpToday({ facts, context, instead }: Offered): Offer[] {
  if (!isTrained(facts, 'roof')) {
    const other = instead({ crew: [...context.crew, { trained: ['roof', 'wheel-removal', 'electrics'] }] })
    if (other.scope === 'filter-service') return []
    return [{ what: 'another day, with somebody trained for roofs', because: 'nobody goes up who is not trained for it', ...sums(other) }]
  }
  const { outdoorAir: _, ...site } = context.site
  const other = instead({ site })
  if (other.scope === 'filter-service') return []
  return [{ what: 'another day, when the roof is dry and calm', because: 'the weather keeps everybody off the roof today', ...sums(other) }]
}
