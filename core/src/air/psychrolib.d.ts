// The part of the psychrometric package that is used here, typed by hand: it ships without types.
declare module 'psychrolib' {
  interface Psychrometrics {
    readonly IP: number
    readonly SI: number
    SetUnitSystem(system: number): void
    /** Altitude m → pressure Pa. */
    GetStandardAtmPressure(altitude: number): number
    /** Dry bulb °C, relative humidity 0..1, pressure Pa → kg water per kg dry air. */
    GetHumRatioFromRelHum(dryBulb: number, relHum: number, pressure: number): number
    /** Dry bulb °C, humidity ratio, pressure Pa → relative humidity 0..1. */
    GetRelHumFromHumRatio(dryBulb: number, humRatio: number, pressure: number): number
    /** Dry bulb °C, humidity ratio → J per kg dry air. */
    GetMoistAirEnthalpy(dryBulb: number, humRatio: number): number
    /** Dry bulb °C, humidity ratio, pressure Pa → m³ per kg dry air. */
    GetMoistAirVolume(dryBulb: number, humRatio: number, pressure: number): number
    /** Dry bulb °C, humidity ratio, pressure Pa → dew point °C. */
    GetTDewPointFromHumRatio(dryBulb: number, humRatio: number, pressure: number): number
    /** Dry bulb °C, humidity ratio, pressure Pa → wet bulb °C. */
    GetTWetBulbFromHumRatio(dryBulb: number, humRatio: number, pressure: number): number
    /** Dry bulb °C, pressure Pa → saturated humidity ratio. */
    GetSatHumRatio(dryBulb: number, pressure: number): number
    /** Dry bulb °C → saturation vapour pressure Pa. */
    GetSatVapPres(dryBulb: number): number
  }
  const psychrolib: Psychrometrics
  export default psychrolib
}
