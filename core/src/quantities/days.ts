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
/** Ways in which a day may be typed once its month is a number; nothing that is no day of the calendar is taken for one. */
const typedAs = ['D M YYYY', 'DD M YYYY', 'YYYY-MM-DD']
/** Fewest letters of a month that say which one it is. */
const leastOfMonth = 3
/** Months as a language spells them, in small letters. */
const monthsIn = (locale: string): string[] =>
  Array.from({ length: 12 }, (_, month) =>
    new Intl.DateTimeFormat(locale, { month: 'long', timeZone: 'UTC' })
      .format(dayjs.utc().year(2027).date(1).month(month).toDate())
      .toLocaleLowerCase(locale),
  )
/**
 * A day as somebody typed it: 3 Mar 2027, 3 march 2027, 3 de marzo de 2027, 2027-03-03.
 * @param locale whose months are meant @returns 2027-03-03; undefined where it is no day
 */
export function dayTyped(text: string, locale = 'en'): string | undefined {
  const months = monthsIn(locale)
  const asNumbers = text
    .trim()
    .replace(/\p{L}+/gu, (word) => {
      const month = months.findIndex((name) => word.length >= leastOfMonth && name.startsWith(word.toLocaleLowerCase(locale)))
      return month < 0 && word.length < leastOfMonth && locale !== 'en' ? '' : String(month + 1)
    })
    .replace(/\s+/g, ' ')
  const day = dayjs(asNumbers, typedAs, true)
  return day.isValid() ? day.format('YYYY-MM-DD') : undefined
}
/** What the library would make of it, overflowing months and all. */
export const dayTakenFor = (text: string): string => dayjs(text, dayFormat).format('YYYY-MM-DD')

/** @param at a moment, or a day as 2027-03-01 */
export const dayWords = (at: string | number | Date, locale = 'en'): string =>
  locale === 'en'
    ? dayjs(at).locale('en').format(dayFormat)
    : new Intl.DateTimeFormat(locale, { day: 'numeric', month: 'short', year: 'numeric' }).format(dayjs(at).toDate())
/** The month of a day: March 2027; without its year where `withYear` says so. */
export const monthWords = (day: string, locale = 'en', withYear = true): string =>
  new Intl.DateTimeFormat(locale, { month: 'long', ...(withYear ? { year: 'numeric' } : {}) }).format(dayjs(day).toDate())
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
