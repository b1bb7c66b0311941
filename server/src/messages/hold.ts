// Why is a customer not written to now?
import { says, type Message as Words } from '@yastik/core/words'
import type { HoldReason, MessageState, Reminders } from '@yastik/core/wire'
import type { Message, Stop } from '../db/models.ts'
import { dayMs } from '../days.ts'

/** A customer is not reminded more often than this. */
const gapDays = 14

/** Whether a customer agreed to be written to at this address, and did not stop it since. */
export const isHeld = (reminders: Reminders | undefined, stop: Pick<Stop, 'stoppedOn'> | undefined): 'no-consent' | 'stopped' | null =>
  !reminders ? 'no-consent' : stop && stop.stoppedOn >= reminders.agreedOn ? 'stopped' : null

/** A reminder that never left, or that somebody took back, does not count. */
const counts: readonly MessageState[] = ['waiting', 'sent', 'delivered']
export const isLate = (last: Pick<Message, 'state' | 'madeAt'>, nowMs: number): boolean =>
  counts.includes(last.state) && last.madeAt.getTime() > nowMs - gapDays * dayMs

export const holdSentences: Readonly<Record<HoldReason, Words>> = {
  'no-consent': says('fault.messages.no-consent'),
  stopped: says('fault.messages.stopped'),
  lately: says('fault.messages.lately', { days: { days: gapDays } }),
}
