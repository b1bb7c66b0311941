// Which causes are there, how likely is each beforehand, and what speaks for and against it?
import { coilAt, airOf, deliveredCooling, pressureAt, airflowShare } from '../air/index.ts'
import { estimate, type StartValue } from '../quantities/index.ts'
import { isSplit, type KnownDesign, type Part } from '../units/index.ts'
import { drainState, gradeOf, hasKind, isGraded, isOffLevel, worstOf, type LookOver } from './lookover.ts'
import { says, type Message } from '../words/index.ts'

export type CleaningHelps = 'yes' | 'partly' | 'no'

/** A sign: how much it moves the odds of its cause (natural log), up where `holds`, and how it is said. */
interface Sign {
  readonly logOdds: StartValue
  readonly holds: (seen: Seen) => boolean
  readonly says: Message
}

export interface Cause {
  readonly cause: string
  readonly helps: CleaningHelps
  readonly prior: StartValue
  readonly signs: readonly Sign[]
  /** Parts that it sits on: where all of them that the unit has were graded clear, it is not blamed. */
  readonly on?: readonly Part[]
}

/** What a sign looks at. */
export interface Seen {
  readonly lookOver: LookOver
  readonly design: KnownDesign
  /** Delivered cooling as a share of the clean unit's at these conditions; undefined without readings. */
  readonly coolingShare?: number
  /** Airflow as a share of rated: measured, else estimated from the grades. */
  readonly airShare: number
  /** Whether `airShare` was measured. */
  readonly airMeasured: boolean
  readonly splitK?: number
  readonly cleanSplitK?: number
}

export function seenFrom(lookOver: LookOver, design: KnownDesign, site: { altitudeM?: number; outdoorC?: number }): Seen {
  const estimated = airflowShare({
    filter: gradeOf(lookOver, 'filter'),
    coilFace: gradeOf(lookOver, 'coilFace'),
    coilBack: gradeOf(lookOver, 'coilBack'),
    wheel: gradeOf(lookOver, 'wheel'),
  })
  const { readings } = lookOver
  if (!readings) return { lookOver, design, airShare: estimated, airMeasured: false }
  const pressurePa = pressureAt(site.altitudeM ?? 0)
  const returnAir = airOf(readings.returnC, readings.returnRh, pressurePa)
  const clean = coilAt({ ratedCoolingKw: design.ratedCoolingKw, ratedAirflowM3h: design.ratedAirflowM3h, returnAir, outdoorC: site.outdoorC })
  const airflowM3h = readings.airflowM3h ?? estimated * design.ratedAirflowM3h
  const supplyAir = readings.supplyRh === undefined ? undefined : airOf(readings.supplyC, readings.supplyRh, pressurePa)
  const delivered = supplyAir && deliveredCooling(returnAir, supplyAir, airflowM3h)
  const splitK = readings.returnC - readings.supplyC
  return {
    lookOver,
    design,
    airShare: airflowM3h / design.ratedAirflowM3h,
    airMeasured: readings.airflowM3h !== undefined,
    splitK,
    cleanSplitK: clean.splitK,
    coolingShare: delivered ? delivered.totalKw / clean.totalKw : (splitK * airflowM3h) / (clean.splitK * clean.airflowM3h),
  }
}

const complains =
  (complaint: LookOver['complaints'][number]) =>
  ({ lookOver }: Seen) =>
    lookOver.complaints.includes(complaint)
const finds =
  (...findings: LookOver['findings'][number][]) =>
  ({ lookOver }: Seen) =>
    findings.some((finding) => lookOver.findings.includes(finding))
const atLeast =
  (part: Parameters<typeof gradeOf>[1], grade: number) =>
  ({ lookOver }: Seen) =>
    gradeOf(lookOver, part) >= grade
/** Clean on both sides: what a unit has of a condenser counts too. */
const cleanParts = ({ lookOver }: Seen) =>
  worstOf(lookOver, 'filter', 'coilFace', 'coilBack', 'wheel', 'condenserFace', 'condenserInside') <= 1 &&
  (['filter', 'coilFace', 'wheel'] as const).every((part) => isGraded(lookOver, part))
/** Seen and clear: what nobody looked at speaks neither for nor against anything. */
const seenClear =
  (...parts: Parameters<typeof gradeOf>[1][]) =>
  ({ lookOver }: Seen) =>
    parts.every((part) => isGraded(lookOver, part) && gradeOf(lookOver, part) === 0)
const dirtyAirPath = ({ lookOver }: Seen) => worstOf(lookOver, 'coilFace', 'coilBack', 'wheel') >= 2
const dirtyCondenser = ({ lookOver }: Seen) => worstOf(lookOver, 'condenserFace', 'condenserInside') >= 2
const not = (condition: (seen: Seen) => boolean) => (seen: Seen) => !condition(seen)
const both =
  (...conditions: ((seen: Seen) => boolean)[]) =>
  (seen: Seen) =>
    conditions.every((condition) => condition(seen))
/** From where on air, cooling and split count as low, good or large; shares of what the clean unit has. */
const lowShare = estimate(0.75, 'share of clean')
const goodAirShare = estimate(0.85, 'share of clean')
const fullCoolingShare = estimate(0.9, 'share of clean')
const largeSplit = estimate(1.1, 'times the clean split')
const smallSplit = estimate(0.65, 'times the clean split')
const noSplitK = estimate(2, 'K')
const noSplit = ({ splitK }: Seen) => splitK !== undefined && splitK < noSplitK.value
const lowAir = ({ airShare, airMeasured, lookOver }: Seen) => (airMeasured ? airShare < lowShare.value : lookOver.complaints.includes('weak-airflow'))
const goodAir = ({ airShare, airMeasured }: Seen) => airMeasured && airShare >= goodAirShare.value
const lowCooling = ({ coolingShare }: Seen) => coolingShare !== undefined && coolingShare < lowShare.value
const fullCooling = ({ coolingShare }: Seen) => coolingShare !== undefined && coolingShare >= fullCoolingShare.value
const largeSplitLittleAir = ({ splitK, cleanSplitK, airShare }: Seen) =>
  splitK !== undefined && cleanSplitK !== undefined && splitK > cleanSplitK * largeSplit.value && airShare < lowShare.value
const smallSplitGoodAir = (seen: Seen) =>
  seen.splitK !== undefined &&
  seen.cleanSplitK !== undefined &&
  seen.splitK < seen.cleanSplitK * smallSplit.value &&
  (goodAir(seen) || cleanParts(seen))
const biofilmOn =
  (...parts: Parameters<typeof gradeOf>[1][]) =>
  ({ lookOver }: Seen) =>
    hasKind(lookOver, 'biofilm', ...parts)

/** Water that stands in a pan; in the base pan of a one-box unit it is normal in use. */
const standsInPan = both(finds('standing-water'), ({ lookOver }) => isSplit(lookOver.family))

const sign = (logOdds: number, message: Message, holds: (seen: Seen) => boolean): Sign => ({
  logOdds: estimate(logOdds, 'natural log of odds'),
  says: message,
  holds,
})
const prior = (value: number) => estimate(value, 'relative weight before any sign')

export const causes: readonly Cause[] = [
  {
    cause: 'dirty filter',
    helps: 'yes',
    on: ['filter'],
    prior: prior(1),
    signs: [
      sign(1.6, says('lookover.causes.filter-coated-worse'), atLeast('filter', 2)),
      sign(1, says('lookover.causes.filter-matted'), atLeast('filter', 3)),
      sign(0.8, says('lookover.causes.less-air-than-should'), lowAir),
      sign(-2.5, says('lookover.causes.filter-clear'), seenClear('filter')),
    ],
  },
  {
    cause: 'fouled coil face',
    helps: 'yes',
    on: ['coilFace'],
    prior: prior(1),
    signs: [
      sign(1.4, says('lookover.causes.front-face-coil-coated'), atLeast('coilFace', 2)),
      sign(1, says('lookover.causes.gaps-front-face-bridged'), atLeast('coilFace', 3)),
      sign(0.8, says('lookover.causes.large-temperature-split-little'), largeSplitLittleAir),
      sign(0.6, says('lookover.causes.cold'), complains('not-cold')),
      sign(0.5, says('lookover.causes.less-air-than-should'), lowAir),
      sign(-1.5, says('lookover.causes.next-temperature-split-fouling'), noSplit),
      sign(-2.5, says('lookover.causes.front-face-clear'), seenClear('coilFace')),
    ],
  },
  {
    cause: 'fouled coil back',
    helps: 'yes',
    on: ['coilBack'],
    prior: prior(1),
    signs: [
      sign(1.4, says('lookover.causes.back-face-coil-coated'), atLeast('coilBack', 2)),
      sign(1, says('lookover.causes.gaps-back-face-bridged'), atLeast('coilBack', 3)),
      sign(0.8, says('lookover.causes.large-temperature-split-little'), largeSplitLittleAir),
      sign(0.6, says('lookover.causes.cold'), complains('not-cold')),
      sign(-1.5, says('lookover.causes.next-temperature-split-fouling'), noSplit),
      sign(-2, says('lookover.causes.back-face-clear'), seenClear('coilBack')),
    ],
  },
  {
    cause: 'fouled wheel',
    helps: 'yes',
    on: ['wheel'],
    prior: prior(1),
    signs: [
      sign(1.4, says('lookover.causes.wheel-carries-ridge-dirt'), atLeast('wheel', 2)),
      sign(1.2, says('lookover.causes.blades-filling-up'), atLeast('wheel', 3)),
      sign(2, says('lookover.causes.spits-dirt-wheel-throws'), complains('spits-dirt')),
      sign(0.9, says('lookover.causes.less-air-than-should'), lowAir),
      sign(0.6, says('lookover.causes.smells-soil-sits-wheel'), both(complains('smell'), atLeast('wheel', 1))),
      sign(0.6, says('lookover.causes.noisy-wheel-soiled'), both(complains('noise'), atLeast('wheel', 2))),
      sign(-2, says('lookover.causes.wheel-clear'), both(seenClear('wheel'), not(complains('spits-dirt')))),
    ],
  },
  {
    cause: 'biofilm in pan',
    helps: 'yes',
    on: ['pan', 'drainLine', 'wheel', 'coilFace', 'coilBack', 'outlet', 'housing'],
    prior: prior(0.8),
    signs: [
      sign(1.2, says('lookover.causes.smells'), complains('smell')),
      sign(-3, says('lookover.causes.pan-wheel-coil-clear'), seenClear('pan', 'wheel', 'coilFace')),
      sign(1.6, says('lookover.causes.biofilm-pan-wheel-coil'), biofilmOn('pan', 'wheel', 'coilFace', 'coilBack', 'drainLine')),
      sign(1, says('lookover.causes.slime-standing-water-pan'), atLeast('pan', 2)),
      sign(0.6, says('lookover.causes.standing-water'), standsInPan),
      sign(-1.5, says('lookover.causes.pan-clear-smell'), both(seenClear('pan'), not(complains('smell')))),
    ],
  },
  {
    cause: 'smell from elsewhere',
    helps: 'no',
    prior: prior(0.4),
    signs: [
      sign(0.8, says('lookover.causes.smells'), complains('smell')),
      sign(2.5, says('lookover.causes.smells-although-pan-wheel'), both(complains('smell'), seenClear('pan', 'wheel', 'coilFace'))),
      sign(-1.2, says('lookover.causes.slime-seen'), biofilmOn('pan', 'wheel', 'coilFace', 'coilBack', 'drainLine', 'outlet', 'housing')),
      sign(
        -0.8,
        says('lookover.causes.soil-sits-pan-wheel'),
        both(complains('smell'), ({ lookOver }) => worstOf(lookOver, 'pan', 'wheel') >= 2),
      ),
    ],
  },
  {
    cause: 'blocked drain',
    helps: 'yes',
    prior: prior(0.7),
    signs: [
      sign(2, says('lookover.causes.drips-indoors'), complains('drips-indoors')),
      sign(2, says('lookover.causes.drain-does-run'), ({ lookOver }) => drainState(lookOver) === 'failed'),
      sign(1.2, says('lookover.causes.drain-runs-slowly'), ({ lookOver }) => drainState(lookOver) === 'slow'),
      sign(1, says('lookover.causes.standing-water'), standsInPan),
      sign(-2, says('lookover.causes.drain-passed-flow-test'), ({ lookOver }) => lookOver.flowTest !== undefined && drainState(lookOver) === 'good'),
    ],
  },
  {
    cause: 'unit off level',
    helps: 'no',
    prior: prior(0.3),
    signs: [
      sign(1.6, says('lookover.causes.drips-indoors'), complains('drips-indoors')),
      sign(2.5, says('lookover.causes.does-fall-towards-drain'), ({ lookOver }) => isOffLevel(lookOver)),
      sign(-1.5, says('lookover.causes.falls-towards-drain'), ({ lookOver }) => lookOver.levelMmPerM !== undefined && !isOffLevel(lookOver)),
    ],
  },
  {
    cause: 'frozen coil from low airflow',
    helps: 'yes',
    prior: prior(0.4),
    signs: [
      sign(1.8, says('lookover.causes.ices-up'), complains('ices-up')),
      sign(1.2, says('lookover.causes.filter-coil-wheel-hold'), both(dirtyAirPath, complains('ices-up'))),
      sign(0.8, says('lookover.causes.drips-indoors-ice-melts'), both(complains('drips-indoors'), dirtyAirPath)),
      sign(-2, says('lookover.causes.air-path-clean'), cleanParts),
      sign(-1.5, says('lookover.causes.airflow-good'), goodAir),
    ],
  },
  {
    cause: 'low refrigerant charge',
    helps: 'no',
    prior: prior(0.3),
    signs: [
      sign(3, says('lookover.causes.oil-stain-pipework'), finds('oil-stain')),
      sign(2.2, says('lookover.causes.cold-although-filter-coil'), both(complains('not-cold'), cleanParts)),
      sign(2.2, says('lookover.causes.ice-clean-coil'), both(complains('ices-up'), cleanParts)),
      sign(1.2, says('lookover.causes.ice-spite-good-airflow'), both(complains('ices-up'), goodAir)),
      sign(1.5, says('lookover.causes.small-temperature-split-good'), smallSplitGoodAir),
      sign(0.8, says('lookover.causes.cold'), complains('not-cold')),
      sign(-1.2, says('lookover.causes.coil-wheel-dirty-clean'), both(dirtyAirPath, not(finds('oil-stain')))),
      sign(-1.2, says('lookover.causes.outdoor-coil-dirty-clean'), both(dirtyCondenser, not(finds('oil-stain')))),
      sign(-2.5, says('lookover.causes.delivers-should'), fullCooling),
    ],
  },
  {
    cause: 'failing fan motor or bearing',
    helps: 'no',
    prior: prior(0.25),
    signs: [
      sign(1.8, says('lookover.causes.noisy'), complains('noise')),
      sign(1, says('lookover.causes.little-air-although-air'), both(lowAir, cleanParts)),
    ],
  },
  {
    cause: 'failed compressor or capacitor',
    helps: 'no',
    prior: prior(0.15),
    signs: [
      sign(1.2, says('lookover.causes.cold'), complains('not-cold')),
      sign(2.2, says('lookover.causes.next-temperature-split'), noSplit),
      sign(-3, says('lookover.causes.delivers-should'), fullCooling),
    ],
  },
  {
    cause: 'failed ice-guard or thermistor',
    helps: 'no',
    prior: prior(0.15),
    signs: [
      sign(1, says('lookover.causes.ices-up'), complains('ices-up')),
      sign(0.6, says('lookover.causes.ice-clean-coil'), both(complains('ices-up'), cleanParts)),
      sign(0.6, says('lookover.causes.cold'), complains('not-cold')),
    ],
  },
  {
    cause: 'air bypass',
    helps: 'partly',
    prior: prior(0.2),
    signs: [
      sign(2, says('lookover.causes.filter-missing'), finds('missing-filter')),
      sign(2, says('lookover.causes.gasket-failed'), finds('failed-gasket')),
      sign(0.5, says('lookover.causes.coil-soiled-although-filter'), both(atLeast('coilFace', 2), seenClear('filter'))),
    ],
  },
  {
    cause: 'blocked condenser',
    helps: 'yes',
    on: ['condenserFace', 'condenserInside'],
    prior: prior(0.2),
    signs: [
      sign(2.2, says('lookover.causes.outdoor-coil-coated-worse'), dirtyCondenser),
      sign(1, says('lookover.causes.gaps-outdoor-coil-bridged'), ({ lookOver }) => worstOf(lookOver, 'condenserFace', 'condenserInside') >= 3),
      sign(0.8, says('lookover.causes.less-cooling-than-air'), both(lowCooling, goodAir)),
      sign(0.6, says('lookover.causes.cold'), complains('not-cold')),
    ],
  },
  {
    cause: 'undersized unit or too hot outdoors',
    helps: 'no',
    prior: prior(0.2),
    signs: [
      sign(1.8, says('lookover.causes.cold-although-delivers-should'), both(complains('not-cold'), fullCooling)),
      sign(0.4, says('lookover.causes.cold'), complains('not-cold')),
    ],
  },
  {
    cause: 'damaged wheel',
    helps: 'no',
    prior: prior(0.1),
    signs: [
      sign(3.5, says('lookover.causes.crack-wheel'), finds('cracked-wheel')),
      sign(2.5, says('lookover.causes.balance-clip-missing'), finds('missing-balance-clip')),
      sign(1, says('lookover.causes.noisy'), complains('noise')),
    ],
  },
  {
    cause: 'torn insulation',
    helps: 'no',
    prior: prior(0.15),
    signs: [
      sign(3, says('lookover.causes.torn-pipe-insulation'), finds('torn-insulation')),
      sign(0.9, says('lookover.causes.drips-indoors'), complains('drips-indoors')),
    ],
  },
  {
    cause: 'overheated wiring',
    helps: 'no',
    prior: prior(0.05),
    signs: [
      sign(5, says('lookover.causes.scorched-plug-stop-electrician'), finds('scorched-plug')),
      sign(3, says('lookover.causes.loose-wiring'), finds('loose-wiring')),
      sign(2.5, says('lookover.causes.oxidised-plug'), finds('oxidised-plug')),
      sign(3, says('lookover.causes.wet-electronics'), finds('wet-electronics')),
    ],
  },
]
