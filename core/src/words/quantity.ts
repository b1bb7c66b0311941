// How is a quantity read? The core has it in SI; a person reads it in their own unit, the smaller one where that reads better.
import { dayWords, monthWords, durationWords, figureWords, moneyWords, quantityWords, type Measures, type SiUnit } from '../quantities/index.ts'

/** Units in which the core states a quantity, and what each is called in the catalogue's texts where no person reads it otherwise. */
const asStated = {
  kg: 'kg',
  cm: 'cm',
  m: 'm',
  mm: 'mm',
  mmM: 'mm/m',
  Ms: 'm/s',
  MmH: 'mm/h',
  A: 'A',
  Pa: 'Pa',
  V: 'V',
  W: 'W',
} as const
const read = { L: 'L', LMin: 'L/min', LH: 'L/h', C: '°C', K: 'K', M3h: 'm³/h', Kw: 'kW' } as const satisfies Record<string, SiUnit>
type Figures = keyof typeof asStated | keyof typeof read | 'min' | 'h' | 'weeks' | 'days' | 'share' | 'money' | 'n'

/** One figure with its unit as the name: `{ L: 0.012 }`, `{ C: -5 }`; `share` 0.35 is 35 %, `money` is in the firm's, `day` is a date as 2027-03-01; `month` is the month
 * of such a date, `monthAlone` without its year. */
export type Quantity =
  { [U in Figures]: { readonly [K in U]: number } }[Figures] | { readonly day: string } | { readonly month: string } | { readonly monthAlone: string }

export interface Reader {
  /** By which dates, figures and lists are written: BCP 47. */
  readonly locale: string
  readonly measures: Measures
  /** ISO 4217; without one no currency is named. */
  readonly currency?: string
}

const isOf = <T extends object>(names: T, unit: PropertyKey): unit is keyof T => Object.hasOwn(names, unit)
/**
 * Figure and unit as this person reads them: 12 mL, 0.4 fl oz, 54 h, 23 °F.
 * @param span how the language says so many days or weeks
 */
export function quantityIn(quantity: Quantity, { locale, measures, currency }: Reader, span: (unit: Span, count: number) => string): string {
  if ('day' in quantity) return dayWords(quantity.day, locale)
  if ('month' in quantity) return monthWords(quantity.month, locale)
  if ('monthAlone' in quantity) return monthWords(quantity.monthAlone, locale, false)
  const [[unit, value]] = Object.entries(quantity) as [[Figures, number]]
  if (isOf(read, unit)) return quantityWords(value, read[unit], measures, locale)
  if (isOf(asStated, unit)) return `${figureWords(value, locale)} ${asStated[unit]}`
  switch (unit) {
    case 'share':
      return `${figureWords(Math.round(value * 100), locale)} %`
    case 'money':
      return moneyWords(value, currency, false, locale)
    case 'n':
      return figureWords(value, locale)
    case 'min':
      return Number.isInteger(value) ? durationWords(value) : `${figureWords(value, locale)} min`
    case 'h':
      return `${figureWords(value, locale)} h`
    default:
      return span(unit, value)
  }
}
export type Span = 'days' | 'weeks'
/** A quantity of this unit. */
export type Of<U extends Figures> = { readonly [K in U]: number }
