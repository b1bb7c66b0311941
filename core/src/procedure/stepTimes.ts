// How many hands-on minutes does a step take to start with? A firm's own finished runs correct them.
import { estimate, type StartValue } from '../quantities/index.ts'

const min = (value: number) => estimate(value, 'min hands-on')
const minPerM2 = (value: number) => estimate(value, 'min hands-on per m² of coil face')

export const stepMin = {
  readBefore: min(6),
  readVents: min(6),
  coilDryFirst: min(0.5),
  tell: min(1),
  lookForNests: min(1),
  clearFound: min(6),
  setLevel: min(8),
  floatTest: min(2),
  coverForSpin: min(1),
  keepOff: min(2),
  pushTilesBack: min(2),
  putThingsBack: min(4),
  renewFilters: min(1),
  rinseDegreaser: min(4),
  wiringGate: min(1),
  outdoorOff: min(3),
  outdoorWash: min(16),
  outdoorCheck: min(4),
  isolate: min(2),
  proveDead: min(2),
  partBattery: min(4),
  joinBattery: min(4),
  secureUnit: min(3),
  goUp: min(6),
  clearBelow: min(4),
  setContainment: min(6),
  setBench: min(7),
  setRags: min(4),
  plugOpening: min(4),
  unplugOpening: min(2),
  coverOutlet: min(3),
  emptyPan: min(2),
  inspectSleeve: min(3),
  coverElectronics: min(3),
  uncoverElectronics: min(2),
  loosenSetScrew: min(3),
  tightenSetScrew: min(3),
  spinByHand: min(1),
  vacuumRest: min(3),
  clearCondenser: min(6),
  applyCondenser: min(3),
  wipeRearFan: min(5),
  washBasePan: min(6),
  checkMotor: min(4),
  standUpright: min(0.5),
  pumpTest: min(4),
  drawDrain: min(5),
  mixAgent: min(3),
  brushWheel: min(8),
  washFilters: min(5),
  washWheelOut: min(12),
  washWheelInPlace: min(14),
  washPan: min(7),
  flushPan: min(3),
  wipePan: min(2),
  flushDrain: min(4),
  partDrain: min(8),
  flowTest: min(3),
  treatPan: min(1),
  dryParts: min(4),
  openToDry: min(1),
  wipeOutlet: min(4),
  checkLedger: min(2),
  powerOn: min(1),
  firstSpin: min(2),
  takeDown: min(4),
  runUnit: min(2),
  runTest: min(6),
  clearUp: min(6),
  handOver: min(5),
  leaveToDry: min(1),
  referral: min(6),
} as const satisfies Record<string, StartValue>

export const stepMinPerM2 = { vacuumCoil: minPerM2(20), applyCoil: minPerM2(18), wipeCoil: minPerM2(40) } as const satisfies Record<
  string,
  StartValue
>

/** Straightening fins, by how many are bent: 30 to 60 min for an unprotected condenser, less for a coil behind its cover. */
export const combMin = {
  condenser: { little: min(30), usual: min(45), much: min(60) },
  coil: { little: min(10), usual: min(15), much: min(25) },
} as const
/** Off for so long before, a coil is dry enough to be cleaned dry. */
export const coilDryMin = estimate(5 * 60, 'min')
/** Left open to dry before it is closed and powered; overnight at the very least. */
export const longAirDryMin = estimate(24 * 60, 'min')
/** No more than this is reckoned for a part that stands to dry: past it, only a hand can tell. */
export const mostDryMin = estimate(12 * 60, 'min')
/** More time for a cover right below a ceiling. */
export const tightCoverMin = min(4)
/** Waiting for stored charge before terminals are touched. */
export const storedChargeMin = estimate(5, 'min')
/** Steady cooling before a reading counts. */
export const steadyCoolingMin = estimate(10, 'min')
/** Upright again before a compressor runs, so that its oil is back: after it was carried upright, and after it was laid over. */
export const carriedUprightMin = estimate(10, 'min')
export const tippedUprightMin = estimate(60, 'min')
