// How long do steps really take, and whom? From finished runs: a factor on the start value of each step, and each one's pace, guarded against what
// was no work.
import { clamp, estimate, round } from '../quantities/index.ts'
import { leastPacePercent, mostPacePercent, plainId } from '../procedure/index.ts'
import type { UnitState } from './unitState.ts'
import type { Sentence } from '../words/index.ts'

export interface StepDuration {
  readonly stepId: string
  /** Who did it: number of the person. */
  readonly by: number
  readonly title: Sentence
  /** Start value before any correction, and what it took, minutes. */
  readonly startMin: number
  readonly realMin: number
}

/** What was begun before a break, or tapped in passing, says nothing: durations outside this many times the start value are set aside. */
const believable = { least: estimate(0.2, 'times the start value'), most: estimate(5, 'times the start value') }
/** Further from the middle than so many typical distances is an outlier. */
const outlierAt = estimate(3, 'median absolute deviations, scaled')
/** A median absolute deviation of a normal distribution is this share of its standard deviation. */
const madShare = 0.6745
/**
 * How far what was seen moves an estimate: below `fewest` not at all, then against a start value that weighs as much as `startWeight`, and never
 * beyond the limits.
 */
interface Guard {
  readonly fewest: number
  readonly startWeight: number
  readonly least: number
  readonly most: number
}
/** A step, by its runs. */
const ofStep: Guard = { fewest: 3, startWeight: estimate(4, 'runs').value, least: 0.5, most: 2 }
/** A person, by all their steps. */
const ofPerson: Guard = { fewest: 15, startWeight: estimate(30, 'steps').value, least: leastPacePercent / 100, most: mostPacePercent / 100 }
const minuteMs = 60_000
/** Without a tap at its begin a step began when its person ended the one before, unless that is longer ago. */
const longestGapMs = 120 * minuteMs

/** Steps of a finished unit with how long each took its person, pauses taken out. */
export function durationsOf({ steps = [], progress, pauses }: UnitState): StepDuration[] {
  const done = steps.flatMap((step) => {
    const state = progress[step.id]
    return state?.doneAtMs === undefined || state.skippedBecause !== undefined || state.by === undefined
      ? []
      : [{ step, by: state.by, begunAtMs: state.begunAtMs, doneAtMs: state.doneAtMs }]
  })
  const startMinOf = ({ startMin, handsMin }: (typeof steps)[number]) => startMin ?? handsMin
  // What was ticked with one tap shares the minutes until that tap, each by what it takes.
  const taps = new Map<string, typeof done>()
  for (const one of done) {
    const tap = `${one.by} ${one.doneAtMs}`
    taps.set(tap, [...(taps.get(tap) ?? []), one])
  }
  return [...taps.values()].flatMap((together) => {
    const [{ by, doneAtMs }] = together
    const before = Math.max(...done.filter((other) => other.by === by && other.doneAtMs < doneAtMs).map((other) => other.doneAtMs), -Infinity)
    const begun = together.flatMap(({ begunAtMs }) => (begunAtMs !== undefined && begunAtMs < doneAtMs ? [begunAtMs] : []))
    const from = begun.length > 0 ? Math.min(...begun) : before
    if (doneAtMs - from > longestGapMs) return []
    const paused = pauses
      .filter((pause) => pause.by === by)
      .reduce((sum, { fromMs, toMs = doneAtMs }) => sum + Math.max(0, Math.min(toMs, doneAtMs) - Math.max(fromMs, from)), 0)
    const realMin = (doneAtMs - from - paused) / minuteMs
    const all = together.reduce((sum, { step }) => sum + startMinOf(step), 0)
    return together.map(({ step }) => {
      const startMin = startMinOf(step)
      return { stepId: plainId(step.id), by, title: step.title, startMin, realMin: (realMin * startMin) / all }
    })
  })
}

export interface LearnedStepTime {
  readonly stepId: string
  readonly title: Sentence
  /** Runs that count, and those that were set aside. */
  readonly runs: number
  readonly setAside: number
  /** On the start value; one where too few runs count. */
  readonly factor: number
}

const medianOf = (values: readonly number[]): number => {
  const sorted = [...values].sort((a, b) => a - b)
  const middle = sorted.length >> 1
  return sorted.length % 2 === 1 ? sorted[middle] : (sorted[middle - 1] + sorted[middle]) / 2
}

/**
 * What ratios of real over expected minutes come to: the median of their logarithms, outliers left out (median absolute deviation; F. R. Hampel,
 * 1974), drawn towards one by the weight of the start value, within the limits.
 */
function learn(all: readonly number[], guard: Guard): { readonly runs: number; readonly setAside: number; readonly factor: number } {
  const ratios = all.filter((ratio) => ratio >= believable.least.value && ratio <= believable.most.value).map(Math.log)
  const middle = ratios.length > 0 ? medianOf(ratios) : 0
  const typical = ratios.length > 0 ? medianOf(ratios.map((ratio) => Math.abs(ratio - middle))) / madShare : 0
  // Where most took alike, a hair is no outlier.
  const kept = ratios.filter((ratio) => Math.abs(ratio - middle) <= Math.max(Math.log(1.5), outlierAt.value * typical))
  const log = kept.length >= guard.fewest ? (medianOf(kept) * kept.length) / (kept.length + guard.startWeight) : 0
  return { runs: kept.length, setAside: all.length - kept.length, factor: round(clamp(Math.exp(log), guard.least, guard.most), 2) }
}

const groupedBy = <Key>(durations: readonly StepDuration[], keyOf: (duration: StepDuration) => Key): Map<Key, StepDuration[]> => {
  const groups = new Map<Key, StepDuration[]>()
  for (const duration of durations) {
    const key = keyOf(duration)
    groups.set(key, [...(groups.get(key) ?? []), duration])
  }
  return groups
}

/** Corrections of step times of the firm, by step. */
export const learnStepTimes = (durations: readonly StepDuration[]): LearnedStepTime[] =>
  [...groupedBy(durations, ({ stepId }) => stepId)].map(([stepId, all]) => ({
    stepId,
    title: all[0].title,
    ...learn(
      all.map(({ startMin, realMin }) => realMin / startMin),
      ofStep,
    ),
  }))

export interface LearnedPace {
  readonly by: number
  /** Steps that count, and those that were set aside. */
  readonly runs: number
  readonly setAside: number
  /** What they take of the firm's own minutes, %; 100 where too few steps count. */
  readonly pacePercent: number
}

/** Each one's pace against the firm's own minutes: what all take longer for is the step's, not theirs. */
export function learnPaces(durations: readonly StepDuration[]): LearnedPace[] {
  const factors = new Map(learnStepTimes(durations).map(({ stepId, factor }) => [stepId, factor]))
  return [...groupedBy(durations, ({ by }) => by)].map(([by, own]) => {
    const { factor, ...counts } = learn(
      own.map(({ stepId, startMin, realMin }) => realMin / (startMin * (factors.get(stepId) ?? 1))),
      ofPerson,
    )
    return { by, ...counts, pacePercent: round(factor * 100) }
  })
}
