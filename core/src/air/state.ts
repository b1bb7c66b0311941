// What is the air like at a point? Air states from dry bulb and relative humidity, through a published psychrometric package.
import psychrolib from 'psychrolib'

psychrolib.SetUnitSystem(psychrolib.SI)

/** A state of moist air. Enthalpy and volume are per kg of dry air. */
export interface AirState {
  readonly dryBulbC: number
  /** 0..1 */
  readonly relativeHumidity: number
  /** kg water per kg dry air */
  readonly humidityRatio: number
  /** kJ per kg dry air */
  readonly enthalpyKjKg: number
  /** m³ per kg dry air */
  readonly volumeM3Kg: number
  readonly pressurePa: number
}

/** Standard atmospheric pressure (Pa) at `altitudeM` metres; ASHRAE Handbook Fundamentals 2017, ch. 1, eq. 3. */
export const pressureAt = (altitudeM: number): number => psychrolib.GetStandardAtmPressure(altitudeM)

/** Air at `dryBulbC` °C and `relativeHumidity` 0..1. @throws RangeError outside −100..200 °C or 0..1. */
export function airOf(dryBulbC: number, relativeHumidity: number, pressurePa: number): AirState {
  if (!(dryBulbC >= -100 && dryBulbC <= 200)) throw new RangeError(`dry bulb ${dryBulbC} °C is outside −100..200 °C`)
  if (!(relativeHumidity >= 0 && relativeHumidity <= 1)) throw new RangeError(`relative humidity ${relativeHumidity} is outside 0..1`)
  return airWith(dryBulbC, psychrolib.GetHumRatioFromRelHum(dryBulbC, relativeHumidity, pressurePa), pressurePa)
}

/** Air at `dryBulbC` °C holding `humidityRatio` kg/kg; more than it can hold is taken as saturated. */
export function airWith(dryBulbC: number, humidityRatio: number, pressurePa: number): AirState {
  const ratio = Math.min(humidityRatio, psychrolib.GetSatHumRatio(dryBulbC, pressurePa))
  return {
    dryBulbC,
    relativeHumidity: Math.min(1, psychrolib.GetRelHumFromHumRatio(dryBulbC, ratio, pressurePa)),
    humidityRatio: ratio,
    enthalpyKjKg: psychrolib.GetMoistAirEnthalpy(dryBulbC, ratio) / 1000,
    volumeM3Kg: psychrolib.GetMoistAirVolume(dryBulbC, ratio, pressurePa),
    pressurePa,
  }
}

/** Saturated air at `dryBulbC` °C. */
export const saturatedAt = (dryBulbC: number, pressurePa: number): AirState => airOf(dryBulbC, 1, pressurePa)

/** Dew point, °C. */
export const dewPointC = (air: AirState): number => psychrolib.GetTDewPointFromHumRatio(air.dryBulbC, air.humidityRatio, air.pressurePa)

/** Thermodynamic wet bulb, °C. */
export const wetBulbC = (air: AirState): number => psychrolib.GetTWetBulbFromHumRatio(air.dryBulbC, air.humidityRatio, air.pressurePa)

/** Saturation vapour pressure over water or ice, Pa. */
export const saturationPressurePa = (dryBulbC: number): number => psychrolib.GetSatVapPres(dryBulbC)

/** Saturated air of `enthalpyKjKg` kJ/kg, by the secant rule to 0.001 K; enthalpies between those of −40 and 60 °C. */
export function saturatedAtEnthalpy(enthalpyKjKg: number, pressurePa: number): AirState {
  const clampC = (temperature: number) => Math.min(60, Math.max(-40, temperature))
  let last = saturatedAt(5, pressurePa)
  let air = saturatedAt(15, pressurePa)
  for (let round = 0; round < 20 && Math.abs(air.dryBulbC - last.dryBulbC) > 0.001; round++) {
    const slope = (air.enthalpyKjKg - last.enthalpyKjKg) / (air.dryBulbC - last.dryBulbC)
    const next = saturatedAt(clampC(air.dryBulbC + (enthalpyKjKg - air.enthalpyKjKg) / slope), pressurePa)
    last = air
    air = next
  }
  return air
}
