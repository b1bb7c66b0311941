import { ifKnown, seasonAt, WeatherAway, type WeatherSource } from './source.ts'

const place = { id: 'somewhere', altitudeM: 100 }

describe('a weather service', () => {
  const failing = (error: Error): WeatherSource => ({ forecast: () => Promise.reject(error), climate: () => Promise.reject(error) })
  it('that does not answer, or is not there, leaves nothing known', async () => {
    expect(await seasonAt(failing(new WeatherAway('no line')), place)).toBeUndefined()
    expect(await ifKnown(undefined, (source) => source.climate(place))).toBeUndefined()
  })
  it('that is broken is not taken for one that is away', async () => {
    await expect(seasonAt(failing(new TypeError('a fault of ours')), place)).rejects.toThrow('a fault of ours')
  })
})
