// How many hands-on minutes does a step take to start with? A firm's own finished runs correct them.
import { estimate, type Grade, type StartValue } from '../quantities/index.ts'
import type { Step } from './step.ts'

/** Minutes of a piece of work: `value` is usual, one in ten takes less than `low`, one in ten more than `high`. */
export interface WorkMinutes {
  readonly value: number
  readonly low: number
  readonly high: number
}

/** Where nothing else is said of a piece of work: from so much of the usual to so much. */
const usualSpread = { low: 0.75, high: 1.4 } as const
const spreadOf = (value: number): WorkMinutes => ({ value, low: value * usualSpread.low, high: value * usualSpread.high })
const min = (value: number, low = value * usualSpread.low, high = value * usualSpread.high): WorkMinutes & StartValue => ({
  ...estimate(value, 'min hands-on'),
  low,
  high,
})
const minPerM2 = (value: number) => ({ ...spreadOf(value), ...estimate(value, 'min hands-on per m² of coil face') })

export const stepMin = {
  // Once a visit, each further unit a little more.
  arrive: min(5, 3, 8),
  ask: min(4, 3, 8),
  askFurther: min(1),
  coverWays: min(1.25),
  clearUp: min(8, 6, 12),
  clearUpFurther: min(2),
  showResult: min(3, 2, 7),
  clearUpInPlace: min(3, 2, 7),
  // The same where nothing but filters is seen to: hardly anything is carried in.
  arriveLight: min(1.5),
  askLight: min(1),
  clearUpLight: min(0.5),
  showResultLight: min(1),
  goUp: min(2, 1.5, 5),
  comeDown: min(1, 0.75, 4),
  isolate: min(0.5),
  proveDead: min(0.5),
  proveDeadFurther: min(0.25),
  partBattery: min(0.75, 0.5, 4),
  joinBattery: min(0.75, 0.5, 4),
  powerOn: min(0.25),
  // At the unit.
  coverInPlace: min(0.5),
  setSheet: min(1),
  drainCharge: min(0.25),
  startUnit: min(0.25),
  readBefore: min(2, 1.5, 5),
  readVents: min(3),
  coilDryFirst: min(0.5),
  tell: min(0.5),
  lookForNests: min(0.5),
  clearFound: min(6, 3, 15),
  setLevel: min(8, 4, 15),
  floatTest: min(1),
  coverForSpin: min(1),
  keepOff: min(2),
  pushTilesBack: min(2),
  putThingsBack: min(2),
  renewFilters: min(1),
  rinseDegreaser: min(3),
  wiringGate: min(1),
  outdoorOff: min(3),
  outdoorWash: min(16, 12, 25),
  outdoorCheck: min(3),
  secureUnit: min(2),
  clearBelow: min(0.5),
  moveThings: min(2, 1, 5),
  setContainment: min(3, 2, 6),
  setTrough: min(2),
  setBench: min(4, 3, 8),
  setStand: min(3, 2, 6),
  seeCondensate: min(1),
  setRags: min(0.5),
  plugOpening: min(0.5),
  unplugOpening: min(0.5),
  coverOutlet: min(0.5),
  emptyPan: min(1),
  inspectSleeve: min(1),
  coverElectronics: min(0.75),
  lookAtWiring: min(0.25),
  cleanPlug: min(3, 2, 8),
  wipeBehindWheel: min(1),
  uncoverElectronics: min(0.5),
  loosenSetScrew: min(1.5, 1, 6),
  tightenSetScrew: min(1.5),
  spinByHand: min(0.5),
  vacuumRest: min(0.5),
  clearCondenser: min(2.25),
  applyCondenser: min(1),
  wipeRearFan: min(2),
  washBasePan: min(3),
  checkMotor: min(1),
  standUpright: min(0.5),
  pumpTest: min(2),
  drawDrain: min(3, 2, 8),
  mixAgent: min(1),
  warmWater: min(2),
  brushWheel: min(5),
  washFilters: min(2.5),
  washCover: min(2),
  wipeOutside: min(1),
  washPan: min(4),
  flushPan: min(1.5),
  wipePan: min(1),
  flushDrain: min(2),
  partDrain: min(5, 3, 12),
  flowTest: min(1.25),
  treatPan: min(0.5),
  dryFilters: min(0.5),
  dryParts: min(1),
  openToDry: min(1),
  wipeOutlet: min(1.5),
  checkLedger: min(0.5),
  firstSpin: min(0.5),
  takeDown: min(1.5),
  takeRags: min(0.5),
  takeSheet: min(0.75),
  takeTrough: min(0.75),
  runUnit: min(0.25),
  runTest: min(2.25, 1.5, 5),
  handOver: min(2),
  handOverLight: min(0.5),
  leaveToDry: min(0.25),
  referral: min(6, 4, 12),
} as const satisfies Record<string, StartValue & WorkMinutes>

export const stepMinPerM2 = { vacuumCoil: minPerM2(12), applyCoil: minPerM2(14), wipeCoil: minPerM2(25) } as const

const byGrade = (...values: readonly [number, number, number, number, number]): Readonly<Record<Grade, WorkMinutes & StartValue>> => {
  const [none, film, light, heavy, caked] = values.map((value) => min(value))
  return { 0: none, 1: film, 2: light, 3: heavy, 4: caked }
}
/** Washing a wheel where it sits, and beside the unit, by its grade. */
export const wheelMin = { inPlace: byGrade(4, 5, 8, 12, 16), out: byGrade(5, 6, 8, 10, 13) } as const
/** Loose soil goes slower the more there is of it: times the usual, by grade. */
export const soilFactor: Readonly<Record<Grade, number>> = { 0: 0.6, 1: 0.8, 2: 1, 3: 1.3, 4: 1.6 }

/** Of taking off and putting back, for each screw. */
export const screwMin = { off: min(0.2, 0.1, 0.6), on: min(0.25, 0.2, 0.6) } as const
/** Of carrying a unit outdoors and back, for each storey. */
export const storeyMin = min(1)
/** From a ladder everything at the unit takes longer: times the same from the floor. */
export const ladderFactor = estimate(1.2, 'times the minutes from the floor')
/** The second of a kind in one visit goes quicker: hands know it, and its tools lie ready. */
export const furtherOfKindFactor = estimate(0.85, 'times the minutes of the first of its kind')

/** Of the firm's own minutes, what a person may be said to take, %. */
export const leastPacePercent = 70
export const mostPacePercent = 150

/** Two at one piece of taking apart take so much of one's time each, a little more than half; shorter ones are nobody else's. */
export const sharedFactor = estimate(0.55, 'times the minutes of one')
export const leastSharedMin = estimate(1, 'min')

/** Straightening fins, by how many are bent: 30 to 60 min for an unprotected condenser, less for a coil behind its cover. */
export const combMin = {
  condenser: { little: min(30), usual: min(45), much: min(60) },
  coil: { little: min(10), usual: min(15), much: min(20) },
} as const
/** Off for so long before, a coil is dry enough to be cleaned dry. */
export const coilDryMin = estimate(5 * 60, 'min')
/** Left open to dry before it is closed and powered; overnight at the very least. */
export const longAirDryMin = estimate(24 * 60, 'min')
/** No more than this is reckoned for a part that stands to dry: past it, only a hand can tell. */
export const mostDryMin = estimate(12 * 60, 'min')
/** More time for a cover right below a ceiling. */
export const tightCoverMin = min(3)
/** Waiting for stored charge before terminals are touched. */
export const storedChargeMin = estimate(5, 'min')
/** Steady cooling before a reading counts. */
export const steadyCoolingMin = estimate(10, 'min')
/** Upright again before a compressor runs, so that its oil is back: after it was carried upright, and after it was laid over. */
export const carriedUprightMin = estimate(10, 'min')
export const tippedUprightMin = estimate(60, 'min')

type Taken = Pick<Step, 'handsMin' | 'lowMin' | 'highMin'>
type Work = StartValue | WorkMinutes
const spread = (work: Work): WorkMinutes => ('low' in work ? work : spreadOf(work.value))

/** Minutes of a step that is made of these pieces of work, one after the other. */
export function takes(...works: readonly Work[]): Taken {
  const all = works.map(spread)
  const sum = (of: (work: WorkMinutes) => number) => all.reduce((total, work) => total + of(work), 0)
  return { handsMin: sum(({ value }) => value), lowMin: sum(({ low }) => low), highMin: sum(({ high }) => high) }
}
/** So many times, or so much of, a piece of work. */
export const times = (work: Work, factor: number): WorkMinutes => {
  const { value, low, high } = spread(work)
  return { value: value * factor, low: low * factor, high: high * factor }
}
/** At least so many minutes. */
export const atLeast = (leastMin: number, work: Work): WorkMinutes => (work.value >= leastMin ? spread(work) : spreadOf(leastMin))
/** Minutes that follow from a quantity: how long water runs hardly varies. */
export const runsFor = (minutes: number): WorkMinutes => ({ value: minutes, low: minutes * 0.9, high: minutes * 1.2 })
