import { airOf, pressureAt } from '../air/index.ts'
import { builtInVan, type Equipment } from '../products/index.ts'
import { dryingMinutes, rinseMinutes, simulateWash, washLitres, type WashJob } from './index.ts'

const job: WashJob = { rinse: 'pump-wand', areaM2: 0.2, grade: 2, faces: 2, wheelInPlace: false, equipment: builtInVan }

describe('wash water', () => {
  it('is flow times time by faces and grade', () => {
    expect(rinseMinutes(job)).toBeCloseTo(3.6, 9)
    expect(washLitres(job)).toBeCloseTo(5.76, 9)
    expect(washLitres({ ...job, rinse: 'none' })).toBe(0)
    // Five minutes at the condenser, 1.6 L a minute; nothing where nothing is rinsed.
    expect(washLitres({ ...job, condenser: true })).toBeCloseTo(5.76 + 8, 9)
    expect(washLitres({ ...job, condenser: true, rinse: 'none' })).toBe(0)
    expect(washLitres({ ...job, wheelInPlace: true })).toBeCloseTo(5.76 + 4, 9)
  })
  it('stays low in a bag with a free outlet', () => {
    const wash = simulateWash(job, 'wash-bag')
    expect(wash).toMatchObject({ overflowsAtMin: null, bucketChanges: 0 })
    // Torricelli at steady state: h = (q / (C_d A))² / 2g; volume = h · 0.05 m².
    const height = (1.6 / 60_000 / (0.6 * Math.PI * 0.011 ** 2)) ** 2 / (2 * 9.81)
    expect(wash.peakLevelShare).toBeGreaterThanOrEqual(Math.floor(((height * 0.05 * 1000) / 10) * 1000) / 1000)
    expect(wash.peakLevelShare).toBeLessThan(0.05)
  })
  it('overflows a clogging outlet, and says how long one may wash', () => {
    const narrow: Equipment[] = [
      { id: 'p', kind: 'pump-wand', count: 1, flowLMin: 3 },
      { id: 'b', kind: 'wash-bag', count: 1, litres: 5, outletMm: 12 },
    ]
    const wash = simulateWash({ ...job, grade: 4, equipment: narrow }, 'wash-bag')
    expect(wash.overflowsAtMin).not.toBeNull()
    expect(wash.longestWashMin).toBeLessThan(rinseMinutes({ ...job, grade: 4 }))
    expect(wash.peakLevelShare).toBe(1)
  })
  it('counts bucket changes at four fifths full', () =>
    expect(simulateWash({ ...job, areaM2: 0.6, grade: 4 }, 'wash-bag').bucketChanges).toBe(Math.ceil((1.6 * 2 * 3.5 * 3) / 12) - 1))
})

describe('drying', () => {
  const room = airOf(25, 0.5, pressureAt(0))
  it('follows the worked example: 50 g/m² at 25 °C, 50 %, fan at 2 m/s', () => {
    // Wet bulb 17.9 °C: vapour 15.2 g/m³ at the surface over 11.5 in the room; h_c 13.3; h_m = 13.3/(1.17·1006·0.911) = 0.0124 m/s → 0.05/(0.0124·0.0037)/60 ≈ 18 min.
    expect(dryingMinutes('wheel', 'fan', room)).toBeGreaterThan(16)
    expect(dryingMinutes('wheel', 'fan', room)).toBeLessThan(20)
  })
  it('takes three times as long for the coil film, longer in still air, and forever in saturated air', () => {
    expect(dryingMinutes('coilFace', 'fan', room) / dryingMinutes('wheel', 'fan', room)).toBeCloseTo(3, 6)
    expect(dryingMinutes('wheel', 'still-air', room)).toBeGreaterThan(dryingMinutes('wheel', 'fan', room))
    expect(dryingMinutes('filter', 'fan', room, 'disposable') / dryingMinutes('filter', 'fan', room)).toBeCloseTo(8, 6)
    expect(dryingMinutes('wheel', 'fan', airOf(25, 1, pressureAt(0)))).toBe(Infinity)
  })
})
