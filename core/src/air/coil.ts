// What should the supply air be at these return and outdoor conditions, with the coil clean or fouled?
import { clamp, estimate, published } from '../quantities/index.ts'
import { deliveredCooling, type Cooling } from './cooling.ts'
import { airOf, airWith, pressureAt, saturatedAt, saturatedAtEnthalpy, wetBulbC, type AirState } from './state.ts'

/** Indoor and outdoor air at which cooling is rated. */
export const ratedReturnC = published(27, '°C', 'ISO 5151, condition T1')
export const ratedReturnWetBulbC = published(19, '°C', 'ISO 5151, condition T1')
export const ratedOutdoorC = published(35, '°C', 'ISO 5151, condition T1')
/** Transfer units of a clean indoor coil at its rated airflow. */
export const cleanNtu = estimate(1.7, 'transfer units')
/** Change of capacity per K of return wet bulb away from its rated value. */
export const capacityPerWetBulbK = estimate(0.025, 'share per K')
/** Change of capacity per K of outdoor air away from its rated value. */
export const capacityPerOutdoorK = estimate(-0.008, 'share per K')
/** Beyond these shares of rated capacity the linear correction is not believed. */
const leastCapacity = estimate(0.3, 'share of rated')
const mostCapacity = estimate(1.4, 'share of rated')
/** No coil is run colder than this for long: it would ice up. */
export const coldestSurfaceC = estimate(1, '°C')

export interface CoilConditions {
  ratedCoolingKw: number
  ratedAirflowM3h: number
  returnAir: AirState
  /** °C; default: the rated outdoor state */
  outdoorC?: number
}

export interface CoilResult extends Cooling {
  readonly supplyAir: AirState
  readonly airflowM3h: number
  readonly apparatusDewPointC: number
}

/** Capacity (kW) of the clean unit at the given return and outdoor air: linear in wet bulb and outdoor dry bulb. */
export function cleanCapacityKw({ ratedCoolingKw, returnAir, outdoorC = ratedOutdoorC.value }: CoilConditions): number {
  const factor =
    (1 + capacityPerWetBulbK.value * (wetBulbC(returnAir) - ratedReturnWetBulbC.value)) *
    (1 + capacityPerOutdoorK.value * (outdoorC - ratedOutdoorC.value))
  return ratedCoolingKw * clamp(factor, leastCapacity.value, mostCapacity.value)
}

/**
 * Supply state and cooling of a bypass-factor coil at `airflowShare` of its rated airflow.
 *
 * The apparatus dew point is set by the clean unit's capacity at these conditions (effectiveness 1 − exp(−NTU) at rated
 * airflow); under fouling it stays, while NTU grows with Q^(−0.5): less air, colder supply, less cooling.
 */
export function coilAt(conditions: CoilConditions, airflowShare = 1): CoilResult {
  const { returnAir, ratedAirflowM3h } = conditions
  // The airflow is read at the supply, whose density depends on the surface: one correction is within 0.2 %.
  const first = onLine(returnAir, surfaceOf(conditions, returnAir.volumeM3Kg), 1 - Math.exp(-cleanNtu.value))
  const surface = surfaceOf(conditions, first.volumeM3Kg)
  const ntu = cleanNtu.value * Math.max(airflowShare, 0.05) ** -0.5
  const supplyAir = onLine(returnAir, surface, 1 - Math.exp(-ntu))
  const airflowM3h = ratedAirflowM3h * airflowShare
  return { ...deliveredCooling(returnAir, supplyAir, airflowM3h), supplyAir, airflowM3h, apparatusDewPointC: surface.dryBulbC }
}

/** Air on the coil's surface: saturated where it is below the dew point of the return air, else dry at the return's humidity. */
function surfaceOf(conditions: CoilConditions, volumeM3Kg: number): AirState {
  const { returnAir, ratedAirflowM3h } = conditions
  const { pressurePa } = returnAir
  const effectiveness = 1 - Math.exp(-cleanNtu.value)
  const massKgS = ratedAirflowM3h / 3600 / volumeM3Kg
  const dropKjKg = cleanCapacityKw(conditions) / massKgS / effectiveness
  const wet = saturatedAtEnthalpy(returnAir.enthalpyKjKg - dropKjKg, pressurePa)
  if (wet.dryBulbC < coldestSurfaceC.value) return coldSurface(returnAir)
  if (wet.humidityRatio <= returnAir.humidityRatio) return wet
  const dryDropK = dropKjKg / (1.006 + 1.86 * returnAir.humidityRatio)
  return airWith(Math.max(returnAir.dryBulbC - dryDropK, coldestSurfaceC.value), returnAir.humidityRatio, pressurePa)
}

function coldSurface(returnAir: AirState): AirState {
  const cold = saturatedAt(coldestSurfaceC.value, returnAir.pressurePa)
  return cold.humidityRatio <= returnAir.humidityRatio ? cold : airWith(coldestSurfaceC.value, returnAir.humidityRatio, returnAir.pressurePa)
}

function onLine(from: AirState, to: AirState, part: number): AirState {
  return airWith(
    from.dryBulbC + part * (to.dryBulbC - from.dryBulbC),
    from.humidityRatio + part * (to.humidityRatio - from.humidityRatio),
    from.pressurePa,
  )
}

/** Indoor air that a cooled room tends to where it was not measured. */
export const defaultIndoorC = estimate(26, '°C')
export const mostIndoorHumidity = estimate(0.6, 'relative humidity')
/** Moisture that people add to a room. */
export const occupantMoisture = estimate(0.001, 'kg/kg')
/** Below this outdoor temperature nobody cools a room. */
export const coolingSeasonFromC = estimate(20, '°C')

/** The room's air: as measured, else estimated from outdoors — outdoor moisture plus that of people, at most 60 % at 26 °C. */
export function indoorAirFrom(
  outdoor: { dryBulbC: number; relativeHumidity: number } | undefined,
  altitudeM: number,
  measured?: { returnC: number; returnRh: number },
): AirState {
  const pressurePa = pressureAt(altitudeM)
  if (measured) return airOf(measured.returnC, measured.returnRh, pressurePa)
  const humid = airOf(defaultIndoorC.value, mostIndoorHumidity.value, pressurePa)
  if (!outdoor) return airOf(defaultIndoorC.value, 0.5, pressurePa)
  const outdoorAir = airOf(outdoor.dryBulbC, outdoor.relativeHumidity, pressurePa)
  return airWith(defaultIndoorC.value, Math.min(humid.humidityRatio, outdoorAir.humidityRatio + occupantMoisture.value), pressurePa)
}
