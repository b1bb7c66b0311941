import { airflowShare } from './airflow.ts'
import { coilAt } from './coil.ts'
import { deliveredCooling } from './cooling.ts'
import { chartPoint, humidityLine } from './chart.ts'
import { airOf, airWith, dewPointC, pressureAt, saturatedAt, wetBulbC } from './state.ts'
import { traverse } from './traverse.ts'

const seaLevel = pressureAt(0)
const clean = { filter: 0, coilFace: 0, coilBack: 0, wheel: 0 } as const

describe('air states', () => {
  // Psychrometric chart No. 1, sea level: 25 °C, 50 %: w 9.9 g/kg, h 50.3 kJ/kg, v 0.858 m³/kg, dew point 13.9 °C, wet bulb 17.9 °C.
  it('agree with published chart values', () => {
    const air = airOf(25, 0.5, seaLevel)
    expect(air.humidityRatio * 1000).toBeCloseTo(9.93, 1)
    expect(air.enthalpyKjKg).toBeCloseTo(50.4, 0)
    expect(air.volumeM3Kg).toBeCloseTo(0.858, 3)
    expect(dewPointC(air)).toBeCloseTo(13.9, 1)
    expect(wetBulbC(air)).toBeCloseTo(17.9, 1)
  })
  it('take the pressure from the altitude', () => {
    expect(seaLevel).toBeCloseTo(101_325, 0)
    expect(pressureAt(1500) / 1000).toBeCloseTo(84.6, 1)
  })
  it('refuse a humidity in percent', () => {
    expect(() => airOf(25, 50, seaLevel)).toThrow(/relative humidity 50 is outside 0..1/)
  })
  it('hold no more water than saturation', () => {
    expect(airWith(10, 0.02, seaLevel).relativeHumidity).toBeCloseTo(1, 6)
  })
})

describe('delivered cooling', () => {
  const returnAir = airOf(27, 0.47, seaLevel)
  const supplyAir = airOf(13, 0.93, seaLevel)
  it('closes its balance: sensible and latent make the total', () => {
    const cooling = deliveredCooling(returnAir, supplyAir, 600)
    expect(cooling.sensibleKw + cooling.latentKw).toBeCloseTo(cooling.totalKw, 9)
    // Condensate times heat of evaporation is the latent part, within the enthalpy of the water that leaves.
    expect((cooling.condensateLH * 2501) / 3600).toBeCloseTo(cooling.latentKw, 1)
  })
  it('is proportional to the airflow', () => {
    expect(deliveredCooling(returnAir, supplyAir, 300).totalKw).toBeCloseTo(deliveredCooling(returnAir, supplyAir, 600).totalKw / 2, 9)
  })
})

describe('airflow under fouling', () => {
  it('is whole with clean parts', () => expect(airflowShare(clean)).toBe(1))
  it('follows the equilibrium of fan and system', () => {
    // By hand: φ = 0.45 on the coil: K = 0.35 + 0.15 + 0.5/0.3025 = 2.1529; w = 0.7: sqrt(0.7 · 1.6 / 2.7529).
    expect(airflowShare({ ...clean, coilFace: 3, wheel: 3 })).toBeCloseTo(Math.sqrt((0.7 * 1.6) / 2.7529), 4)
  })
  it.each(['filter', 'coilFace', 'coilBack', 'wheel'] as const)('falls with every grade of the %s', (part) => {
    const shares = ([0, 1, 2, 3, 4] as const).map((grade) => airflowShare({ ...clean, [part]: grade }))
    for (let grade = 1; grade < 5; grade++) expect(shares[grade]).toBeLessThan(shares[grade - 1])
  })
})

describe('the coil', () => {
  const rated = { ratedCoolingKw: 3.5, ratedAirflowM3h: 600, returnAir: airOf(27, 0.47, seaLevel), outdoorC: 35 }
  it('delivers its rating at rated conditions', () => expect(coilAt(rated).totalKw).toBeCloseTo(3.5, 1))
  it('gives a larger split and less cooling with little air', () => {
    const fouled = coilAt(rated, 0.5)
    expect(fouled.splitK).toBeGreaterThan(coilAt(rated).splitK)
    expect(fouled.totalKw).toBeLessThan(coilAt(rated).totalKw * 0.7)
  })
  it('makes no condensate in dry air', () => expect(coilAt({ ...rated, returnAir: airOf(27, 0.12, seaLevel) }).condensateLH).toBe(0))
})

describe('published psychrometric tables', () => {
  // ASHRAE Handbook Fundamentals 2017, ch. 1, table 2 (moist air at standard pressure): saturated humidity ratio, enthalpy. The package leaves the enhancement factor out, about 0.5 %.
  it.each([
    [0, 0.003789, 9.475],
    [10, 0.007661, 29.352],
    [20, 0.014758, 57.555],
    [30, 0.02733, 99.983],
    [40, 0.049141, 166.683],
  ])('give at %d °C saturated %d kg/kg and %d kJ/kg', (dryBulbC, ratio, enthalpy) => {
    const air = saturatedAt(dryBulbC, seaLevel)
    expect(Math.abs(air.humidityRatio / ratio - 1)).toBeLessThan(0.006)
    expect(Math.abs(air.enthalpyKjKg - enthalpy)).toBeLessThan(0.05 + 0.004 * enthalpy)
  })
  it('are what the chart draws: its lines keep their humidity and end at saturation', () => {
    const half = humidityLine(0.5, 10, 30, seaLevel, 20)
    for (const { dryBulbC, humidityGKg } of half) expect(airWith(dryBulbC, humidityGKg / 1000, seaLevel).relativeHumidity).toBeCloseTo(0.5, 6)
    expect([half[0].dryBulbC, half.at(-1)!.dryBulbC, half.length]).toEqual([10, 30, 21])
    expect(humidityLine(1, 20, 20, seaLevel, 1)[0]).toEqual(chartPoint(saturatedAt(20, seaLevel)))
  })
})

describe('a traverse of the outlet', () => {
  const outlet = { widthMm: 700, heightMm: 60 }
  it('is mean velocity times area', () => {
    expect(traverse({ ...outlet, velocitiesMs: [3, 5] }).airflowM3h).toBeCloseTo(4 * 0.7 * 0.06 * 3600, 9)
  })
  it('knows how far its mean may be off, and how many points would make it a tenth', () => {
    // By hand: mean 4, s 0.8165, spread 0.2041; t(0.975, 3) = 3.182: 3.182 × 0.2041 / 2 = 0.3248; with 3 % of the instrument 0.3262.
    const four = traverse({ ...outlet, velocitiesMs: [3, 4, 4, 5] })
    expect(four.spread).toBeCloseTo(0.2041, 4)
    expect(four.toleranceShare).toBeCloseTo(0.3262, 3)
    // 19 points: 2.101 × 0.2041 / √19 = 0.0984 is too much with the instrument; 21: 2.086 × 0.2041 / √21 = 0.0929, with it 0.0976.
    expect(four.pointsForTenth).toBeGreaterThanOrEqual(19)
    expect(four.pointsForTenth).toBeLessThanOrEqual(22)
    const many = traverse({ ...outlet, velocitiesMs: Array.from({ length: four.pointsForTenth! }, (_, index) => [3, 4, 4, 5][index % 4]) })
    expect(many.toleranceShare).toBeLessThan(0.105)
  })
  it('of a single point has no tolerance; without air there is none', () => {
    expect(traverse({ ...outlet, velocitiesMs: [4] }).toleranceShare).toBeUndefined()
    expect(() => traverse({ ...outlet, velocitiesMs: [0, 0] })).toThrow('no air comes out at any of these points')
  })
})
