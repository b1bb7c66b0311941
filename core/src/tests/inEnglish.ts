// Plans as a reader of English has them: for tests of what is said.
import { planJob, type JobFile, type Plan, type PlanMemory, type UnitPlan } from '../plan/index.ts'
import { asOneList, type Step } from '../procedure/index.ts'
import { metric } from '../quantities/index.ts'
import { catalogue as english } from '../words/en/index.ts'
import { sayIn, tell, type Told } from '../words/index.ts'

export const inEnglish = sayIn(english, { measures: metric })
export type ToldPlan = Told<Plan>
export type ToldUnitPlan = Told<UnitPlan>
export type ToldStep = Told<Step>
/** The same plan, with what each unit asks of the visit among its own steps: one list in a workable order for one person. */
export const asOnePlan = (plan: Plan): Plan => ({
  ...plan,
  units: plan.units.map((unit) => ({ ...unit, steps: asOneList(unit.id, unit.steps, plan.visit.steps) })),
})
/** A job's plan as one list of steps a unit, every sentence in English. */
export const planInEnglish = (job: JobFile, memory?: PlanMemory): ToldPlan => tell(asOnePlan(planJob(job, memory)), inEnglish)
/** Anything with messages in it, in English. */
export const told = <T>(thing: T): Told<T> => tell(thing, inEnglish)
