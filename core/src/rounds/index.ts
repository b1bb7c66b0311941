// Rounds: who is where when, over a day.
export { crewKey } from './crew.ts'
export { dayStops, inOrderOfDay, isLongDay, type DayStop, type DayVisit } from './day.ts'
export { lateText } from './late.ts'
export { specialName, specials, specialsOf, type Special } from './special.ts'
