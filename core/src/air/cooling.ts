// How much does the unit cool, and how much water does it take out of the air?
import type { AirState } from './state.ts'

/** Delivered cooling. Positive is cooling and drying. */
export interface Cooling {
  readonly totalKw: number
  readonly sensibleKw: number
  readonly latentKw: number
  /** litres per hour */
  readonly condensateLH: number
  /** return minus supply dry bulb, K */
  readonly splitK: number
}

const secondsPerHour = 3600
/** Specific heat of dry air and of water vapour, kJ/(kg K); ASHRAE Handbook Fundamentals 2017, ch. 1, eq. 30. */
const dryAirCp = 1.006
const vapourCp = 1.86

/**
 * Delivered cooling from the two air states and the airflow.
 * Mass flow is taken at the supply, where a vane anemometer reads. Total from the enthalpy difference, sensible from the
 * dry bulbs, latent is the rest; condensate from the humidity ratios.
 * @param airflowM3h volume flow at the supply, m³/h
 */
export function deliveredCooling(returnAir: AirState, supplyAir: AirState, airflowM3h: number): Cooling {
  const massKgS = airflowM3h / secondsPerHour / supplyAir.volumeM3Kg
  const totalKw = massKgS * (returnAir.enthalpyKjKg - supplyAir.enthalpyKjKg)
  const splitK = returnAir.dryBulbC - supplyAir.dryBulbC
  const sensibleKw = massKgS * (dryAirCp + vapourCp * returnAir.humidityRatio) * splitK
  return {
    totalKw,
    sensibleKw,
    latentKw: totalKw - sensibleKw,
    condensateLH: massKgS * Math.max(0, returnAir.humidityRatio - supplyAir.humidityRatio) * secondsPerHour,
    splitK,
  }
}
