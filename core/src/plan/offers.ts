// What would do more than this plan, and what would it take? Offers stand beside the plan; nobody is sold them by it.
import { gradeOf } from '../lookover/index.ts'
import { choiceName, isTrained, liftsOf, roofWeather, saysNotClean, type ChoiceOf, type Facts, type Hand, type NotReached } from '../method/index.ts'
import { stepMin, type Extra } from '../procedure/index.ts'
import { builtInVan, equipmentName, type EquipmentKind } from '../products/index.ts'
import { round } from '../quantities/index.ts'
import { isCarried, isOnRoof, isSplit, partName, type Part } from '../units/index.ts'
import type { UnitJob } from './jobFile.ts'
import type { UnitContext } from './planUnit.ts'
import { isMessage, says, type Message, type Sentence } from '../words/index.ts'

export interface Offer {
  what: Message
  because: Message
  /** The extra that the customer orders by taking the offer, where it is one. */
  extra?: Extra
  /** By how much hands-on and waiting minutes, and work and product in the firm's money, grow. */
  minutes?: number
  money?: number
}

/** What a plan would come to under other circumstances, against the plan as it is. */
export type Instead = (
  context: Partial<UnitContext>,
  /** Choices by hand that hold there. */
  choices?: UnitJob['choices'],
) => { minutes: number; money: number; scope: string; reaches: boolean; left: readonly Part[] }

interface Offered {
  readonly unit: UnitJob
  readonly facts: Facts
  readonly left: readonly NotReached[]
  /** Work and product of the plan, in the firm's money. */
  readonly money: number
  /** Hands-on minutes of combing in the plan. */
  readonly combMinutes: number
  /** Weather or training kept everybody off the roof. */
  readonly keptDown: boolean
  /** It is wet when people leave, and nothing is left running. */
  readonly staysWet: boolean
  readonly instead: Instead
  readonly context: UnitContext
}

/** Offers of one unit, the most telling first. */
export function offersFor(input: Offered): Offer[] {
  const { facts } = input
  if (facts.decided.scope === 'decline') return []
  if (isOnRoof(facts.lookOver.family) && input.keptDown) return [...newFilter(input), ...notUpToday(input)]
  return [
    ...newFilter(input),
    ...secondPerson(input),
    ...trainedPerson(input),
    ...bought(input),
    ...deeper(input),
    ...worthIt(input),
    ...laterLook(input),
    ...finWork(input),
    ...outdoorUnit(input),
  ]
}

const sums = ({ minutes, money }: { minutes: number; money: number }) => ({ minutes: round(minutes), money: round(money, 2) })

/** Nothing is left running: somebody sees on another day whether it dried. */
const laterLook = ({ staysWet }: Offered): Offer[] =>
  staysWet ? [{ what: says('plan.laterLook.what'), because: says('plan.laterLook.because') }] : []

/** What is missing is not washed: a new one is offered. */
const newFilter = ({ facts }: Offered): Offer[] =>
  facts.lookOver.findings.includes('missing-filter') ? [{ what: says('plan.newFilter.what'), because: says('plan.newFilter.because') }] : []

/** Too heavy for who is coming: with a second person it goes to the bench. */
function secondPerson({ facts, context, instead }: Offered): Offer[] {
  const { lookOver, design, houseRules } = facts
  if (!isCarried(lookOver.family) || !design.removable || facts.carriers !== undefined || facts.decided.scope === 'bench-clean') return []
  if (design.weightKg / 2 > houseRules.liftLimitKg)
    return [
      {
        what: says('plan.secondPerson.lift-crane-unit'),
        because: says('plan.secondPerson.more-than-two-people', { weight: { kg: design.weightKg }, most: { kg: houseRules.liftLimitKg } }),
      },
    ]
  const helpers = liftsOf(facts).filter((kg) => design.weightKg / 2 <= kg).length
  const added = Array.from({ length: Math.max(1, 2 - helpers) }, () => ({ liftKg: houseRules.liftLimitKg }))
  const other = instead({ crew: [...context.crew, ...added] })
  if (other.scope !== 'bench-clean') return []
  return [
    {
      what:
        helpers === 0 && context.crew.length > 0 ? says('plan.secondPerson.people-may-lift-bench') : says('plan.secondPerson.second-person-bench'),
      because: says('plan.secondPerson.carried-out-two-may', { weight: { kg: design.weightKg } }),
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
      what: says('plan.trainedPerson.somebody-trained-take-wheel'),
      because: says('plan.trainedPerson.taken-apart-both-sides'),
      ...sums(other),
    },
  ]
}

/** Something in the van that is missing: what catches water, or what carries it. */
function bought({ facts, context, instead }: Offered): Offer[] {
  const { decided, lookOver, has } = facts
  if (decided.rinse !== 'none' || facts.coilGrade === 0 || decided.scope === 'filter-service') return []
  const catcher: EquipmentKind = lookOver.family === 'ceiling-cassette' ? 'funnel-sheet' : 'wash-bag'
  const missing: EquipmentKind[] = [
    ...(isSplit(lookOver.family) && !has('wash-bag') && !has('funnel-sheet') ? [catcher] : []),
    ...(isSplit(lookOver.family) && !has('bucket') ? (['bucket'] as const) : []),
    ...(isCarried(lookOver.family) && !has('floor-sheet') ? (['floor-sheet'] as const) : []),
    ...(has('pump-wand') || has('spray-bottle') || has('pump-sprayer') ? [] : (['spray-bottle'] as const)),
  ]
  if (missing.length === 0) return []
  const other = instead({
    equipment: [...context.equipment, ...missing.map((kind) => ({ id: `bought-${kind}`, kind, count: 1 }))],
  })
  if (!other.reaches) return []
  return [
    {
      what: says('plan.bought.bought-brought', { equipment: { and: missing.map(equipmentName) } }),
      because: says('plan.bought.soil-carried-off-water'),
      ...sums(other),
    },
  ]
}

/** How one would go further into a unit of this kind, with the same people and the same van. */
function deeperScopes({ lookOver }: Facts): ChoiceOf<'scope'>[] {
  if (isCarried(lookOver.family)) return ['open-clean', 'bench-clean']
  return isOnRoof(lookOver.family) ? ['open-clean'] : ['open-clean', 'strip-down']
}
/** Everybody and everything that an ordinary job may take. */
const allSkills: Hand = { trained: ['wheel-removal', 'electrics', 'roof'] }

/**
 * What this plan does not reach, or not clean, is said with what would, before anybody agrees: further in with the same people, else another visit under
 * other circumstances. What changes nothing is not offered.
 */
function deeper(input: Offered): Offer[] {
  const { facts, instead, left } = input
  // A film on a wheel is left on purpose.
  const wanted = left.filter(({ part, because }) => gradeOf(facts.lookOver, part) >= 2 || saysNotClean(because) || part !== 'wheel')
  if (wanted.length === 0 || facts.decided.scope === 'filter-service') return []
  const parts = wanted.map(({ part }) => part)
  const reachedBy = (other: ReturnType<Instead>) => parts.filter((part) => !other.left.includes(part))
  for (const scope of deeperScopes(facts)) {
    if (scope === facts.decided.scope) continue
    const other = instead({}, { scope })
    const reached = other.scope === scope ? reachedBy(other) : []
    if (reached.length > 0)
      return [
        {
          what: says('plan.deeper.what', { choice: choiceName(scope) }),
          because: says('plan.deeper.because', { parts: { comma: reached.map(partName) } }),
          ...sums(other),
        },
      ]
  }
  if (!wanted.some(({ part, because }) => gradeOf(facts.lookOver, part) >= 3 || saysNotClean(because))) return []
  return anotherVisit(input, (other) => reachedBy(other).length > 0)
}

/** A second visit under other circumstances, where it would reach more. */
function anotherVisit({ facts, context, instead }: Offered, helps: (other: ReturnType<Instead>) => boolean): Offer[] {
  const { site, lookOver, decided } = facts
  const room = site.setting === 'equipment-room'
  const other = instead({
    site: { ...context.site, waterOnSite: true, foulDrainOnSite: true, ...(room ? { setting: 'office' } : {}) },
    equipment: [...context.equipment, ...builtInVan],
    crew: [...context.crew, allSkills, allSkills],
  })
  if (!helps(other)) return []
  const because = says('plan.secondVisit.dry-work-does-get')
  if (room)
    return [
      {
        what: isCarried(lookOver.family)
          ? says('plan.secondVisit.cleaned-bench-outside-room')
          : says('plan.secondVisit.second-visit-equipment-moved'),
        because,
        ...sums(other),
      },
    ]
  if (decided.rinse === 'none') return [{ what: says('plan.secondVisit.second-visit-water-catches'), because, ...sums(other) }]
  return [{ what: says('plan.secondVisit.second-visit-reached'), because: says('plan.secondVisit.part-matters-left-dirty'), ...sums(other) }]
}

/** What of a plan's offers asks whether cleaning is worth it, as a customer reads it before anything is agreed. */
export const worthNotes = (offers: readonly { readonly what: Sentence; readonly because: Sentence }[]): Message[] =>
  offers.flatMap(({ what, because }) => (isMessage(what) && what.key === 'plan.worthIt.what' ? [says('plan.worthIt.note', { because })] : []))

/** A corroded coil, or a unit whose cleaning costs much of what a new one does: whoever pays is told, with both figures. */
function worthIt({ facts, context, money }: Offered): Offer[] {
  const { findings, extent } = facts.lookOver
  const newPrice = context.site.newUnitPrice
  const corroded = findings.includes('fin-corrosion') && extent?.['fin-corrosion'] === 'much'
  const dear = newPrice !== undefined && money > newPrice * facts.houseRules.worthShare
  if (!corroded && !dear) return []
  const figures = newPrice === undefined ? undefined : { cleaning: { money }, unit: { money: newPrice } }
  return [
    {
      what: says('plan.worthIt.what'),
      because: corroded
        ? figures
          ? says('plan.worthIt.corroded-figures', figures)
          : says('plan.worthIt.corroded', { cleaning: { money } })
        : says('plan.worthIt.dear', { cleaning: { money }, unit: { money: newPrice ?? 0 }, most: { share: facts.houseRules.worthShare } }),
    },
  ]
}

function finWork({ facts, combMinutes }: Offered): Offer[] {
  if (!facts.lookOver.findings.includes('bent-fins')) return []
  if (facts.decided.scope === 'filter-service')
    return [{ what: says('plan.finWork.fins-combed-straight-unit'), because: says('plan.finWork.bent-fins-hold-air') }]
  if (combMinutes === 0) return []
  return [
    {
      what: says('plan.finWork.combing-fins-work-own'),
      because: says('plan.finWork.takes-time-unit-clean'),
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
      what: says('plan.outdoorUnit.outdoor-unit-looked-rinsed'),
      extra: 'outdoor-unit',
      because: facts.lookOver.complaints.includes('not-cold')
        ? says('plan.outdoorUnit.does-cool-should-outdoor')
        : says('plan.outdoorUnit.part-visit-looked'),
      minutes,
      money: round((minutes / 60) * facts.houseRules.hourlyRate, 2),
    },
  ]
}

/** Nobody goes up today: what would make it possible. */
function notUpToday({ facts, context, instead }: Offered): Offer[] {
  const [untrained, weather] = [!isTrained(facts, 'roof'), roofWeather(facts).length > 0]
  const { outdoorAir: _, ...site } = context.site
  const other = instead({
    ...(untrained ? { crew: [...context.crew, { trained: ['roof', 'wheel-removal', 'electrics'] }] } : {}),
    ...(weather ? { site } : {}),
  })
  if (other.scope === 'filter-service') return []
  const [what, because] =
    untrained && weather
      ? ([says('plan.notUpToday.another-day-both'), says('plan.notUpToday.weather-and-training')] as const)
      : untrained
        ? ([says('plan.notUpToday.another-day-somebody-trained'), says('plan.notUpToday.goes-up-trained')] as const)
        : ([says('plan.notUpToday.another-day-when-roof'), says('plan.notUpToday.weather-keeps-everybody-off')] as const)
  return [{ what, because, ...sums(other) }]
}
