// What do the plans of units come to as one visit: who does what when, and how long is the crew there?
import { timeline, type CrewMember, type Timeline } from '../crew/index.ts'
import { mergeVisit, visitId, type Step } from '../procedure/index.ts'
import { piecesIn, type Equipment } from '../products/index.ts'
import { round } from '../quantities/index.ts'
import { spreadOf } from './minutes.ts'
import type { PlannedUnit } from './planUnit.ts'

export interface VisitPlan {
  readonly steps: Step[]
  /** Hands-on minutes of all people together, units included; from the door to the van, four times in five between low and high. */
  readonly hands: number
  readonly onSite: number
  readonly low: number
  readonly high: number
  /** Of `hands`, what is done once a visit. */
  readonly visitHands: number
  /** Minutes in which nobody works, times the people who are there. */
  readonly waitingMin: number
  readonly day: Timeline
}

/** @throws Fault `no-schedule` when the work cannot be shared among the crew */
export function visitPlanOf(
  planned: readonly Pick<PlannedUnit, 'plan' | 'visitSteps'>[],
  crew: readonly CrewMember[],
  equipment: readonly Equipment[],
  effort?: number,
): VisitPlan {
  const steps = mergeVisit(planned.map(({ visitSteps }) => visitSteps))
  const lists = [{ id: visitId, steps }, ...planned.map(({ plan }) => ({ id: plan.id, steps: plan.steps }))]
  const day = timeline(lists, crew, piecesIn(equipment), effort === undefined ? {} : { effort })
  const { hands, low, high } = spreadOf(lists.flatMap((list) => list.steps))
  // Time on site varies as the hands of the people who work there do.
  const asHands = (minutes: number) => round(hands > 0 ? day.onSiteMin * (minutes / hands) : day.onSiteMin)
  // Who has nothing to do on this visit is not sent there.
  const people = new Set(day.tasks.flatMap(({ who }) => who)).size
  const waitingMin = round(day.onSiteMin * (1 - day.busyShare) * people, 1)
  return { waitingMin, steps, hands, onSite: round(day.onSiteMin, 1), low: asHands(low), high: asHands(high), visitHands: spreadOf(steps).hands, day }
}
