import { coolingSeason } from '@yastik/core'
import { ifKnown, seasonAt, simulatedWeather, WeatherAway, type WeatherSource } from './source.ts'

const place = { id: 'somewhere', altitudeM: 100 }

describe('the weather that is made up', () => {
  it('is the same for the same place and day, another elsewhere, and can be', async () => {
    const days = await simulatedWeather.forecast(place, '2027-02-26', 10)
    expect(days.map(({ day }) => day).slice(0, 4)).toEqual(['2027-02-26', '2027-02-27', '2027-02-28', '2027-03-01'])
    expect((await simulatedWeather.forecast(place, '2027-03-01', 1))[0]).toEqual(days[3])
    expect(await simulatedWeather.forecast({ ...place, id: 'elsewhere' }, '2027-02-26', 10)).not.toEqual(days)
    for (const { lowC, highC, windMs, rainMm } of days) {
      expect(lowC).toBeLessThan(highC)
      expect(windMs).toBeGreaterThanOrEqual(1)
      expect(rainMm).toBeGreaterThanOrEqual(0)
    }
  })
  it('has its season in summer, later in the year the higher one lives, and none on a mountain', async () => {
    const seasonOf = async (altitudeM: number) => coolingSeason(await simulatedWeather.climate({ id: 'x', altitudeM }))
    const [low, high] = [await seasonOf(0), await seasonOf(400)]
    expect(low!.firstMonth).toBeLessThanOrEqual(high!.firstMonth)
    expect(low!.lastMonth).toBeGreaterThanOrEqual(8)
    expect(await seasonOf(2500)).toBeUndefined()
  })
})

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
