// What is a customer written when something falls due? Drafted from the facts, in plain words; a person reads it before it goes.
import { gradeNames, type Grade } from '../quantities/index.ts'
import { fromLeastToDeepest, type Due } from './due.ts'

export interface ReminderUnit {
  readonly name: string
  readonly what: Due['what']
  /** Days as 2027-03-01. */
  readonly dueOn: string
  readonly lowOn?: string
  readonly highOn?: string
  readonly lastCleanedOn?: string
  /** What else is due then and is done with it. */
  readonly covers?: readonly Due['what'][]
  /** Worst of coil and wheel at the last visit. */
  readonly found?: Grade
}
export interface ReminderFacts {
  readonly firm: string
  readonly site: string
  readonly today: string
  readonly units: readonly ReminderUnit[]
  /** First day of the cooling season, where the work is better done before it. */
  readonly before?: string
}

/** How a message can be ended; stands below every one of them. */
export const stopLine = 'Answer STOP and we will not write again.'
export const isStop = (answer: string): boolean => /^\W*stop\b/i.test(answer)
export const isStart = (answer: string): boolean => /^\W*start\b/i.test(answer)

const months = 'January February March April May June July August September October November December'.split(' ')
/** `March 2027`; the month alone within the same year as `beside`. */
export function monthOf(day: string, beside?: string): string {
  const [year, month] = day.split('-')
  return beside?.startsWith(year) ? months[Number(month) - 1] : `${months[Number(month) - 1]} ${year}`
}
const dueWords: Record<Due['what'], string> = {
  filter: 'washing its filters',
  'fine-filter': 'its fine filter',
  'pan-treatment': 'a new pan treatment',
  'light-clean': 'a light clean',
  'deep-clean': 'a deep clean',
}

function unitSentence({ name, what, dueOn, lowOn, highOn, lastCleanedOn, found, covers = [] }: ReminderUnit, today: string): string {
  const when = dueOn <= today ? 'is due now for' : `will be due about ${monthOf(dueOn)} for`
  const between =
    lowOn && highOn && dueOn > today && monthOf(lowOn) !== monthOf(highOn) ? ` (between ${monthOf(lowOn, highOn)} and ${monthOf(highOn)})` : ''
  const last = lastCleanedOn
    ? ` We cleaned it last in ${monthOf(lastCleanedOn)}${found !== undefined && found >= 2 ? `, when we found a ${gradeNames[found]} on its coil` : ''}.`
    : ''
  const alsoDone = covers.length > 0 ? ` It covers ${covers.map((other) => coversWords[other]).join(' and ')}, due as well.` : ''
  return `${name} ${when} ${dueWords[what]}${between}.${alsoDone}${last}`
}

const depth = ({ what }: ReminderUnit): number => fromLeastToDeepest.indexOf(what)
/** What the deepest work covers of what is due beside it. */
const coversWords: Record<Due['what'], string> = {
  filter: 'its filters',
  'fine-filter': 'the fine filter',
  'pan-treatment': 'a new pan treatment',
  'light-clean': 'the light clean',
  'deep-clean': 'the deep clean',
}

/** One entry a unit: the deepest of what is due by `today`, else what comes first; with what else is due then and is covered by it. */
function mostOf(units: readonly ReminderUnit[], today: string): ReminderUnit[] {
  const byUnit = new Map<string, ReminderUnit[]>()
  for (const unit of units) byUnit.set(unit.name, [...(byUnit.get(unit.name) ?? []), unit])
  return [...byUnit.values()].map((own) => {
    const inTime = [...own].sort((one, other) => (one.dueOn < other.dueOn ? -1 : 1))
    const due = inTime.filter(({ dueOn }) => dueOn <= today)
    if (due.length === 0) return inTime[0]
    const deepest = due.reduce((best, unit) => (depth(unit) > depth(best) ? unit : best))
    return { ...deepest, covers: due.filter((unit) => unit !== deepest).map(({ what }) => what) }
  })
}

/** The message, without the line that ends it. Each unit once, with the deepest work that is due. */
export function draftReminder({ firm, site, today, units, before }: ReminderFacts): string {
  return [
    `${firm} about the air conditioning at ${site}:`,
    ...mostOf(units, today).map((unit) => unitSentence(unit, today)),
    before ? `Best before it runs every day, that is before ${monthOf(before, today)}.` : '',
    'The days come from what we found at your units, not from the calendar. Write or call, and we will find a day.',
  ]
    .filter((line) => line !== '')
    .join('\n')
}
