// Whose clocks and money count: those of the firm, wherever the device is.
import { dayIn, minuteIn, moneyWords } from '@yastik/core/quantities'
import { serverNow } from '../api/clock.ts'
import { useSession } from '../stores/session.ts'

export interface Place {
  /** The day that it is, 2027-03-01. */
  today(): string
  /** The day of a moment. */
  dayOf(atMs: number): string
  /** Minutes since midnight. */
  minuteOf(atMs: number): number
  /** An amount in the firm's money. */
  money(amount: number): string
  /** About so much, without hundredths. */
  about(amount: number): string
  /** A difference, with its sign. */
  change(amount: number): string
}

export function usePlace(): Place {
  const session = useSession()
  const zone = () => session.me?.place.timeZone
  const currency = () => session.me?.place.currency
  const money = (amount: number) => moneyWords(amount, currency())
  return {
    today: () => dayIn(serverNow(), zone()),
    dayOf: (atMs) => dayIn(atMs, zone()),
    minuteOf: (atMs) => minuteIn(atMs, zone()),
    money,
    about: (amount) => `about ${moneyWords(amount, currency(), true)}`,
    change: (amount) => `${amount > 0 ? '+' : ''}${money(amount)}`,
  }
}
