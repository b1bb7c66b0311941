// What would instruments show at a unit that nobody can stand before? The core's own models, from soil that is hidden, with the noise and the patience of real instruments.
import { airOf, airflowShare, coilAt, pressureAt } from '../../air/index.ts'
import { estimate, type Grade } from '../../quantities/index.ts'
import { plainId } from '../../procedure/index.ts'
import type { UnitState } from '../../run/index.ts'
import type { KnownDesign, Part } from '../../units/index.ts'
import type { Instrument, InstrumentReading, MeasuredQuantity } from './reading.ts'

export interface Simulated {
  /** Same seed, same readings. */
  readonly seed: number
  readonly design: KnownDesign
  /** Soil as it is in truth, before any work. */
  readonly soil: Partial<Record<Part, Grade>>
  readonly state: UnitState
  /** Of the visit, where its units ask something of it: there it is isolated. */
  readonly visit?: UnitState
  readonly room: { readonly dryBulbC: number; readonly relativeHumidity: number }
  readonly outdoorC?: number
  readonly altitudeM?: number
  /** Fall towards the drain, mm/m. */
  readonly levelMmPerM: number
}

interface Traits {
  readonly instrument: Instrument
  readonly tolerance: (value: number) => number
  readonly step: number
  /** Time constant with which it follows. */
  readonly followsS: number
}

/** How good and how quick the stand-ins are, in the unit of each quantity and in seconds: engineering estimates, as of hand instruments. */
const traitsOf: Record<MeasuredQuantity, Traits> = {
  returnC: { instrument: 'return probe', tolerance: () => 0.3, step: 0.1, followsS: 4 },
  returnRh: { instrument: 'return probe', tolerance: () => 0.02, step: 0.001, followsS: 6 },
  supplyC: { instrument: 'supply probe', tolerance: () => 0.3, step: 0.1, followsS: 4 },
  supplyRh: { instrument: 'supply probe', tolerance: () => 0.02, step: 0.001, followsS: 6 },
  airflowM3h: { instrument: 'vane anemometer', tolerance: (value) => Math.max(5, value * 0.05), step: 1, followsS: 2 },
  amps: { instrument: 'clamp meter', tolerance: (value) => 0.03 + value * 0.02, step: 0.01, followsS: 1 },
  levelMmPerM: { instrument: 'level', tolerance: () => 0.3, step: 0.1, followsS: 1 },
  flowTestS: { instrument: 'flow-test cup', tolerance: () => 1, step: 0.1, followsS: 1 },
}
export const simulatedQuantities = Object.keys(traitsOf) as MeasuredQuantity[]
/** Noise of a single reading: one standard deviation. */
const noiseShare = estimate(0.12, 'share of the tolerance')

/** Steps of the run that take the soil off a part. */
const cleans: Readonly<Record<string, readonly Part[]>> = {
  'wash-filters': ['filter'],
  'rinse-coil': ['coilFace', 'coilBack'],
  'draw-off': ['coilFace'],
  'wash-wheel': ['wheel'],
  'brush-wheel': ['wheel'],
  'wash-pan': ['pan'],
  'flush-drain': ['drainLine'],
  'draw-drain': ['drainLine'],
  'wipe-outlet': ['outlet', 'housing'],
}
/** What a careful cleaning leaves behind. */
const left: Grade = 0
/** Seconds that a litre takes through the drain, by grade of the line. */
const drainS = [36, 44, 70, 150, 320].map((value) => estimate(value, 's/L'))
/** Current of the fan alone; of the whole at full load; and how much of the compressor's follows the airflow. */
const fanShare = estimate(0.08, 'share of the running current')
const runningShare = estimate(0.85, 'share of the nameplate')
const followsAir = estimate(0.4, 'share of the compressor’s current')

/** Soil as the steps that are really done have left it: what was skipped, or not reached, is still there. */
export function soilNow({ soil, state }: Pick<Simulated, 'soil' | 'state'>): Simulated['soil'] {
  const now = { ...soil }
  const bare = (state.steps ?? []).some(({ id }) => id === 'off-cover' || id === 'off-panel')
  for (const [id, parts] of Object.entries(cleans)) {
    const progress = state.progress[id]
    if (progress?.doneAtMs === undefined || progress.skippedBecause !== undefined) continue
    for (const part of parts) if (part !== 'coilBack' || bare) now[part] = left
  }
  return now
}

/** Whether the unit has power and runs: until it is isolated, and again once it was started. */
export const isRunning = ({ state: { progress, visitSteps = [] }, visit }: Pick<Simulated, 'state' | 'visit'>): boolean => {
  const isolated = visitSteps.some(({ id }) => plainId(id) === 'isolate' && visit?.progress[id]?.doneAtMs !== undefined)
  return (progress.isolate?.doneAtMs === undefined && !isolated) || progress['run-unit']?.doneAtMs !== undefined
}

/** What an instrument without any error would show. */
export function truthOf(simulated: Simulated): Record<MeasuredQuantity, number> {
  const { design, room, outdoorC, altitudeM = 0, levelMmPerM } = simulated
  const soil = soilNow(simulated)
  const grade = (part: Part): Grade => soil[part] ?? 0
  const share = airflowShare({ filter: grade('filter'), coilFace: grade('coilFace'), coilBack: grade('coilBack'), wheel: grade('wheel') })
  const returnAir = airOf(room.dryBulbC, room.relativeHumidity, pressureAt(altitudeM))
  const flowTestS = drainS[grade('drainLine')].value
  const still = { returnC: room.dryBulbC, returnRh: room.relativeHumidity, levelMmPerM, flowTestS }
  if (!isRunning(simulated)) return { ...still, supplyC: room.dryBulbC, supplyRh: room.relativeHumidity, airflowM3h: 0, amps: 0 }
  const coil = coilAt({ ratedCoolingKw: design.ratedCoolingKw, ratedAirflowM3h: design.ratedAirflowM3h, returnAir, outdoorC }, share)
  const ratedAmps = design.nameplateAmps ?? design.ratedPowerW / (design.volts ?? 230)
  return {
    ...still,
    supplyC: coil.supplyAir.dryBulbC,
    supplyRh: coil.supplyAir.relativeHumidity,
    airflowM3h: coil.airflowM3h,
    // Less air to cool, less work for the compressor; the fan draws what it draws.
    amps: ratedAmps * runningShare.value * (fanShare.value + (1 - fanShare.value) * (1 - followsAir.value * (1 - share))),
  }
}

/**
 * One reading of every quantity at `nowMs`, by instruments that were put in place at `sinceMs`, in room air: each follows with its own
 * time constant, wanders with its own noise and shows whole steps. A pure function of seed and time.
 */
export function simulatedReadings(simulated: Simulated, sinceMs: number, nowMs: number): InstrumentReading[] {
  const truth = truthOf(simulated)
  const { dryBulbC, relativeHumidity } = simulated.room
  const atFirst: Record<MeasuredQuantity, number> = {
    ...truth,
    returnC: dryBulbC,
    returnRh: relativeHumidity,
    supplyC: dryBulbC,
    supplyRh: relativeHumidity,
    airflowM3h: 0,
    amps: 0,
  }
  return simulatedQuantities.map((quantity, index) => {
    const { instrument, tolerance, step, followsS } = traitsOf[quantity]
    const exact = truth[quantity] + (atFirst[quantity] - truth[quantity]) * Math.exp(-Math.max(0, nowMs - sinceMs) / 1000 / followsS)
    const error = tolerance(truth[quantity])
    // Off by one and the same amount all the time, and by a little more or less each time.
    const offset = (noise(simulated.seed, index, 0) * error) / 3
    const noisy = exact + (exact === 0 ? 0 : offset) + noise(simulated.seed, index, Math.floor(nowMs / 250)) * error * noiseShare.value
    const bounded =
      quantity === 'returnRh' || quantity === 'supplyRh' ? Math.min(1, Math.max(0, noisy)) : quantity === 'levelMmPerM' ? noisy : Math.max(0, noisy)
    return { instrument, quantity, value: Math.round(bounded / step) * step, tolerance: error, step, atMs: Math.round(nowMs) }
  })
}

/** A standard normal number, the same for the same three: two hashed uniforms through Box and Muller's transform. */
function noise(seed: number, which: number, when: number): number {
  const uniform = (salt: number) => {
    let mixed = Math.imul(seed ^ Math.imul(which + 1, 0x9e3779b1) ^ Math.imul(when | 0, 0x85ebca6b) ^ salt, 0xc2b2ae35)
    mixed ^= mixed >>> 15
    mixed = Math.imul(mixed, 0x27d4eb2f)
    mixed ^= mixed >>> 13
    return ((mixed >>> 0) + 0.5) / 4294967296
  }
  return Math.sqrt(-2 * Math.log(uniform(0x1234567))) * Math.cos(2 * Math.PI * uniform(0x7654321))
}
