// Did the work help, by measurement? Before, after, and what the clean unit should do at these very conditions.
import { failedDrainLMin, flowLMin, goodDrainLMin, leastFallMmPerM, type Readings } from '../lookover/index.ts'
import { estimate, round } from '../quantities/index.ts'
import type { Verdict } from '../run/index.ts'
import { partNames, type KnownDesign, type Part } from '../units/index.ts'
import { partLines, type PartSeen } from './partLines.ts'
import { cleanCoolingAt, coolingBy, usualTolerance, type CleanCooling, type Measured } from './cooling.ts'

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
  what: string
  unit: string
  before?: number
  after?: number
  expected?: number
  /** ± of `after` in `unit`, from the instruments' tolerances; and of `expected`, from the return air's and the maker's. */
  tolerance?: number
  expectedTolerance?: number
  /** Undefined: shown, but not judged. */
  verdict?: Verdict
  says: string
}

/** Lines judged against a limit, not against what a clean unit does here. */
export const isLimited = ({ id }: Pick<ProofLine, 'id'>): boolean =>
  id === 'flow-test' || id === 'level' || id === 'amps' || /^(covered|graded)-/.test(id)

export interface Proof {
  verdict: Verdict
  sentence: string
  lines: ProofLine[]
}

/** A line counts as better from this gain on. */
const gain = estimate(0.1, 'share')

export interface ProofInput {
  readonly design: KnownDesign
  readonly before?: Readings
  readonly after?: Readings
  readonly altitudeM?: number
  readonly outdoorC?: number
  readonly notReached: readonly { part: Part; because: string }[]
  readonly referrals: readonly { because: string }[]
  /** Parts that were graded or measured after the work. */
  readonly parts?: readonly PartSeen[]
}

/** Judges every line and the job. Pure. */
export function assess(input: ProofInput): Proof {
  const { before, after } = input
  const parts = partLines(
    input.parts ?? [],
    input.notReached.map(({ part }) => part),
  )
  if (!after) return { verdict: 'not-proved', sentence: 'Nothing was measured afterwards yet: take the after readings.', lines: parts }
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

function sentenceFor(verdict: Verdict, lines: readonly ProofLine[], { notReached, referrals }: ProofInput): string {
  const open = referrals.length > 0 ? ` Still open: ${referrals.map(({ because }) => because).join('; ')}.` : ''
  const failing = lines.filter((line) => line.verdict === 'not-proved').map(({ says }) => says)
  if (verdict === 'not-proved') return `Not proved: ${failing.join('; ')}.${open}`
  const left = notReached.map(({ part, because }) => `${partNames[part]} (${because})`)
  if (verdict === 'partly') {
    const halfway = lines.filter((line) => line.verdict === 'partly').map(({ says }) => says)
    const why = [...halfway, ...(left.length > 0 ? [`not reached: ${left.join(', ')}`] : [])]
    return `Partly proved: ${why.length > 0 ? why.join('; ') : 'too little was measured to judge'}.${open}`
  }
  return `Proved: the unit delivers what a clean one delivers at these conditions.${open}`
}

function coolingLines({ design, altitudeM, outdoorC }: ProofInput, after: Readings, before: Readings | undefined): ProofLine[] {
  const clean = cleanCoolingAt(design, after, { altitudeM, outdoorC })
  const now = coolingBy(after, altitudeM).cooling
  const then = before && coolingBy(before, altitudeM).cooling
  const thermometerK = after.tolerance?.temperatureK ?? usualTolerance.thermometerK.value
  const split: ProofLine = {
    id: 'split',
    what: 'temperature split',
    unit: 'K',
    after: round(after.returnC - after.supplyC, 1),
    expected: round(clean.coil.splitK, 1),
    tolerance: round(Math.SQRT2 * thermometerK, 1),
    ...(before ? { before: round(before.returnC - before.supplyC, 1) } : {}),
    says: 'shown, not judged: a large split with little air is a sign of fouling',
  }
  if (!now) {
    return [
      {
        id: 'cooling',
        what: 'delivered cooling',
        unit: 'kW',
        expected: round(clean.coil.totalKw, 2),
        expectedTolerance: round(clean.totalToleranceKw, 2),
        verdict: 'partly',
        says: 'airflow was not measured, and a split alone proves nothing',
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
    what: 'delivered cooling',
    unit: 'kW',
    after: round(now.totalKw.value, 2),
    expected: round(clean.coil.totalKw, 2),
    tolerance: round(now.totalKw.tolerance, 2),
    expectedTolerance: round(clean.totalToleranceKw, 2),
    ...(then ? { before: round(then.totalKw.value, 2) } : {}),
    verdict,
    says: {
      proved: 'it delivers what a clean unit delivers at these conditions',
      partly: 'it delivers more than before, and less than a clean unit should',
      'not-proved':
        'it delivers less than a clean unit should: look at back face and wheel again; clean parts that do not cool are a case for a licensed refrigerant technician',
    }[verdict],
  }
}

/** What the total is made of, and the water that comes with it: shown, not judged. */
function compositionLines({ coil }: CleanCooling, now: Measured, then: Measured | undefined): ProofLine[] {
  const parts = [
    { id: 'sensible', figure: 'sensibleKw', what: 'of it cooling the air', unit: 'kW' },
    { id: 'latent', figure: 'latentKw', what: 'of it drying the air', unit: 'kW' },
    { id: 'condensate', figure: 'condensateLH', what: 'condensate', unit: 'L/h' },
  ] as const
  return parts.map(({ id, figure, what, unit }) => ({
    id,
    what,
    unit,
    after: round(now[figure].value, 2),
    tolerance: round(now[figure].tolerance, 2),
    expected: round(coil[figure], 2),
    ...(then ? { before: round(then[figure].value, 2) } : {}),
    says: '',
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
    what: 'airflow',
    unit: 'm³/h',
    after: round(airflowM3h),
    expected: round(design.ratedAirflowM3h),
    tolerance: round(airflowM3h * share),
    ...(before?.airflowM3h ? { before: round(before.airflowM3h) } : {}),
    verdict,
    says: {
      proved: 'as much air as a clean unit moves',
      partly: 'more air than before, less than a clean unit moves',
      'not-proved': 'little air: look at filter, wheel and back face again',
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
      what: 'drain flow',
      unit: 'L/min',
      after: round(flow, 2),
      expected: goodDrainLMin.value,
      ...(before?.flowTest ? { before: round(flowLMin(before.flowTest), 2) } : {}),
      verdict,
      says: { proved: 'the drain runs', partly: 'the drain runs slowly', 'not-proved': 'the drain fails its flow test: not handed over as done' }[
        verdict
      ],
    },
  ]
}

function levelLines(after: Readings, before: Readings | undefined): ProofLine[] {
  if (after.levelMmPerM === undefined) return []
  const level = after.levelMmPerM >= leastFallMmPerM.value
  return [
    {
      id: 'level',
      what: 'fall towards the drain',
      unit: 'mm/m',
      after: after.levelMmPerM,
      expected: leastFallMmPerM.value,
      ...(before?.levelMmPerM === undefined ? {} : { before: before.levelMmPerM }),
      verdict: level ? 'proved' : 'not-proved',
      says: level ? 'water runs to the drain' : 'it hangs off level: it will drip again until the bracket is set',
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
      what: 'current',
      unit: 'A',
      after: after.amps,
      ...(limit === undefined ? {} : { expected: limit }),
      ...(before?.amps === undefined ? {} : { before: before.amps }),
      ...(over ? { verdict: 'not-proved' as const } : {}),
      says: over ? 'it draws more than its nameplate: an electrician' : 'within its nameplate as far as known',
    },
  ]
}
