// What the core makes of the open job: its units as job files, their plans, and what is left of the visit.
import type { UnitSteps } from '@yastik/core/crew'
import { jobOfUnit, planJob, unitJobOf, unseenUnitJob, type JobFile, type Plan, type PlanMemory, type VisitedUnit } from '@yastik/core/plan'
import { dayAfter } from '@yastik/core/quantities'
import { visitLeft, type JobEvent, type UnitState } from '@yastik/core/run'
import { foundChances, indexSeenAfter } from '@yastik/core/upkeep'
import { crewOfPlan, type JobRecord, type UnitRecord } from '@yastik/core/wire'
import { computed, type Ref } from 'vue'
import { serverNow } from '../api/clock.ts'
import type { Log } from './useLog.ts'

const yearMs = 365.25 * 86_400_000
/** So long a plan holds while nothing happens: forecasts in it move with the days. */
const freshMs = 60_000

export interface Plans {
  /** The unit as a job file: what the plan command would read. */
  jobFileFor(unitId: string): JobFile | undefined
  planFor(unitId: string): Plan | undefined
  readonly visited: Readonly<Ref<readonly VisitedUnit[]>>
  /** Steps left at every unit of the visit that was looked over: as agreed, or as they would be agreed now. */
  visitSteps(nowMs: number): UnitSteps[]
}

/** What there is of a job. */
export interface Planned extends Pick<Log, 'stateFor' | 'lists'> {
  readonly record: Readonly<Ref<JobRecord | undefined>>
  readonly events: Readonly<Ref<readonly JobEvent[]>>
  unitFor(unitId: string): UnitRecord | undefined
}

export function usePlans({ record, events, lists, stateFor, unitFor }: Planned): Plans {
  /** All units of the visit: what one is isolated with, and whether it is the first of its kind, is seen among them. */
  const visited = computed((): VisitedUnit[] =>
    (record.value?.unitIds ?? []).flatMap((id) => {
      const unit = unitFor(id)
      return unit ? [unseenUnitJob(unit)] : []
    }),
  )

  function jobFileFor(unitId: string): JobFile | undefined {
    const job = record.value
    const unit = unitFor(unitId)
    if (!job || !unit) return undefined
    const state = stateFor(unitId)
    const { houseRules, products, equipment } = job
    return jobOfUnit({ site: job.site.site, crew: crewOfPlan(job.crew), houseRules, products, equipment }, unitJobOf(unit, state), state)
  }

  /** What is remembered of the units, as it was at a moment: later visits say nothing of an earlier one. */
  function memoryOf(atMs: number): PlanMemory | undefined {
    /** What there is of each unit. */
    const byUnit = <Of>(of: (state: UnitState) => Of | undefined): Map<string, Of> =>
      new Map(
        (record.value?.unitIds ?? []).flatMap((unitId) => {
          const own = of(stateFor(unitId))
          return own === undefined ? [] : [[unitId, own] as const]
        }),
      )
    const memory = record.value?.memory
    if (!memory) return undefined
    const yearsNow = atMs / yearMs
    const pastOf = memory.units.map(({ unitId, visits, surroundings, hoursPerDay, ...unit }) => {
      const past = { ...unit, visits: visits.filter(({ atYears }) => atYears < yearsNow), use: { surroundings, hoursPerDay } }
      return [unitId, past] as const
    })
    return {
      pastOf: new Map(pastOf),
      rates: memory.rates,
      yearsNow,
      isSeen: true,
      leftOf: byUnit(indexSeenAfter),
      foundOf: byUnit(foundChances),
      dayAfter: (weeks) => dayAfter(atMs, weeks),
    }
  }

  /** Plans that were made, each as long as nothing of what it was made from is another. */
  let madeOf: string | undefined
  const made = new Map<string, { from: readonly unknown[]; plan: Plan }>()
  function planFor(unitId: string): Plan | undefined {
    const from = [record.value, events.value, Math.floor(serverNow() / freshMs)]
    // Plans of a job that was left hold its whole log: they go.
    if (madeOf !== record.value?.id) made.clear()
    madeOf = record.value?.id
    const known = made.get(unitId)
    if (known?.from.every((part, at) => part === from[at])) return known.plan
    const file = jobFileFor(unitId)
    if (!file) return undefined
    const plan = planJob(file, memoryOf(stateFor(unitId).handedOver?.atMs ?? serverNow()), visited.value)
    made.set(unitId, { from, plan })
    return plan
  }

  function visitSteps(nowMs: number): UnitSteps[] {
    const nameOf = (userId: number) => record.value?.crew.find((member) => member.id === userId)?.name
    const open = (record.value?.unitIds ?? []).flatMap((id) => {
      const state = stateFor(id)
      if (state.handedOver || Object.keys(state.grades).length + state.findings.length === 0) return []
      if (state.steps) return [{ id, steps: [], visitSteps: [] }]
      const plan = planFor(id)
      return plan ? [{ id, steps: plan.units[0].steps, visitSteps: plan.visit.steps }] : []
    })
    return visitLeft(open, lists.value, nameOf, nowMs).filter(({ steps }) => steps.length > 0)
  }

  return { jobFileFor, planFor, visitSteps, visited }
}
