import { airflowShare } from './airflow.ts'
import { coilAt } from './coil.ts'
import { deliveredCooling } from './cooling.ts'
import { airOf, airWith, dewPointC, pressureAt, wetBulbC } from './state.ts'

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
