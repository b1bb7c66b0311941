// Upkeep: the fouling forecast, and what is due when.
export { dueKinds, indexFound, indexLeft, indexParts, ruledDues, type Due } from './due.ts'
export { expectedGrade, gradesWith, unseenGrade } from './expected.ts'
export { draftReminder, isStart, isStop, stopLine, type ReminderFacts, type ReminderUnit } from './reminder.ts'
export { bringForward, coolingSeason, roofDays, type Season, type WeatherDay } from './season.ts'
export {
  cleanedByOthers,
  duesAfterVisit,
  duesWithoutLook,
  isNotCleanYet,
  notCleanBecause,
  unitDues,
  type UnitMemory,
  type UnitPast,
} from './unitDues.ts'
export { firmRatesSchema, ratesAtFirst, type FirmRates } from './firmRates.ts'
export { learnRates } from './learnRates.ts'
export { forecastOf, lossIndex, priorRateOf, type Forecast, type UnitUse } from './forecast.ts'
export { evidenceOf, mostVisits } from './history.ts'
export { visitSchema, type Visit } from './pastVisit.ts'
export { dueIndex, foulingRate, mostWeeks, passing, weeksPerYear, weeksUntil } from './fouling.ts'
export { surroundings, type Surrounding } from './surroundings.ts'
export { foundChances, indexSeenAfter } from './seen.ts'
export { cleaningOf, suitedDay, visitKinds, workOf } from './visit.ts'
