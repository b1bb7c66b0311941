// Quantities: numbers with a unit, a range and a source.
export { allGrades, gradeSchema, type Grade } from './grade.ts'
export {
  clockWords,
  counted,
  dayAfter,
  dayFormat,
  dayIn,
  dayTakenFor,
  dayTyped,
  dayWords,
  durationWords,
  isTimeZone,
  minuteIn,
  momentAt,
  momentWords,
  monthWords,
} from './days.ts'
export { currencies, moneyWords } from './money.ts'
export {
  asEntered,
  asRead,
  customary,
  figureOf,
  figureWords,
  isSiUnit,
  measuresSchema,
  metric,
  quantityWords,
  reading,
  unitFor,
  type Measures,
  type SiUnit,
} from './measures.ts'
export { celsius, share, altitudeM, count, positiveUpTo, amountUpTo, pH, shownName, identifier } from './numbers.ts'
export { seeded } from './random.ts'
export { clamp, round, roundUpTo } from './rounding.ts'
export { estimate, published, type StartValue } from './startValue.ts'
