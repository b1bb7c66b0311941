// What were the customers of the demo's past visits told? With the memory that the firm has now, so that text, due list and a unit's life agree.
import { planJob, type JobFile, type PlanMemory, type UnitPlan } from '@yastik/core/plan'
import { evidenceOf, indexFound, indexLeft, learnRates, priorRateOf, type UnitPast, type Visit } from '@yastik/core/upkeep'
import type { Job, User } from '@yastik/server/db/models'
import { utcDay } from '@yastik/server/days'
import { dayAfter, pastOf, yearsOf } from '@yastik/server/upkeep/past'
import type { Diary } from './walk.ts'
import { metric } from '@yastik/core/quantities'
import { sayIn } from '@yastik/core/words'
import { catalogue as english } from '@yastik/core/words/en'

/** The demo firm tells its customers in English. */
const say = sayIn(english, { measures: metric })

export interface PastVisit {
  readonly file: JobFile
  /** Its one unit, as it was planned on that day. */
  readonly plan: UnitPlan
  readonly diary: Diary
  readonly job: Job
  readonly who: User
}

/** A visit as the forecast sees it; undefined where coil and wheel were not graded. */
function visitOf({ file, plan, diary }: PastVisit): Visit | undefined {
  const [{ grades }] = file.units
  const found = indexFound(grades)
  const { decisions, notReached } = plan
  const scope = String(decisions.find(({ topic }) => topic === 'scope')?.choice)
  return found === undefined
    ? undefined
    : {
        atYears: yearsOf(diary.nowMs),
        found,
        left: indexLeft(
          scope,
          grades,
          notReached.map(({ part }) => part),
        ),
      }
}

/** Writes into each visit's hand-over what the customer was told on that day. */
export function tellCustomers(visits: readonly PastVisit[]): void {
  const byUnit = new Map<string, { visit: PastVisit; seen: Visit | undefined }[]>()
  for (const visit of [...visits].sort((a, b) => a.diary.nowMs - b.diary.nowMs)) {
    const { unitId } = visit.diary
    byUnit.set(unitId, [...(byUnit.get(unitId) ?? []), { visit, seen: visitOf(visit) }])
  }
  const useOf = ({ file }: PastVisit): UnitPast => {
    const [{ family, design, hoursPerDay = null }] = file.units
    return pastOf({ family, design, hoursPerDay }, file.site, [])
  }
  const histories = [...byUnit.values()].map((own) => ({ own, past: useOf(own[0].visit), seen: own.flatMap(({ seen }) => seen ?? []) }))
  const rates = learnRates(histories.filter(({ seen }) => seen.length > 1).map(({ past, seen }) => evidenceOf(seen, priorRateOf(past.use))))
  for (const { own, past } of histories)
    own.forEach(({ visit }, index) => {
      const { diary, file } = visit
      const earlier = own.slice(0, index).flatMap(({ seen }) => seen ?? [])
      const memory: PlanMemory = {
        pastOf: new Map([[diary.unitId, { ...past, visits: earlier }]]),
        rates,
        yearsNow: yearsOf(diary.nowMs),
        isSeen: true,
        dayAfter: (weeks) => dayAfter(utcDay(diary.nowMs), weeks),
      }
      const customerText = say(planJob(file, memory).units[0].customerText)
      for (const { happening } of diary.events) if (happening.type === 'handed-over') happening.customerText = customerText
    })
}
