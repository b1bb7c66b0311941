// When is a unit due again after this visit?
import type { LookOver } from '../lookover/index.ts'
import { treatmentWeeks, usualHoursPerDay, type Facts, type NotReached } from '../method/index.ts'
import { partName, type KnownDesign } from '../units/index.ts'
import {
  cleanedByOthers,
  duesAfterVisit,
  duesWithoutLook,
  indexFound,
  indexLeft,
  indexParts,
  isNotCleanYet,
  lossIndex,
  notCleanBecause,
  ratesAtFirst,
  type Due,
  type UnitMemory,
  type UnitPast,
} from '../upkeep/index.ts'
import { says } from '../words/index.ts'
import type { Site, UnitJob } from './jobFile.ts'

/** What is remembered of units, and whether their grades were seen or are only expected. */
export interface PlanMemory extends UnitMemory {
  readonly isSeen: boolean
  /** The day so many weeks after the visit, as 2027-03-01: due dates are then told as days too. */
  readonly dayAfter?: (weeks: number) => string
  /** Index of coil and wheel by unit, where somebody looked at them after the work. */
  readonly leftOf?: ReadonlyMap<string, number>
  /** Chance of each grade that coil and wheel were found at by unit, where they are not certain. */
  readonly foundOf?: ReadonlyMap<string, readonly number[]>
}

/** The unit as it was looked over on this visit. */
interface Visited {
  readonly site: Site
  readonly unit: UnitJob
  readonly design: KnownDesign
  readonly lookOver: LookOver
}

const monthsPerYear = 12

/** What falls due after this visit: by the one forecast, with the unit's own history where there is one. */
export function duesOf({ site, unit, design, lookOver }: Visited, facts: Facts, left: readonly NotReached[], memory: PlanMemory | undefined): Due[] {
  const use = { surroundings: site.surroundings ?? [], hoursPerDay: unit.hoursPerDay ?? usualHoursPerDay.value }
  const known: UnitMemory = memory ?? { pastOf: new Map(), rates: ratesAtFirst, yearsNow: 0 }
  const remembered: UnitPast = memory?.pastOf.get(unit.id) ?? { visits: [], use, fineFilter: design.fineFilter, lossIndex: lossIndex(design) }
  const since = unit.monthsSinceClean
  const past: UnitPast =
    remembered.visits.length === 0 && since !== undefined && since > 0
      ? { ...remembered, visits: [cleanedByOthers(known.yearsNow - since / monthsPerYear)] }
      : remembered
  const panTreatmentWeeks = facts.decided['pan-treatment'] === 'slow-release' ? treatmentWeeks(facts) : undefined
  const found = indexFound(lookOver.grades)
  if (found === undefined) {
    const declined = facts.decided.scope === 'decline'
    return past.visits.length === 0 && declined ? [] : duesWithoutLook({ ...past, panTreatmentWeeks }, known, !declined)
  }
  const leftIndex =
    memory?.leftOf?.get(unit.id) ??
    indexLeft(
      String(facts.decided.scope),
      lookOver.grades,
      left.map(({ part }) => part),
    )
  const chances = memory?.foundOf?.get(unit.id)
  const dues = duesAfterVisit(past, known, {
    found,
    ...(chances ? { chances: [...chances] } : {}),
    left: leftIndex,
    // Without a memory the grades of a job file were seen; from a cleaning that is not known they teach nothing.
    isSeen: memory?.isSeen ?? since !== undefined,
    panTreatmentWeeks,
  })
  const dirty = left.filter(({ part }) => indexParts.some((one) => one === part))
  const because = notCleanBecause(dirty.map((entry) => says('plan.customerText.part-because', { ...entry, part: partName(entry.part) })))
  return dues.map((due) => (isNotCleanYet(due) ? { ...due, because } : due))
}
