// What is a customer written when something falls due? Drafted from the facts, in plain words; a person reads it before it goes.
import type { Grade } from '../quantities/index.ts'
import { says, type Message, type Say } from '../words/index.ts'
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
  /** In the customer's language. */
  readonly say: Say
}

/** How a message can be ended; stands below every one of them. */
export const stopLine: Message = says('letters.stop')
/** In any language that is written in: who ends it is not asked which one they were written in. */
export const isStop = (answer: string): boolean => /^\W*(stop\b|(alto|baja)\W*(por favor)?\W*$)/i.test(answer)
export const isStart = (answer: string): boolean => /^\W*(start\b|(inicio|alta)\W*$)/i.test(answer)

const isSameMonth = (one: string, other: string) => one.slice(0, 7) === other.slice(0, 7)
/** The month alone within the same year as `beside`. */
const monthBeside = (day: string, beside: string) => (day.slice(0, 4) === beside.slice(0, 4) ? { monthAlone: day } : { month: day })

function dueLine({ name: unit, what, dueOn, lowOn, highOn }: ReminderUnit, today: string): Message {
  const work = says(`letters.work.${what}`)
  if (dueOn <= today) return says('letters.reminder.now', { unit, work })
  const month = { month: dueOn }
  return lowOn && highOn && !isSameMonth(lowOn, highOn)
    ? says('letters.reminder.between', { unit, work, month, low: monthBeside(lowOn, highOn), high: { month: highOn } })
    : says('letters.reminder.soon', { unit, work, month })
}
function unitLines(unit: ReminderUnit, today: string): Message[] {
  const { lastCleanedOn, found, covers = [] } = unit
  const month = { month: lastCleanedOn ?? '' }
  return [
    dueLine(unit, today),
    ...(covers.length > 0 ? [says('letters.reminder.covers', { covers: { and: covers.map((other) => says(`letters.covers.${other}`)) } })] : []),
    ...(!lastCleanedOn
      ? []
      : found !== undefined && found >= 2
        ? [says('letters.reminder.last-found', { month, grade: String(found) })]
        : [says('letters.reminder.last', { month })]),
  ]
}

const depth = ({ what }: ReminderUnit): number => fromLeastToDeepest.indexOf(what)

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
export function draftReminder({ firm, site, today, units, before, say }: ReminderFacts): string {
  return [
    [says('letters.reminder.head', { firm, site })],
    ...mostOf(units, today).map((unit) => unitLines(unit, today)),
    before ? [says('letters.reminder.before', { month: monthBeside(before, today) })] : [],
    [says('letters.reminder.end')],
  ]
    .filter((line) => line.length > 0)
    .map((line) => line.map(say).join(' '))
    .join('\n')
}
