// Has a reading settled, so that it may be taken? By rule, not by patience.
import { estimate } from '../../quantities/index.ts'
import type { InstrumentReading, MeasuredQuantity } from './reading.ts'

/** So long a value has to hold still. */
export const settledS = estimate(8, 's')
/** Within that time it may wander by this share of the instrument's tolerance, or by two of its steps, whichever is more. */
const wander = estimate(0.6, 'share of tolerance')
/** Fewer readings say nothing. */
const leastReadings = 5

export interface Settled {
  readonly quantity: MeasuredQuantity
  /** Mean over the time in which it held still. */
  readonly value: number
  readonly tolerance: number
}

/**
 * The settled value of one quantity at `nowMs`, from its readings in any order: the spread over the last seconds, halves compared
 * as well, so that a slow creep does not pass for rest.
 * @returns undefined while it still moves.
 */
export function settledOf(readings: readonly InstrumentReading[], quantity: MeasuredQuantity, nowMs: number): Settled | undefined {
  const own = readings.filter((reading) => reading.quantity === quantity && reading.atMs <= nowMs).sort((a, b) => a.atMs - b.atMs)
  const sinceMs = nowMs - settledS.value * 1000
  const recent = own.filter(({ atMs }) => atMs >= sinceMs)
  if (recent.length < leastReadings || own[0].atMs > sinceMs) return undefined
  const { tolerance, step } = recent[recent.length - 1]
  const values = recent.map(({ value }) => value)
  const allowed = Math.max(wander.value * 2 * tolerance, 2 * step)
  if (Math.max(...values) - Math.min(...values) > allowed) return undefined
  const mean = (list: readonly number[]) => list.reduce((sum, value) => sum + value, 0) / list.length
  const half = values.length >> 1
  if (Math.abs(mean(values.slice(half)) - mean(values.slice(0, half))) > allowed / 4) return undefined
  return { quantity, value: mean(values), tolerance }
}
