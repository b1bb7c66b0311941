// What takes long is done for each firm one after the other, and for all of them a few at a time: nobody waits for what another firm sends again and again.
import { Fault } from '@yastik/core/faults'
import pLimit from 'p-limit'

/** So many of one firm wait for theirs, where nothing else is said. */
const usuallyWaiting = 4

/** Runs something in line. @throws Fault `too-often` where too many of the firm wait already; whatever `work` throws */
export type Line = <Result>(firmId: number, work: () => Promise<Result>) => Promise<Result>

/** A line of its own. @param atOnce by all firms together @param mostWaiting of one firm */
export function lineOf(atOnce: number, mostWaiting = usuallyWaiting): Line {
  const all = pLimit(atOnce)
  const byFirm = new Map<number, ReturnType<typeof pLimit>>()
  return async (firmId, work) => {
    const own = byFirm.get(firmId) ?? pLimit(1)
    byFirm.set(firmId, own)
    if (own.pendingCount >= mostWaiting) throw new Fault('too-often')
    try {
      return await own(() => all(work))
    } finally {
      if (own.activeCount + own.pendingCount === 0) byFirm.delete(firmId)
    }
  }
}
