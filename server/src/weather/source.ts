// What will the weather be, and what is it usually? One interface, which a weather service's adapter would fill as well; here a stand-in.
import { coolingSeason, seeded, type Season, type WeatherDay } from '@yastik/core'
import { dayMs, dayOf } from '../days.ts'

export interface WeatherPlace {
  readonly id: string
  readonly altitudeM?: number
}
export interface WeatherSource {
  /** So many days from a day on, 2026-05-31. An adapter keeps what it fetched for a while. @throws WeatherAway. */
  forecast(place: WeatherPlace, from: string, days: number): Promise<WeatherDay[]>
  /** Mean temperatures of the twelve months, January first, °C. @throws WeatherAway. */
  climate(place: WeatherPlace): Promise<number[]>
}

/** The weather service does not answer just now. */
export class WeatherAway extends Error {
  override readonly name = 'WeatherAway'
}
/** What is asked of the weather, or undefined where nobody knows it: everything that uses it does without as well. */
export async function ifKnown<T>(weather: WeatherSource | undefined, ask: (weather: WeatherSource) => Promise<T>): Promise<T | undefined> {
  try {
    return weather && (await ask(weather))
  } catch (error) {
    if (error instanceof WeatherAway) return undefined
    throw error
  }
}
/** The months in which cooling runs at a place, where that is known. */
export const seasonAt = async (weather: WeatherSource | undefined, place: WeatherPlace): Promise<Season | undefined> =>
  ifKnown(weather, async (source) => coolingSeason(await source.climate(place)))

/** A mild climate of the north: yearly mean and swing at sea level, °C, the warmest day in late July, and 6.5 K less per km. */
const yearlyMeanC = 11
const swingC = 10
const warmestDay = 205
const lapseCPerM = 0.0065
const tenth = (value: number) => Math.round(value * 10) / 10

const meanOn = (dayOfYear: number, altitudeM: number) =>
  yearlyMeanC - lapseCPerM * altitudeM + swingC * Math.cos(((dayOfYear - warmestDay) / 365.25) * 2 * Math.PI)
const dayOfYear = (ms: number) => (ms - Date.UTC(new Date(ms).getUTCFullYear(), 0, 1)) / dayMs
const seedOf = (text: string) => [...text].reduce((hash, letter) => Math.imul(hash ^ letter.codePointAt(0)!, 0x01000193) >>> 0, 0x811c9dc5)

/** Weather that is made up, the same for the same place and day. */
export const simulatedWeather: WeatherSource = {
  async forecast({ id, altitudeM = 0 }, from, days) {
    const fromMs = Date.parse(`${from}T00:00:00Z`)
    return Array.from({ length: days }, (_, index) => {
      const ms = fromMs + index * dayMs
      const day = dayOf(ms)
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
