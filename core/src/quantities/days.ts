// How is a day written, which day is it where somebody works, and which day is so many weeks after a moment?
import dayjs from 'dayjs'
import customParseFormat from 'dayjs/plugin/customParseFormat.js'
import timezone from 'dayjs/plugin/timezone.js'
import utc from 'dayjs/plugin/utc.js'

/** As a day is written everywhere: 3 Mar 2027. */
export const dayFormat = 'D MMM YYYY'

dayjs.extend(customParseFormat)
dayjs.extend(utc)
dayjs.extend(timezone)
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
export const dayWords = (at: string | number | Date, locale = 'en'): string =>
  locale === 'en'
    ? dayjs(at).format(dayFormat)
    : new Intl.DateTimeFormat(locale, { day: 'numeric', month: 'short', year: 'numeric' }).format(dayjs(at).toDate())
/** Day and time of a moment. */
export const momentWords = (at: string | number | Date, locale = 'en'): string => `${dayWords(at, locale)}, ${dayjs(at).format('HH:mm')}`

/** @returns the day as 2027-03-01, in the time zone of the device; `from` is a moment in ms or a day. */
export const dayAfter = (from: number | string, weeks: number): string =>
  dayjs(from)
    .add(weeks * 7, 'day')
    .format('YYYY-MM-DD')

/** Whether a time zone is known by this name, as `Europe/Vienna`. */
export function isTimeZone(zone: string): boolean {
  try {
    return new Intl.DateTimeFormat('en', { timeZone: zone }).resolvedOptions().timeZone !== ''
  } catch (error) {
    if (error instanceof RangeError) return false
    throw error
  }
}
/** Of a firm that named none, or one that nobody knows. */
const zoneFor = (zone: string | undefined) => (zone !== undefined && isTimeZone(zone) ? zone : 'UTC')

/** Made once for each zone: making one takes a thousand times as long as using it. */
const clocks = new Map<string | undefined, Intl.DateTimeFormat>()
function clockIn(atMs: number, zone: string | undefined): Record<string, string> {
  const known = clocks.get(zone)
  const clock =
    known ??
    new Intl.DateTimeFormat('en', {
      timeZone: zoneFor(zone),
      hourCycle: 'h23',
      year: 'numeric',
      ...{ month: '2-digit', day: '2-digit', hour: '2-digit', minute: '2-digit' },
    })
  if (!known) clocks.set(zone, clock)
  return Object.fromEntries(clock.formatToParts(atMs).map(({ type, value }) => [type, value]))
}

/** @param atMs a moment @param zone IANA name; UTC where there is none @returns the day there, 2027-03-01 */
export function dayIn(atMs: number, zone: string | undefined): string {
  const { year, month, day } = clockIn(atMs, zone)
  return `${year}-${month}-${day}`
}
/** Minutes since midnight by the clocks there. */
export function minuteIn(atMs: number, zone: string | undefined): number {
  const { hour, minute } = clockIn(atMs, zone)
  return Number(hour) * 60 + Number(minute)
}
/** The moment at which clocks there show so many minutes after midnight of a day, ms. */
export const momentAt = (day: string, minute: number, zone: string | undefined): number =>
  dayjs.tz(`${day} ${clockWords(minute)}`, zoneFor(zone)).valueOf()

/** A time of day from minutes since midnight: 08:05; what falls on the next day goes on counting from 00:00. */
export function clockWords(minute: number): string {
  const whole = ((Math.round(minute) % 1440) + 1440) % 1440
  return [Math.floor(whole / 60), whole % 60].map((part) => String(part).padStart(2, '0')).join(':')
}

/** From here on minutes are told in hours, and from there on nobody asks for minutes any more. */
const [inHoursMin, inWholeHoursMin] = [90, 600]
/** A length of time: 45 min, 2 h, 3 h 20, 54 h. @param minutes not negative */
export function durationWords(minutes: number): string {
  const whole = Math.round(minutes)
  if (whole < inHoursMin) return `${whole} min`
  if (whole >= inWholeHoursMin) return `${Math.round(whole / 60)} h`
  const rest = whole % 60
  return `${Math.floor(whole / 60)} h${rest > 0 ? ` ${String(rest).padStart(2, '0')}` : ''}`
}
/** A number with what is counted: 1 week, 2 weeks. */
export const counted = (count: number, one: string, many = `${one}s`): string => `${count} ${count === 1 ? one : many}`
