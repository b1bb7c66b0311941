// Where does the next page of a list begin? After what the page before ended with, written as one mark.
import { Fault } from '@yastik/core'

/** Mark of an entry by what the list is ordered by, the id last. */
export const markOf = (...parts: readonly (string | number)[]): string => parts.join('~')

/**
 * What a mark is made of; the first part may hold anything, the others no `~`.
 * @throws Fault `does-not-hold-up` for what is no mark of this list
 */
export function readMark(mark: string, count: number, holdsUp: (parts: readonly string[]) => boolean = () => true): string[] {
  const all = mark.split('~')
  const parts = [all.slice(0, all.length - count + 1).join('~'), ...all.slice(all.length - count + 1)]
  if (all.length < count || parts.slice(1).some((part) => part === '') || !holdsUp(parts))
    throw new Fault('does-not-hold-up', {
      lines: [{ where: 'after', what: `“${mark.slice(0, 80)}” is no page mark`, allowed: 'the `next` of the page before' }],
    })
  return parts
}

/** For lists that are ordered by a moment. */
export function readMomentMark(mark: string | undefined): { at: Date; id: string } | undefined {
  if (mark === undefined) return undefined
  const [at, id] = readMark(mark, 2, ([moment]) => !Number.isNaN(Date.parse(moment)))
  return { at: new Date(at), id }
}
