// Plans as a reader of English has them: for tests of what is said.
import { planJob, type JobFile, type Plan, type PlanMemory, type UnitPlan } from '../plan/index.ts'
import type { Step } from '../procedure/index.ts'
import { metric } from '../quantities/index.ts'
import { catalogue as english } from '../words/en/index.ts'
import { sayIn, tell, type Told } from '../words/index.ts'

export const inEnglish = sayIn(english, { measures: metric })
export type ToldPlan = Told<Plan>
export type ToldUnitPlan = Told<UnitPlan>
export type ToldStep = Told<Step>
/** A job's plan, every sentence in English. */
export const planInEnglish = (job: JobFile, memory?: PlanMemory): ToldPlan => tell(planJob(job, memory), inEnglish)
/** Anything with messages in it, in English. */
export const told = <T>(thing: T): Told<T> => tell(thing, inEnglish)
