// What will the weather be, and what is it usually? One interface, which the adapter of a weather service fills.
import { coolingSeason, type Season, type WeatherDay } from '@yastik/core/upkeep'

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
