// How far is this device's clock off the server's? Asked for, with the way there and back halved; what was measured last holds without a signal.
import { endpoints } from '@yastik/core/wire'
import { shallowRef } from 'vue'
import { ask } from './client.ts'

const storedKey = 'yastik-clock-ahead-ms'
/** A new measurement replaces a closer one only where they differ by more than their errors and this: then the clock was set. */
const jumpMs = 500

const stored = localStorage.getItem(storedKey)
/** By how much the device's clock is ahead, ms; undefined before it was ever measured. */
export const aheadMs = shallowRef<number | undefined>(stored === null ? undefined : Number(stored))
let errorMs = Infinity

/**
 * Cristian's method: the server read its clock between asking and answer, so the error is at most half of the time between, which is taken on a
 * clock that nobody sets. Where the device's own clock was set meanwhile, it is asked again.
 * @throws NoAnswer
 */
export async function measureClock(): Promise<number> {
  const [askedMs, begunMs] = [Date.now(), performance.now()]
  const { nowMs } = await ask(endpoints.clock)
  const error = (performance.now() - begunMs) / 2
  if (Math.abs(Date.now() - askedMs - 2 * error) > jumpMs) return measureClock()
  const ahead = Math.round(askedMs + error - nowMs)
  const known = aheadMs.value
  if (known === undefined || error <= errorMs || Math.abs(ahead - known) > error + errorMs + jumpMs) {
    aheadMs.value = ahead
    errorMs = error
    localStorage.setItem(storedKey, String(ahead))
  }
  return aheadMs.value ?? ahead
}

/** What time it is by the server's clock, as far as it is known; ms since 1970. */
export const serverNow = (): number => Date.now() - (aheadMs.value ?? 0)
