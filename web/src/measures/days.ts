// How is a day written, and which day is so many weeks after a moment?
import dayjs from 'dayjs'
import { serverNow } from '../api/clock.ts'

/** As a day is written everywhere: 3 Mar 2027. */
export const dayFormat = 'D MMM YYYY'

/** @param at a moment, or a day as 2027-03-01 */
export const dayWords = (at: string | number | Date): string => dayjs(at).format(dayFormat)
/** Day and time of a moment. */
export const momentWords = (at: string | number | Date): string => dayjs(at).format(`${dayFormat}, HH:mm`)

/** Today by the server's clock, as 2027-03-01 in the time zone of the device. */
export const today = (): string => dayjs(serverNow()).format('YYYY-MM-DD')

/** @returns the day as 2027-03-01, in the time zone of the device; `from` is a moment in ms or a day. */
export const dayAfter = (from: number | string, weeks: number): string =>
  dayjs(from)
    .add(weeks * 7, 'day')
    .format('YYYY-MM-DD')
