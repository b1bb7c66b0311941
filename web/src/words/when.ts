// How are days, months and moments written, in the language of whoever reads?
import { dayWords as dayIn, momentWords as momentIn } from '@yastik/core/quantities'
import dayjs from 'dayjs'
import { locale } from './words.ts'

/** A moment, or a day as 2027-03-01. */
type At = string | number | Date
export const dayWords = (at: At): string => dayIn(at, locale.value)
export const momentWords = (at: At): string => momentIn(at, locale.value)

/** English is written as the house writes it; every other language as it is usual there. */
const forms = {
  month: { english: 'MMM YYYY', elsewhere: { month: 'short', year: 'numeric' } },
  monthAlone: { english: 'MMM', elsewhere: { month: 'short' } },
  weekday: { english: 'dddd, D MMMM YYYY', elsewhere: { weekday: 'long', day: 'numeric', month: 'long', year: 'numeric' } },
  shortWeekday: { english: 'ddd D MMM YYYY', elsewhere: { weekday: 'short', day: 'numeric', month: 'short', year: 'numeric' } },
  dayAndTime: { english: 'D MMM, HH:mm', elsewhere: { day: 'numeric', month: 'short', hour: '2-digit', minute: '2-digit', hourCycle: 'h23' } },
  second: {
    english: 'D MMM YYYY, HH:mm:ss',
    elsewhere: {
      ...{ day: 'numeric', month: 'short', year: 'numeric' },
      ...{ hour: '2-digit', minute: '2-digit', second: '2-digit', hourCycle: 'h23' },
    },
  },
} as const satisfies Record<string, { english: string; elsewhere: Intl.DateTimeFormatOptions }>
const inForm =
  (form: keyof typeof forms) =>
  (at: At): string =>
    locale.value === 'en'
      ? dayjs(at).format(forms[form].english)
      : new Intl.DateTimeFormat(locale.value, forms[form].elsewhere).format(dayjs(at).toDate())

/** Mar 2027 */
export const monthWords = inForm('month')
/** Mar */
export const monthAloneWords = inForm('monthAlone')
/** Monday, 1 March 2027 */
export const weekdayWords = inForm('weekday')
/** Mon 1 Mar 2027 */
export const shortWeekdayWords = inForm('shortWeekday')
/** 1 Mar, 08:05 */
export const dayAndTimeWords = inForm('dayAndTime')
/** 1 Mar 2027, 08:05:59 */
export const secondWords = inForm('second')
/** 08:05, by the clock of this device */
export const timeWords = (at: At): string => dayjs(at).format('HH:mm')
