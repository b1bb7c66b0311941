// Did the work help, by measurement? Before, after, and what the clean unit should do at these very conditions.
import { impossibleReadings, type MeasuredUnit, failedDrainLMin, flowLMin, goodDrainLMin, leastFallMmPerM, type Readings } from '../lookover/index.ts'
import { estimate, round } from '../quantities/index.ts'
import type { Verdict } from '../run/index.ts'
import { partName, type KnownDesign, type Part } from '../units/index.ts'
import { partLines, type PartSeen } from './partLines.ts'
import { cleanCoolingAt, coolingBy, usualTolerance, type CleanCooling, type Measured } from './cooling.ts'
import { joined, says, type Message, type Sentence } from '../words/index.ts'

export interface ProofLine {
  id:
    | 'cooling'
    | 'sensible'
    | 'latent'
    | 'condensate'
    | 'airflow'
    | 'split'
    | 'flow-test'
    | 'level'
    | 'amps'
    | `covered-${Part}`
    | `graded-${Part}`
    | `straight-${Part}`
  what: Message
  unit: string
  before?: number
  after?: number
  expected?: number
  /** ± of `after` in `unit`, from the instruments' tolerances; and of `expected`, from the return air's and the maker's. */
  tolerance?: number
  expectedTolerance?: number
  /** Undefined: shown, but not judged. */
  verdict?: Verdict
  says?: Message
}

/** Lines judged against a limit, not against what a clean unit does here. */
export const isLimited = ({ id }: Pick<ProofLine, 'id'>): boolean =>
  id === 'flow-test' || id === 'level' || id === 'amps' || /^(covered|graded)-/.test(id)

export interface Proof {
  verdict: Verdict
  sentence: Message
  lines: ProofLine[]
}

/** A line counts as better from this gain on. */
const gain = estimate(0.1, 'share')

export interface ProofInput {
  readonly design: KnownDesign
  /** What somebody noted of the unit that its readings are held against; without it nothing is doubted by its rating. */
  readonly measured?: MeasuredUnit
  readonly before?: Readings
  readonly after?: Readings
  readonly altitudeM?: number
  readonly outdoorC?: number
  readonly notReached: readonly { part: Part; because: Sentence }[]
  readonly referrals: readonly { because: Sentence }[]
  /** Parts that were graded or measured after the work. */
  readonly parts?: readonly PartSeen[]
}

/** Judges every line and the job. Pure. */
export function assess(input: ProofInput): Proof {
  const { measured = {} } = input
  // What cannot be decides nothing.
  const before = input.before && impossibleReadings(input.before, measured).length > 0 ? undefined : input.before
  const { after } = input
  const parts = partLines(
    input.parts ?? [],
    input.notReached.map(({ part }) => part),
  )
  if (!after) return { verdict: 'not-proved', sentence: says('proof.assess.measured-afterwards-yet-take'), lines: parts }
  const doubted = impossibleReadings(after, measured).map(({ what, allowed }) => says('proof.assess.cannot-be', { what, allowed }))
  if (doubted.length > 0) return { verdict: 'not-proved', sentence: joined({ sentences: doubted }), lines: parts }
  const lines = [
    ...coolingLines(input, after, before),
    ...drainLines(after, before),
    ...levelLines(after, before),
    ...ampLines(input.design, after, before),
    ...parts,
  ]
  const judged = lines.flatMap(({ verdict }) => verdict ?? [])
  const worst = judged.includes('not-proved')
    ? 'not-proved'
    : judged.includes('partly') || input.notReached.length > 0 || judged.length === 0
      ? 'partly'
      : 'proved'
  return { verdict: worst, sentence: sentenceFor(worst, lines, input), lines }
}

function sentenceFor(verdict: Verdict, lines: readonly ProofLine[], { notReached, referrals }: ProofInput): Message {
  const all = (...sentences: Message[]) =>
    joined({
      sentences:
        referrals.length > 0
          ? [...sentences, says('proof.sentenceFor.still-open', { referrals: { semicolon: referrals.map(({ because }) => because) } })]
          : sentences,
    })
  const failing = lines.filter((line) => line.verdict === 'not-proved').flatMap(({ says }) => says ?? [])
  if (verdict === 'not-proved') return all(says('proof.sentenceFor.proved', { failing: { semicolon: failing } }))
  const left = notReached.map(({ part, because }) => says('proof.sentenceFor.part', { part: partName(part), because }))
  if (verdict === 'partly') {
    const halfway = lines.filter((line) => line.verdict === 'partly').flatMap(({ says }) => says ?? [])
    const why = [...halfway, ...(left.length > 0 ? [says('proof.sentenceFor.reached', { parts: { comma: left } })] : [])]
    return all(says('proof.sentenceFor.partly-proved', { why: { semicolon: why.length > 0 ? why : [says('proof.sentenceFor.too-little')] } }))
  }
  return all(says('proof.sentenceFor.proved-unit-delivers-clean'))
}

function coolingLines({ design, altitudeM, outdoorC }: ProofInput, after: Readings, before: Readings | undefined): ProofLine[] {
  const clean = cleanCoolingAt(design, after, { altitudeM, outdoorC })
  const now = coolingBy(after, altitudeM).cooling
  const then = before && coolingBy(before, altitudeM).cooling
  const thermometerK = after.tolerance?.temperatureK ?? usualTolerance.thermometerK.value
  const split: ProofLine = {
    id: 'split',
    what: says('proof.split.what'),
    unit: 'K',
    after: round(after.returnC - after.supplyC, 1),
    expected: round(clean.coil.splitK, 1),
    tolerance: round(Math.SQRT2 * thermometerK, 1),
    ...(before ? { before: round(before.returnC - before.supplyC, 1) } : {}),
    says: says('proof.split.says'),
  }
  if (!now) {
    return [
      {
        id: 'cooling',
        what: says('proof.cooling.what'),
        unit: 'kW',
        expected: round(clean.coil.totalKw, 2),
        expectedTolerance: round(clean.totalToleranceKw, 2),
        verdict: 'partly',
        says: says('proof.cooling.says'),
      },
      split,
    ]
  }
  return [totalLine(clean, now, then), ...compositionLines(clean, now, then), airflowLine(design, after, before), split]
}

/** Judged by what the instruments can tell: short of the clean unit by more than both tolerances together is short. */
function totalLine(clean: CleanCooling, now: Measured, then: Measured | undefined): ProofLine {
  const shortKw = clean.coil.totalKw - now.totalKw.value
  const verdict: Verdict =
    shortKw <= Math.hypot(now.totalKw.tolerance, clean.totalToleranceKw)
      ? 'proved'
      : then && now.totalKw.value > then.totalKw.value * (1 + gain.value)
        ? 'partly'
        : 'not-proved'
  return {
    id: 'cooling',
    what: says('proof.cooling.what'),
    unit: 'kW',
    after: round(now.totalKw.value, 2),
    expected: round(clean.coil.totalKw, 2),
    tolerance: round(now.totalKw.tolerance, 2),
    expectedTolerance: round(clean.totalToleranceKw, 2),
    ...(then ? { before: round(then.totalKw.value, 2) } : {}),
    verdict,
    says: {
      proved: says('proof.cooling.says.delivers-clean-unit-delivers'),
      partly: says('proof.cooling.says.delivers-more-than-before'),
      'not-proved': says('proof.cooling.says.delivers-less-than-clean'),
    }[verdict],
  }
}

/** What the total is made of, and the water that comes with it: shown, not judged. */
function compositionLines({ coil }: CleanCooling, now: Measured, then: Measured | undefined): ProofLine[] {
  const parts = [
    { id: 'sensible', figure: 'sensibleKw', what: says('proof.sensible.what'), unit: 'kW' },
    { id: 'latent', figure: 'latentKw', what: says('proof.latent.what'), unit: 'kW' },
    { id: 'condensate', figure: 'condensateLH', what: says('proof.condensate.what'), unit: 'L/h' },
  ] as const
  return parts.map(({ id, figure, what, unit }) => ({
    id,
    what,
    unit,
    after: round(now[figure].value, 2),
    tolerance: round(now[figure].tolerance, 2),
    expected: round(coil[figure], 2),
    ...(then ? { before: round(then[figure].value, 2) } : {}),
  }))
}

function airflowLine(design: KnownDesign, after: Readings, before: Readings | undefined): ProofLine {
  const share = after.tolerance?.airflowShare ?? usualTolerance.airflowShare.value
  const airflowM3h = after.airflowM3h ?? 0
  const verdict: Verdict =
    airflowM3h >= design.ratedAirflowM3h * (1 - 2 * usualTolerance.airflowShare.value)
      ? 'proved'
      : before?.airflowM3h && airflowM3h > before.airflowM3h * (1 + gain.value)
        ? 'partly'
        : 'not-proved'
  return {
    id: 'airflow',
    what: says('proof.airflow.what'),
    unit: 'm³/h',
    after: round(airflowM3h),
    expected: round(design.ratedAirflowM3h),
    tolerance: round(airflowM3h * share),
    ...(before?.airflowM3h ? { before: round(before.airflowM3h) } : {}),
    verdict,
    says: {
      proved: says('proof.airflow.says'),
      partly: says('proof.airflow.says.more-air-than-before'),
      'not-proved': says('proof.airflow.says.little-air-look-filter'),
    }[verdict],
  }
}

function drainLines(after: Readings, before: Readings | undefined): ProofLine[] {
  if (!after.flowTest) return []
  const flow = flowLMin(after.flowTest)
  const verdict: Verdict = flow >= goodDrainLMin.value ? 'proved' : flow >= failedDrainLMin.value ? 'partly' : 'not-proved'
  return [
    {
      id: 'flow-test',
      what: says('proof.flow-test.what'),
      unit: 'L/min',
      after: round(flow, 2),
      expected: goodDrainLMin.value,
      ...(before?.flowTest ? { before: round(flowLMin(before.flowTest), 2) } : {}),
      verdict,
      says: {
        proved: says('proof.flow-test.says'),
        partly: says('proof.flow-test.says.drain-runs-slowly'),
        'not-proved': says('proof.flow-test.says.drain-fails-flow-test'),
      }[verdict],
    },
  ]
}

function levelLines(after: Readings, before: Readings | undefined): ProofLine[] {
  if (after.levelMmPerM === undefined) return []
  const level = after.levelMmPerM >= leastFallMmPerM.value
  return [
    {
      id: 'level',
      what: says('proof.level.what'),
      unit: 'mm/m',
      after: after.levelMmPerM,
      expected: leastFallMmPerM.value,
      ...(before?.levelMmPerM === undefined ? {} : { before: before.levelMmPerM }),
      verdict: level ? 'proved' : 'not-proved',
      says: level ? says('proof.level.says') : says('proof.level.says.hangs-off-level-will'),
    },
  ]
}

function ampLines(design: KnownDesign, after: Readings, before: Readings | undefined): ProofLine[] {
  if (after.amps === undefined) return []
  const limit = design.nameplateAmps
  const over = limit !== undefined && after.amps > limit
  return [
    {
      id: 'amps',
      what: says('proof.amps.what'),
      unit: 'A',
      after: after.amps,
      ...(limit === undefined ? {} : { expected: limit }),
      ...(before?.amps === undefined ? {} : { before: before.amps }),
      ...(over ? { verdict: 'not-proved' as const } : {}),
      says: over ? says('proof.amps.says') : says('proof.amps.says.within-nameplate-far-known'),
    },
  ]
}
