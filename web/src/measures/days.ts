// Which day is so many weeks after a moment?
import dayjs from 'dayjs'

/** @returns the day as 2027-03-01, in the time zone of the device; `from` is a moment in ms or a day. */
export const dayAfter = (from: number | string, weeks: number): string =>
  dayjs(from)
    .add(weeks * 7, 'day')
    .format('YYYY-MM-DD')
