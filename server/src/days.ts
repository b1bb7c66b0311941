// How are days counted on the server? By the clocks of the firm, written as 2026-05-31.
import type { HouseRules } from '@yastik/core/method'
import { dayIn } from '@yastik/core/quantities'

export const dayMs = 86_400_000

/** Whose clocks count. */
export interface Zoned {
  readonly houseRules: Pick<HouseRules, 'timeZone'>
}
/** The day on which a moment falls at a firm. */
export const dayOf = (ms: number, { houseRules }: Zoned): string => dayIn(ms, houseRules.timeZone)
/** The day that it is in UTC: of what belongs to no firm. */
export const utcDay = (ms: number): string => new Date(ms).toISOString().slice(0, 10)
