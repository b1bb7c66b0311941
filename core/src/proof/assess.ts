// Did the work help, by measurement? Before, after, and what the clean unit should do at these very conditions.
import { airOf, airWith, coilAt, deliveredCooling, pressureAt, saturatedAt } from '../air/index.ts'
import { failedDrainLMin, flowLMin, goodDrainLMin, leastFallMmPerM, type Readings } from '../lookover/index.ts'
import { estimate, round } from '../quantities/index.ts'
import type { Verdict } from '../run/index.ts'
import { partNames, type KnownDesign, type Part } from '../units/index.ts'

export interface ProofLine {
  id: 'cooling' | 'airflow' | 'split' | 'flow-test' | 'level' | 'amps'
  what: string
  unit: string
  before?: number
  after?: number
  expected?: number
  /** ± in `unit`, from the instruments' tolerances. */
  tolerance?: number
  /** Undefined: shown, but not judged. */
  verdict?: Verdict
  says: string
}

export interface Proof {
  verdict: Verdict
  sentence: string
  lines: ProofLine[]
}

/** Tolerance of a thermometer and of an airflow reading. */
const thermometerK = estimate(0.5, 'K')
const airflowTolerance = estimate(0.1, 'share')
/** Humidity of supply air where it was not measured. */
const usualSupplyRh = estimate(0.9, 'relative humidity')
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
}

/** Delivered total cooling (kW) by the readings; undefined without a measured airflow, for a split alone proves nothing. */
export function coolingOf(readings: Readings, altitudeM = 0): { totalKw: number; toleranceKw: number } | undefined {
  if (readings.airflowM3h === undefined) return undefined
  const pressurePa = pressureAt(altitudeM)
  const returnAir = airOf(readings.returnC, readings.returnRh, pressurePa)
  const supplyAir =
    readings.supplyRh === undefined
      ? airWith(
          readings.supplyC,
          Math.min(returnAir.humidityRatio, usualSupplyRh.value * saturatedAt(readings.supplyC, pressurePa).humidityRatio),
          pressurePa,
        )
      : airOf(readings.supplyC, readings.supplyRh, pressurePa)
  const { totalKw, splitK } = deliveredCooling(returnAir, supplyAir, readings.airflowM3h)
  const relative = Math.hypot(airflowTolerance.value, (Math.SQRT2 * thermometerK.value) / Math.max(Math.abs(splitK), 1))
  return { totalKw, toleranceKw: Math.abs(totalKw) * relative }
}

/** Judges every line and the job. Pure. */
export function assess(input: ProofInput): Proof {
  const { before, after } = input
  if (!after) return { verdict: 'not-proved', sentence: 'Nothing was measured afterwards yet: take the after readings.', lines: [] }
  const lines = [
    ...coolingLines(input, after, before),
    ...drainLines(after, before),
    ...levelLines(after, before),
    ...ampLines(input.design, after, before),
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

function coolingLines({ design, altitudeM = 0, outdoorC }: ProofInput, after: Readings, before: Readings | undefined): ProofLine[] {
  const returnAir = airOf(after.returnC, after.returnRh, pressureAt(altitudeM))
  const clean = coilAt({ ratedCoolingKw: design.ratedCoolingKw, ratedAirflowM3h: design.ratedAirflowM3h, returnAir, outdoorC })
  const now = coolingOf(after, altitudeM)
  const then = before && coolingOf(before, altitudeM)
  const split: ProofLine = {
    id: 'split',
    what: 'temperature split',
    unit: 'K',
    after: round(after.returnC - after.supplyC, 1),
    expected: round(clean.splitK, 1),
    tolerance: round(Math.SQRT2 * thermometerK.value, 1),
    ...(before ? { before: round(before.returnC - before.supplyC, 1) } : {}),
    says: 'shown, not judged: a large split with little air is a sign of fouling',
  }
  if (!now) {
    return [
      {
        id: 'cooling',
        what: 'delivered cooling',
        unit: 'kW',
        expected: round(clean.totalKw, 2),
        verdict: 'partly',
        says: 'airflow was not measured, and a split alone proves nothing',
      },
      split,
    ]
  }
  const verdict: Verdict =
    now.totalKw + now.toleranceKw >= clean.totalKw * (1 - gain.value)
      ? 'proved'
      : then && now.totalKw > then.totalKw * (1 + gain.value)
        ? 'partly'
        : 'not-proved'
  const says = {
    proved: 'it delivers what a clean unit delivers at these conditions',
    partly: 'it delivers more than before, and less than a clean unit should',
    'not-proved':
      'it delivers less than a clean unit should: look at back face and wheel again; clean parts that do not cool are a case for a licensed refrigerant technician',
  }[verdict]
  const airflowVerdict: Verdict =
    after.airflowM3h! >= design.ratedAirflowM3h * (1 - 2 * airflowTolerance.value)
      ? 'proved'
      : before?.airflowM3h && after.airflowM3h! > before.airflowM3h * (1 + gain.value)
        ? 'partly'
        : 'not-proved'
  return [
    {
      id: 'cooling',
      what: 'delivered cooling',
      unit: 'kW',
      after: round(now.totalKw, 2),
      expected: round(clean.totalKw, 2),
      tolerance: round(now.toleranceKw, 2),
      ...(then ? { before: round(then.totalKw, 2) } : {}),
      verdict,
      says,
    },
    {
      id: 'airflow',
      what: 'airflow',
      unit: 'm³/h',
      after: round(after.airflowM3h!),
      expected: round(design.ratedAirflowM3h),
      tolerance: round(after.airflowM3h! * airflowTolerance.value),
      ...(before?.airflowM3h ? { before: round(before.airflowM3h) } : {}),
      verdict: airflowVerdict,
      says: {
        proved: 'as much air as a clean unit moves',
        partly: 'more air than before, less than a clean unit moves',
        'not-proved': 'little air: look at filter, wheel and back face again',
      }[airflowVerdict],
    },
    split,
  ]
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
