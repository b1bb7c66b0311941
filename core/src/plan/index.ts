// Plan: job file in, plan file out.
export { compareChoice, planTotals, type Totals } from './compare.ts'
export { crewMemberSchema, jobFileSchema, mostUnits, settings, siteSchema, unitJobSchema, type JobFile, type Site, type UnitJob } from './jobFile.ts'
export { comparisonSchema, planFileSchema, unitPlanSchema, type Comparison, type PlanFile, type PlannedDecision, type UnitPlan } from './planFile.ts'
export { refereeNames, speckSentence, throwsSpecks, workSentences } from './customerText.ts'
export { contextOf, firstOfAll, planJob } from './planJob.ts'
export { planUnit, type PlannedUnit, type UnitContext } from './planUnit.ts'
export { consequencesOf, type Consequence } from './referenceRound.ts'
export { checkJob, mostCharacters, readJobFile } from './read.ts'
