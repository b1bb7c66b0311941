// Which lines does a psychrometric chart draw? States along constant humidity, and points as the chart places them.
import { airOf, saturatedAt, type AirState } from './state.ts'

/** Where a state lies on the chart. */
export interface ChartPoint {
  readonly dryBulbC: number
  /** g water per kg dry air */
  readonly humidityGKg: number
}

export const chartPoint = ({ dryBulbC, humidityRatio }: AirState): ChartPoint => ({ dryBulbC, humidityGKg: humidityRatio * 1000 })

/** Points of constant relative humidity (0..1) from one dry bulb to another, °C; 1 is the saturation line. */
export function humidityLine(relativeHumidity: number, fromC: number, toC: number, pressurePa: number, points = 60): ChartPoint[] {
  return Array.from({ length: points + 1 }, (_, index) => {
    const dryBulbC = fromC + ((toC - fromC) * index) / points
    return chartPoint(relativeHumidity === 1 ? saturatedAt(dryBulbC, pressurePa) : airOf(dryBulbC, relativeHumidity, pressurePa))
  })
}
