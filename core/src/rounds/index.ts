// Rounds: who is where when, over a day.
export { dayStops, inOrderOfDay, isLongDay, type DayStop, type DayVisit } from './day.ts'
export { lateText } from './late.ts'
export { specialNames, specials, specialsOf, type Special } from './special.ts'
