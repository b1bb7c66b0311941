// Whose clocks and money count: those of the firm, wherever the device is.
import { dayIn, minuteIn, moneyWords } from '@yastik/core/quantities'
import { computed, type ComputedRef } from 'vue'
import { serverNow } from '../api/clock.ts'
import { useSession } from '../stores/session.ts'
import { locale, t } from '../words/words.ts'

export interface Place {
  /** The day that it is, 2027-03-01. */
  today(): string
  /** The day of a moment. */
  dayOf(atMs: number): string
  /** Minutes since midnight. */
  minuteOf(atMs: number): number
  /** An amount in the firm's money. */
  money(amount: number): string
  /** The currency by its code, beside a field for an amount; ¤ where none is named. */
  readonly currency: ComputedRef<string>
  /** To the whole unit, where hundredths mean nothing. */
  whole(amount: number): string
  /** About so much, without hundredths. */
  about(amount: number): string
  /** A difference, with its sign. */
  change(amount: number): string
}

export function usePlace(): Place {
  const session = useSession()
  const zone = () => session.me?.place.timeZone
  const named = () => session.me?.place.currency
  const money = (amount: number) => moneyWords(amount, named(), false, locale.value)
  const whole = (amount: number) => moneyWords(amount, named(), true, locale.value)
  return {
    today: () => dayIn(serverNow(), zone()),
    dayOf: (atMs) => dayIn(atMs, zone()),
    minuteOf: (atMs) => minuteIn(atMs, zone()),
    money,
    currency: computed(() => named() ?? '¤'),
    whole,
    about: (amount) => t('screen.frame.about', { amount: whole(amount) }),
    change: (amount) => `${amount > 0 ? '+' : ''}${money(amount)}`,
  }
}
