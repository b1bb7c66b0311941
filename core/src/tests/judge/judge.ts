// Which predicates does the plan of a job break, and what is the smallest job that still breaks one?
import { checkJob, type JobFile } from '../../plan/index.ts'
import { arithmeticPredicates } from './arithmetic.ts'
import { judgementPredicates } from './judgement.ts'
import { Case, type Predicate } from './predicate.ts'
import { edgePredicates } from './edges.ts'
import { safetyPredicates } from './safety.ts'
import { reachPredicates } from './reach.ts'
import { waitPredicates } from './waits.ts'
import { idleFor, visitPredicates } from './visits.ts'
import { wordPredicates } from './words.ts'
import { planInEnglish, type ToldPlan } from '../inEnglish.ts'

export const predicates: readonly Predicate[] = [
  ...safetyPredicates,
  ...judgementPredicates,
  ...waitPredicates,
  ...visitPredicates,
  ...reachPredicates,
  ...edgePredicates,
  ...arithmeticPredicates,
  ...wordPredicates,
]

export interface FoundFault {
  readonly predicate: string
  readonly kind: Predicate['kind'] | 'crash'
  readonly unitId: string
  readonly says: string
}

/** What speaks against a plan of a job; empty means that every practitioner would sign it. */
export function judge(job: JobFile, plan: ToldPlan): FoundFault[] {
  return plan.units.flatMap((own, index) => {
    const one = new Case(job, plan, job.units[index], own)
    return predicates.flatMap(({ id, kind, fault }) => {
      const says = fault(one)
      return says === undefined ? [] : [{ predicate: id, kind, unitId: own.id, says }]
    })
  })
}

/** Plans a job and judges it; what is thrown is a fault too. */
export const judgeJob = (job: JobFile): FoundFault[] => judgeVisit(job).faults

export interface JudgedVisit {
  readonly faults: FoundFault[]
  /** Share of the time on site in which somebody works, and for what nobody does, longest first. */
  readonly busyShare?: number
  readonly idleFor?: ReturnType<typeof idleFor>
  /** How many cautions each unit has. */
  readonly cautions?: number[]
}

/** The same, with how busy the visit is. */
export function judgeVisit(job: JobFile): JudgedVisit {
  try {
    const plan = planInEnglish(checkJob(job))
    const { busyShare } = plan.timeline
    const cautions = plan.units.map(({ steps }) => steps.reduce((sum, step) => sum + step.cautions.length, 0))
    return { faults: judge(job, plan), cautions, ...(busyShare === undefined ? {} : { busyShare, idleFor: idleFor(plan) }) }
  } catch (error) {
    const faults: FoundFault[] = [
      { predicate: 'crash', kind: 'crash', unitId: '', says: error instanceof Error ? `${error.name}: ${error.message}` : String(error) },
    ]
    return { faults }
  }
}

type Json = null | boolean | number | string | Json[] | { [key: string]: Json }

/** Every job that is smaller by one thing: an entry, a trait, a grade, a reading. */
function* smaller(value: Json): Generator<Json> {
  if (Array.isArray(value)) {
    for (let at = 0; at < value.length; at++) yield value.filter((_, index) => index !== at)
    for (let at = 0; at < value.length; at++) for (const part of smaller(value[at])) yield value.map((entry, index) => (index === at ? part : entry))
  } else if (value !== null && typeof value === 'object') {
    for (const key of Object.keys(value)) yield Object.fromEntries(Object.entries(value).filter(([other]) => other !== key))
    for (const [key, entry] of Object.entries(value)) for (const part of smaller(entry)) yield { ...value, [key]: part }
  }
}

/** The smallest job found by leaving things out that still breaks the predicate. */
export function shrink(job: JobFile, predicate: string): JobFile {
  const breaks = (candidate: JobFile): boolean => {
    try {
      checkJob(candidate)
    } catch {
      return false
    }
    return judgeJob(candidate).some((fault) => fault.predicate === predicate)
  }
  let smallest = job
  for (let tries = 0, found = true; found && tries < 60; tries++) {
    found = false
    for (const candidate of smaller(smallest as unknown as Json)) {
      if (!breaks(candidate as unknown as JobFile)) continue
      smallest = candidate as unknown as JobFile
      found = true
      break
    }
  }
  return smallest
}
