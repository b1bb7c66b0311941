// Weather that is made up, the same for the same place and day.
import { seeded } from '@yastik/core/quantities'
import { dayMs, utcDay } from '@yastik/server/days'
import type { WeatherSource } from '@yastik/server/weather/source'
import { seedOf } from './seed.ts'

/** A mild climate of the north: yearly mean and swing at sea level, °C, the warmest day in late July, and 6.5 K less per km. */
const yearlyMeanC = 11
const swingC = 10
const warmestDay = 205
const lapseCPerM = 0.0065
const tenth = (value: number) => Math.round(value * 10) / 10

const meanOn = (dayOfYear: number, altitudeM: number) =>
  yearlyMeanC - lapseCPerM * altitudeM + swingC * Math.cos(((dayOfYear - warmestDay) / 365.25) * 2 * Math.PI)
const dayOfYear = (ms: number) => (ms - Date.UTC(new Date(ms).getUTCFullYear(), 0, 1)) / dayMs

const weather: WeatherSource = {
  async forecast({ id, altitudeM = 0 }, from, days) {
    const fromMs = Date.parse(`${from}T00:00:00Z`)
    return Array.from({ length: days }, (_, index) => {
      const ms = fromMs + index * dayMs
      const day = utcDay(ms)
      const random = seeded(seedOf(`${id} ${day}`))
      const meanC = meanOn(dayOfYear(ms), altitudeM) + 8 * (random() - 0.5)
      const isWet = random() < 0.35
      return {
        day,
        lowC: tenth(meanC - 3 - 3 * random()),
        highC: tenth(meanC + 3 + 4 * random()),
        windMs: tenth(1 + 11 * random() ** 1.6),
        rainMm: isWet ? tenth(12 * random()) : 0,
      }
    })
  },
  async climate({ altitudeM = 0 }) {
    return Array.from({ length: 12 }, (_, month) => tenth(meanOn(month * 30.44 + 15, altitudeM)))
  },
}
export default weather
