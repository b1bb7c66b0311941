// Lists page by page: how many entries a page has, and where the next begins: after what the page before ended with, written as one mark.
import { says } from '@yastik/core/words'
import { doesNotHoldUp } from '@yastik/core/faults'

/** Entries of a page. */
export const pageSize = 50
/** So many rows are asked for: one more tells whether there is a next page. */
export const pageLimit = pageSize + 1

/** A page of rows of which one more than a page was asked for. @param markAfter the mark of a row that is the last of its page */
export function pageOf<Row, Entry>(
  rows: readonly Row[],
  markAfter: (row: Row) => string,
  entryOf: (row: Row) => Entry,
): { entries: Entry[]; next: string | null } {
  const page = rows.slice(0, pageSize)
  const last = page.at(-1)
  return { entries: page.map(entryOf), next: rows.length > pageSize && last !== undefined ? markAfter(last) : null }
}

/** Mark of an entry by what the list is ordered by, the id last. */
export const markOf = (...parts: readonly (string | number)[]): string => parts.join('~')

/**
 * What a mark is made of; the first part may hold anything, the others no `~`.
 * @throws Fault `does-not-hold-up` for what is no mark of this list
 */
export function readMark(mark: string, count: number, holdsUp: (parts: readonly string[]) => boolean = () => true): string[] {
  const all = mark.split('~')
  const parts = [all.slice(0, all.length - count + 1).join('~'), ...all.slice(all.length - count + 1)]
  if (all.length < count || parts.slice(1).some((part) => part === '' || !isPlain(part)) || !holdsUp(parts))
    throw doesNotHoldUp('after', says('fault.call.no-mark', { mark: mark.slice(0, 80) }), says('fault.call.no-mark-allowed'))
  return parts
}
/** Ids and words are ASCII: a column of them compares with nothing else. */
const isPlain = (part: string) => /^[\x20-\x7e]*$/.test(part)

const lastMs = Date.UTC(9999, 11, 31)
/** Whether it is a moment that the database knows, ms since 1970. */
export const isMoment = (ms: number): boolean => ms >= 0 && ms <= lastMs

/** For lists that are ordered by a moment. */
export function readMomentMark(mark: string | undefined): { at: Date; id: string } | undefined {
  if (mark === undefined) return undefined
  const [at, id] = readMark(mark, 2, ([moment]) => isMoment(Date.parse(moment)))
  return { at: new Date(at), id }
}
export const momentMark = (at: Date, id: string): string => markOf(at.toISOString(), id)

/** A part of a name as the database looks for it. */
export const likePart = (part: string): string => `%${part.replace(/[%_\\]/g, '\\$&')}%`
