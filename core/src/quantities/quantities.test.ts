import { altitudeM, clamp, estimate, pH, published, round, roundUpTo, share, shownName } from './index.ts'

describe('rounding', () => {
  it('keeps the digits that are asked', () => {
    expect(round(1.2345, 2)).toBe(1.23)
    expect(round(7.5)).toBe(8)
    expect(round(-2.678, 1)).toBe(-2.7)
  })
  it('rounds up to a step, without being pushed over by binary dust', () => {
    expect(roundUpTo(0.252, 0.25)).toBe(0.5)
    expect(roundUpTo(0.1 + 0.2, 0.1)).toBe(0.3)
    expect(roundUpTo(0, 0.25)).toBe(0)
  })
  it('holds a value between two others', () => {
    expect([clamp(-1, 0, 1), clamp(0.5, 0, 1), clamp(2, 0, 1)]).toEqual([0, 0.5, 1])
  })
})

describe('numbers at the border', () => {
  it.each([
    [share, 0.65, 65],
    [altitudeM, -430, -9000],
    [pH, 14, 14.1],
  ])('take what can be true', (schema, good, bad) => {
    expect(schema.safeParse(good).success).toBe(true)
    expect(schema.safeParse(bad).success).toBe(false)
    expect(schema.safeParse(NaN).success).toBe(false)
    expect(schema.safeParse(Infinity).success).toBe(false)
  })
  it('trim names and refuse empty ones', () => {
    expect(shownName.parse('  Hall ')).toBe('Hall')
    expect(shownName.safeParse('   ').success).toBe(false)
  })
})

describe('start values', () => {
  it('say their unit and their source', () => {
    expect(estimate(0.6, 'L/m²')).toEqual({ value: 0.6, unit: 'L/m²', source: 'engineering estimate (start value)' })
    expect(published(27, '°C', 'a standard').source).toBe('a standard')
  })
})
