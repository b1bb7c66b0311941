// Upkeep: the fouling forecast, and what is due when.
export { dueAfter, type Due, type UpkeepInput } from './due.ts'
export { chancePassed, dueIndex, firmRisk, foulingRate, surroundings, weeksUntil, type Surrounding } from './fouling.ts'
