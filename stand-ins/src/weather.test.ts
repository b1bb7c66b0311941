import { coolingSeason } from '@yastik/core/upkeep'
import weather from './weather.ts'

const place = { id: 'somewhere', altitudeM: 100 }

describe('the weather that is made up', () => {
  it('is the same for the same place and day, another elsewhere, and can be', async () => {
    const days = await weather.forecast(place, '2027-02-26', 10)
    expect(days.map(({ day }) => day).slice(0, 4)).toEqual(['2027-02-26', '2027-02-27', '2027-02-28', '2027-03-01'])
    expect((await weather.forecast(place, '2027-03-01', 1))[0]).toEqual(days[3])
    expect(await weather.forecast({ ...place, id: 'elsewhere' }, '2027-02-26', 10)).not.toEqual(days)
    for (const { lowC, highC, windMs, rainMm } of days) {
      expect(lowC).toBeLessThan(highC)
      expect(windMs).toBeGreaterThanOrEqual(1)
      expect(rainMm).toBeGreaterThanOrEqual(0)
    }
  })
  it('has its season in summer, later in the year the higher one lives, and none on a mountain', async () => {
    const seasonOf = async (altitudeM: number) => coolingSeason(await weather.climate({ id: 'x', altitudeM }))
    const [low, high] = [await seasonOf(0), await seasonOf(400)]
    expect(low!.firstMonth).toBeLessThanOrEqual(high!.firstMonth)
    expect(low!.lastMonth).toBeGreaterThanOrEqual(8)
    expect(await seasonOf(2500)).toBeUndefined()
  })
})
