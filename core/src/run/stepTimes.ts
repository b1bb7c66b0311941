// How long do steps really take? From finished runs: a factor on the start value of each step, guarded against what was no work.
import { clamp, estimate, round } from '../quantities/index.ts'
import { plainId } from '../procedure/index.ts'
import type { UnitState } from './unitState.ts'
import type { Sentence } from '../words/index.ts'

export interface StepDuration {
  readonly stepId: string
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
/** The start value weighs as much as so many runs. */
const startWeight = estimate(4, 'runs')
const fewestRuns = 3
const limits = { least: 0.5, most: 2 }
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
  return done.flatMap(({ step, by, begunAtMs, doneAtMs }) => {
    const before = Math.max(...done.filter((other) => other.by === by && other.doneAtMs < doneAtMs).map((other) => other.doneAtMs), -Infinity)
    const from = begunAtMs !== undefined && begunAtMs < doneAtMs ? begunAtMs : before
    if (doneAtMs - from > longestGapMs) return []
    const paused = pauses
      .filter((pause) => pause.by === by)
      .reduce((sum, { fromMs, toMs = doneAtMs }) => sum + Math.max(0, Math.min(toMs, doneAtMs) - Math.max(fromMs, from)), 0)
    return [{ stepId: plainId(step.id), title: step.title, startMin: step.startMin ?? step.handsMin, realMin: (doneAtMs - from - paused) / minuteMs }]
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
 * Corrections of step times, by step: the median of the logarithms of real over start value, outliers left out (median absolute deviation;
 * F. R. Hampel, 1974), drawn towards no correction by the weight of the start value, within half and twice of it.
 */
export function learnStepTimes(durations: readonly StepDuration[]): LearnedStepTime[] {
  const byStep = new Map<string, StepDuration[]>()
  for (const duration of durations) byStep.set(duration.stepId, [...(byStep.get(duration.stepId) ?? []), duration])
  return [...byStep].map(([stepId, all]) => {
    const ratios = all.flatMap(({ startMin, realMin }) => {
      const ratio = realMin / startMin
      return ratio >= believable.least.value && ratio <= believable.most.value ? [Math.log(ratio)] : []
    })
    const middle = ratios.length > 0 ? medianOf(ratios) : 0
    const typical = ratios.length > 0 ? medianOf(ratios.map((ratio) => Math.abs(ratio - middle))) / madShare : 0
    // Where most took alike, a hair is no outlier.
    const kept = ratios.filter((ratio) => Math.abs(ratio - middle) <= Math.max(Math.log(1.5), outlierAt.value * typical))
    const log = kept.length >= fewestRuns ? (medianOf(kept) * kept.length) / (kept.length + startWeight.value) : 0
    return {
      stepId,
      title: all[0].title,
      runs: kept.length,
      setAside: all.length - kept.length,
      factor: round(clamp(Math.exp(log), limits.least, limits.most), 2),
    }
  })
}
