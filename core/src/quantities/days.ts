// How is a day written, and which day is so many weeks after a moment?
import dayjs from 'dayjs'
import customParseFormat from 'dayjs/plugin/customParseFormat.js'

/** As a day is written everywhere: 3 Mar 2027. */
export const dayFormat = 'D MMM YYYY'

dayjs.extend(customParseFormat)
/** Ways in which a day may be typed; nothing that is no day of the calendar is taken for one. */
const typedAs = [dayFormat, 'DD MMM YYYY', 'YYYY-MM-DD']
/** A day as somebody typed it: 3 Mar 2027, 3 march 2027, 2027-03-03. @returns 2027-03-03; undefined where it is no day */
export function dayTyped(text: string): string | undefined {
  const asWritten = text
    .trim()
    .replace(/\s+/g, ' ')
    .replace(/[a-z]+/i, (month) =>
      month
        .slice(0, 3)
        .replace(/^./, (first) => first.toUpperCase())
        .replace(/.{2}$/, (rest) => rest.toLowerCase()),
    )
  const day = dayjs(asWritten, typedAs, true)
  return day.isValid() ? day.format('YYYY-MM-DD') : undefined
}
/** What the library would make of it, overflowing months and all. */
export const dayTakenFor = (text: string): string => dayjs(text, dayFormat).format('YYYY-MM-DD')

/** @param at a moment, or a day as 2027-03-01 */
export const dayWords = (at: string | number | Date): string => dayjs(at).format(dayFormat)
/** Day and time of a moment. */
export const momentWords = (at: string | number | Date): string => dayjs(at).format(`${dayFormat}, HH:mm`)

/** @returns the day as 2027-03-01, in the time zone of the device; `from` is a moment in ms or a day. */
export const dayAfter = (from: number | string, weeks: number): string =>
  dayjs(from)
    .add(weeks * 7, 'day')
    .format('YYYY-MM-DD')
