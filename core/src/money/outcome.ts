// What did a visit really take and earn, beside what was quoted?
import { z } from 'zod'
import { closed } from '../schemas/index.ts'
import { plainId } from '../procedure/index.ts'
import { estimate, round } from '../quantities/index.ts'
import { durationsOf, type UnitState } from '../run/index.ts'

export interface QuotedWork {
  /** What the customer pays, and hands-on minutes and product that were reckoned with. */
  readonly total: number
  readonly handsMin: number
  readonly productCost: number
  /** Minutes in which nobody works, times the people who are there. */
  readonly waitingMin?: number
}
export const outcomeSchema = closed({
  plannedMin: z.number(),
  realMin: z.number(),
  /** Minutes in which nobody worked, times the people who were there: they cost the firm, whoever pays for them. */
  plannedWaitMin: z.number(),
  realWaitMin: z.number(),
  /** Share of the hands-on minutes whose real time is known; the rest counts as planned. */
  measuredShare: z.number(),
  plannedProduct: z.number(),
  realProduct: z.number(),
  total: z.number(),
  /** What is left of the total after people and products, before travel and overheads. */
  plannedMargin: z.number(),
  realMargin: z.number(),
})
export type Outcome = z.infer<typeof outcomeSchema>

/** Hands-on minutes of a finished unit: as measured step by step, as planned where a step has no time of its own. */
export function realMinutes(state: UnitState): { minutes: number; measuredMin: number; plannedMin: number } {
  const real = new Map(durationsOf(state).map(({ stepId, realMin }) => [stepId, realMin]))
  const done = (state.steps ?? []).filter(({ id }) => state.progress[id]?.skippedBecause === undefined)
  const sum = (minutes: (step: (typeof done)[number]) => number) => done.reduce((all, step) => all + minutes(step) * step.people, 0)
  return {
    minutes: sum(({ id, handsMin }) => real.get(plainId(id)) ?? handsMin),
    measuredMin: sum(({ id, handsMin }) => (real.has(plainId(id)) ? handsMin : 0)),
    plannedMin: sum(({ handsMin }) => handsMin),
  }
}

/** A gap from which on nobody was there, as with a visit that goes on another day. */
const awayMs = estimate(120, 'min').value * 60_000

/** Minutes in which nobody worked, times the people who were there; a step that nobody timed counts as long as it was planned. */
function waitedMinutes(states: readonly UnitState[]): number {
  const worked = states
    .flatMap(({ steps = [], progress }) =>
      steps.flatMap(({ id, handsMin }) => {
        const { begunAtMs, doneAtMs, by } = progress[id] ?? {}
        return doneAtMs === undefined ? [] : [{ fromMs: begunAtMs ?? doneAtMs - handsMin * 60_000, toMs: doneAtMs, by }]
      }),
    )
    .sort((one, other) => one.fromMs - other.fromMs)
  let [waitedMs, untilMs] = [0, worked[0]?.fromMs ?? 0]
  for (const { fromMs, toMs } of worked) {
    const gap = fromMs - untilMs
    if (gap > 0 && gap < awayMs) waitedMs += gap
    untilMs = Math.max(untilMs, toMs)
  }
  return (waitedMs / 60_000) * new Set(worked.map(({ by }) => by)).size
}

/**
 * Planned against real of a whole visit.
 * @param states of its units
 * @param litrePrice what a litre of a product costs the firm; undefined where that is not known
 * @param hourCost what an hour of a person costs the firm
 */
export function outcomeOf(
  quoted: QuotedWork,
  states: readonly UnitState[],
  litrePrice: (productId: string) => number | undefined,
  hourCost: number,
): Outcome {
  const times = states.map(realMinutes)
  const planned = times.reduce((sum, { plannedMin }) => sum + plannedMin, 0)
  const measured = times.reduce((sum, { measuredMin }) => sum + measuredMin, 0)
  const realMin = times.reduce((sum, { minutes }) => sum + minutes, 0)
  const realProduct = states.flatMap(({ used }) => used).reduce((sum, { productId, litres }) => sum + litres * (litrePrice(productId) ?? 0), 0)
  const realWaitMin = waitedMinutes(states)
  const plannedWaitMin = quoted.waitingMin ?? 0
  const margin = (minutes: number, product: number) => round(quoted.total - (minutes / 60) * hourCost - product, 2)
  return {
    plannedMin: round(quoted.handsMin),
    realMin: round(realMin),
    plannedWaitMin: round(plannedWaitMin),
    realWaitMin: round(realWaitMin),
    measuredShare: planned > 0 ? round(measured / planned, 2) : 0,
    plannedProduct: round(quoted.productCost, 2),
    realProduct: round(realProduct, 2),
    total: quoted.total,
    plannedMargin: margin(quoted.handsMin + plannedWaitMin, quoted.productCost),
    realMargin: margin(realMin + realWaitMin, realProduct),
  }
}
