// Plan: job file in, plan file out.
export { compareChoice, compareSchool, planTotals, type Totals } from './compare.ts'
export { crewMemberSchema, jobFileSchema, mostUnits, settings, siteSchema, type JobFile, type Site, type UnitJob } from './jobFile.ts'
export { planFileOf, planFileSchema, type Comparison, type Plan, type PlannedDecision, type UnitPlan } from './planFile.ts'
export {
  dryingSentence,
  roomWaitMin,
  sprayedInTheRoom,
  dueMessage,
  answersForCustomer,
  duesInWords,
  leftByReason,
  leadsForCustomer,
  findingMessage,
  speckSentence,
  throwsSpecks,
  workSentences,
} from './customerText.ts'
export { jobOfUnit, unitJobOf, unseenUnitJob, type UnitSheet, type VisitShared } from './fromRecord.ts'
export { contextOf, planJob, type VisitedUnit } from './planJob.ts'
export { visitPlanOf, type VisitPlan } from './visitPlan.ts'
export type { PlanMemory } from './dues.ts'
export { planUnit, type PlannedUnit, type UnitContext } from './planUnit.ts'
export { consequencesOf, type Consequence } from './referenceRound.ts'
export { quoteOptionSchema, type QuoteOption } from './quoteOption.ts'
export { costPerYear, quoteOptions, returnsOf } from './quoteOptions.ts'
export { paidWork, standardVisitMinutes, standardWork, type PaidWork } from './standardWork.ts'
export { checkJob, readJobFile } from './read.ts'
