// Upkeep: the fouling forecast, and what is due when.
export { dueAfter, dueKinds, indexLeft, lightIndex, type Due, type UpkeepInput } from './due.ts'
export { expectedGrade, gradesWith, unseenGrade } from './expected.ts'
export { unitDues, type UnitPast } from './unitDues.ts'
export { firmRatesSchema, learnRates, ratesAtFirst, type FirmRates } from './firmRates.ts'
export { dueLoss, forecastOf, lossIndex, priorRateOf, type Forecast, type UnitUse } from './forecast.ts'
export { evidenceOf, visitSchema, type Visit } from './history.ts'
export { chancePassed, dueIndex, firmRisk, foulingRate, mostWeeks, surroundings, weeksPerYear, weeksUntil, type Surrounding } from './fouling.ts'
