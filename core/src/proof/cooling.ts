// What does the unit deliver by its readings, and how sure is that? Errors of the instruments carried through the air states.
import { airOf, airWith, coilAt, deliveredCooling, pressureAt, saturatedAt, type AirState, type CoilResult, type Cooling } from '../air/index.ts'
import type { Readings } from '../lookover/index.ts'
import { estimate } from '../quantities/index.ts'
import type { KnownDesign } from '../units/index.ts'

/** Tolerances of instruments that do not say their own. */
export const usualTolerance = {
  thermometerK: estimate(0.5, 'K'),
  humidity: estimate(0.03, 'relative humidity'),
  airflowShare: estimate(0.1, 'share'),
}
/** Humidity of supply air where it was not measured, and how far that may be off. */
const usualSupplyRh = { value: estimate(0.9, 'relative humidity'), tolerance: estimate(0.07, 'relative humidity') }
/** How far a maker's rating, corrected for the air, may be off. */
const ratingShare = estimate(0.05, 'share')

/** Figures of `Cooling` with what each may be off, in its own unit. */
export type Measured = { readonly [Figure in keyof Cooling]: { readonly value: number; readonly tolerance: number } }

export interface CoolingMeasured {
  readonly returnAir: AirState
  readonly supplyAir: AirState
  /** Undefined without a measured airflow: a split alone proves nothing. */
  readonly cooling?: Measured
}

/** One reading with its tolerance. */
interface Input {
  readonly value: number
  readonly tolerance: number
}

const clampRh = (relativeHumidity: number) => Math.min(1, Math.max(0, relativeHumidity))

function inputsOf(readings: Readings): Record<'returnC' | 'returnRh' | 'supplyC' | 'supplyRh' | 'airflowM3h', Input> {
  const own = readings.tolerance ?? {}
  const temperature = own.temperatureK ?? usualTolerance.thermometerK.value
  const humidity = own.humidity ?? usualTolerance.humidity.value
  const airflowM3h = readings.airflowM3h ?? 0
  return {
    returnC: { value: readings.returnC, tolerance: temperature },
    returnRh: { value: readings.returnRh, tolerance: humidity },
    supplyC: { value: readings.supplyC, tolerance: temperature },
    supplyRh:
      readings.supplyRh === undefined
        ? { value: usualSupplyRh.value.value, tolerance: usualSupplyRh.tolerance.value }
        : { value: readings.supplyRh, tolerance: humidity },
    airflowM3h: { value: airflowM3h, tolerance: airflowM3h * (own.airflowShare ?? usualTolerance.airflowShare.value) },
  }
}

type Inputs = ReturnType<typeof inputsOf>
type Values = Record<keyof Inputs, number>

function statesOf({ returnC, returnRh, supplyC, supplyRh }: Values, supplyWasMeasured: boolean, pressurePa: number): [AirState, AirState] {
  const returnAir = airOf(returnC, clampRh(returnRh), pressurePa)
  if (supplyWasMeasured) return [returnAir, airOf(supplyC, clampRh(supplyRh), pressurePa)]
  // A coil takes no water out of nowhere: supply air holds at most what the return air does.
  const held = clampRh(supplyRh) * saturatedAt(supplyC, pressurePa).humidityRatio
  return [returnAir, airWith(supplyC, Math.min(returnAir.humidityRatio, held), pressurePa)]
}

/**
 * Air states and delivered cooling by the readings; tolerances by central differences, one reading at a time, summed in quadrature
 * (law of propagation of uncertainty, JCGM 100:2008, 5.1.2, independent inputs).
 */
export function coolingBy(readings: Readings, altitudeM = 0): CoolingMeasured {
  const pressurePa = pressureAt(altitudeM)
  const inputs = inputsOf(readings)
  const names = Object.keys(inputs) as (keyof Inputs)[]
  const values = Object.fromEntries(names.map((name) => [name, inputs[name].value])) as Values
  const supplyWasMeasured = readings.supplyRh !== undefined
  const coolingAt = (changed: Partial<Values>): Cooling => {
    const at = { ...values, ...changed }
    const [returnAir, supplyAir] = statesOf(at, supplyWasMeasured, pressurePa)
    return deliveredCooling(returnAir, supplyAir, at.airflowM3h)
  }
  const [returnAir, supplyAir] = statesOf(values, supplyWasMeasured, pressurePa)
  if (readings.airflowM3h === undefined) return { returnAir, supplyAir }
  const sides = names.map((name) => [
    coolingAt({ [name]: values[name] + inputs[name].tolerance }),
    coolingAt({ [name]: values[name] - inputs[name].tolerance }),
  ])
  const own = coolingAt({})
  const figures = Object.keys(own) as (keyof Cooling)[]
  const cooling = Object.fromEntries(
    figures.map((figure) => {
      const tolerance = Math.hypot(...sides.map(([up, down]) => (up[figure] - down[figure]) / 2))
      return [figure, { value: own[figure], tolerance }]
    }),
  ) as Measured
  return { returnAir, supplyAir, cooling }
}

export interface CleanCooling {
  readonly coil: CoilResult
  /** How far the total may be off, kW: from the return air's readings and the maker's rating. */
  readonly totalToleranceKw: number
  /** How far the supply state may be off. */
  readonly supplyToleranceK: number
  readonly supplyToleranceRatio: number
}

/** What the clean unit should do at the return air of these readings and the outdoor air. */
export function cleanCoolingAt(
  design: KnownDesign,
  readings: Readings,
  { altitudeM = 0, outdoorC }: { altitudeM?: number; outdoorC?: number },
): CleanCooling {
  const pressurePa = pressureAt(altitudeM)
  const { returnC, returnRh } = inputsOf(readings)
  const coilFor = (temperatureC: number, humidity: number) =>
    coilAt({
      ratedCoolingKw: design.ratedCoolingKw,
      ratedAirflowM3h: design.ratedAirflowM3h,
      returnAir: airOf(temperatureC, clampRh(humidity), pressurePa),
      outdoorC,
    })
  const coil = coilFor(returnC.value, returnRh.value)
  const sides = [
    [coilFor(returnC.value + returnC.tolerance, returnRh.value), coilFor(returnC.value - returnC.tolerance, returnRh.value)],
    [coilFor(returnC.value, returnRh.value + returnRh.tolerance), coilFor(returnC.value, returnRh.value - returnRh.tolerance)],
  ]
  const spread = (of: (result: CoilResult) => number) => Math.hypot(...sides.map(([up, down]) => (of(up) - of(down)) / 2))
  const rating = ratingShare.value
  const dropK = coil.supplyAir.dryBulbC - returnC.value
  const dropRatio = coil.supplyAir.humidityRatio - airOf(returnC.value, returnRh.value, pressurePa).humidityRatio
  return {
    coil,
    totalToleranceKw: Math.hypot(
      spread(({ totalKw }) => totalKw),
      coil.totalKw * rating,
    ),
    supplyToleranceK: Math.hypot(
      spread(({ supplyAir }) => supplyAir.dryBulbC),
      dropK * rating,
    ),
    supplyToleranceRatio: Math.hypot(
      spread(({ supplyAir }) => supplyAir.humidityRatio),
      dropRatio * rating,
    ),
  }
}
