import { inEnglish } from '../tests/inEnglish.ts'
import fc from 'fast-check'
import { airOf, pressureAt } from '../air/index.ts'
import { builtInVan, type Equipment } from '../products/index.ts'
import {
  caughtLitres,
  dryingMinutes,
  jetOnFins,
  longestWashOf,
  pausesFor,
  pauseMin,
  rinseMinutes,
  simulateWash,
  washCourse,
  washLitres,
  washRunOf,
  type WashJob,
  type WashRun,
} from './index.ts'

const job: WashJob = { rinse: 'pump-wand', areaM2: 0.2, grade: 2, faces: 2, equipment: builtInVan }

describe('wash water', () => {
  it('is flow times time by faces and grade', () => {
    expect(rinseMinutes(job)).toBeCloseTo(3.6, 9)
    expect(washLitres(job)).toBeCloseTo(5.76, 9)
    expect(washLitres({ ...job, rinse: 'none' })).toBe(0)
    // Three minutes at the condenser, by pump 1.6 L a minute, by hand 0.6 L; the coil's own way of rinsing does not matter for it.
    expect(washLitres({ ...job, condenserBy: 'pump-wand' })).toBeCloseTo(5.76 + 4.8, 9)
    expect(washLitres({ ...job, condenserBy: 'spray-bottle', rinse: 'none' })).toBeCloseTo(1.8, 9)
    expect(washLitres({ ...job, wheelBy: 'pump-wand' })).toBeCloseTo(5.76 + 4, 9)
    expect(caughtLitres({ ...job, wheelBy: 'pump-wand', condenserBy: 'hose' })).toBeCloseTo(5.76 + 4, 9)
  })
  it('counts every litre that is poured besides: flushing and tests', () => {
    expect(washLitres({ ...job, rinse: 'none', flowTestL: 1 })).toBe(1)
    expect(washLitres({ ...job, rinse: 'none', flowTestL: 0.2, flushesPan: true, flushesDrain: true, testsPump: true })).toBeCloseTo(5.2, 9)
  })
  it('takes no more than is at hand', () => {
    expect(washLitres({ ...job, rinse: 'spray-bottle', atHandL: 1 })).toBeCloseTo(1, 9)
    expect(rinseMinutes({ ...job, rinse: 'spray-bottle', atHandL: 1 })).toBeCloseTo(1 / 0.6, 9)
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

describe('the course of washing', () => {
  const run: WashRun = { flowLMin: 3, washMin: 9, pausesAtMin: [], grade: 4, holdsL: 5, outletMm: 12, bucketL: 15 }
  it('loses no drop: what came stands, drained or ran over, within 0.1 %', () =>
    fc.assert(
      fc.property(
        fc.record({
          flowLMin: fc.double({ min: 0.3, max: 9, noNaN: true }),
          washMin: fc.double({ min: 0.5, max: 30, noNaN: true }),
          pausesAtMin: fc.array(fc.double({ min: 0.1, max: 30, noNaN: true }), { maxLength: 5 }),
          grade: fc.constantFrom(0, 1, 2, 3, 4) as fc.Arbitrary<0 | 1 | 2 | 3 | 4>,
          holdsL: fc.double({ min: 1, max: 20, noNaN: true }),
          outletMm: fc.double({ min: 6, max: 40, noNaN: true }),
          bucketL: fc.double({ min: 5, max: 30, noNaN: true }),
        }),
        (random) => {
          const { inL, standingL, drainedL, overflowL, peakL, overflowsAtMin } = washCourse(random)
          expect(inL).toBeCloseTo(random.flowLMin * random.washMin, 6)
          expect(Math.abs(standingL + drainedL + overflowL - inL)).toBeLessThanOrEqual(inL * 0.001)
          expect(peakL).toBeLessThanOrEqual(random.holdsL + 1e-9)
          expect(overflowsAtMin !== null).toBe(overflowL > 0)
        },
      ),
      { numRuns: 150 },
    ))
  it('is kept from running over by pauses in which the outlet is cleared', () => {
    const without = washCourse(run)
    expect(without.overflowsAtMin).not.toBeNull()
    const pausesAtMin = pausesFor(run)
    expect(pausesAtMin[0]).toBeLessThan(longestWashOf(run))
    expect(pausesFor({ ...run, outletMm: 40, grade: 0 })).toEqual([])
    const paused = washCourse({ ...run, pausesAtMin })
    expect(paused.overflowsAtMin).toBeNull()
    expect(paused.endMin - without.endMin).toBeCloseTo(pausesAtMin.length * pauseMin.value, 1)
    expect(paused.inL).toBeCloseTo(without.inL, 9)
  })
  it('pauses only within the washing, and once at a time', () => {
    expect(washCourse({ ...run, pausesAtMin: [4, 4, 9, 20] }).endMin).toBeCloseTo(run.washMin + pauseMin.value, 1)
  })
  it('changes the bucket whenever it is four fifths full', () => {
    const { bucketChangesAtMin, moments } = washCourse({ ...run, grade: 0, outletMm: 40, flowLMin: 4, washMin: 10 })
    expect(bucketChangesAtMin).toHaveLength(Math.floor(40 / 12))
    expect(Math.max(...moments.map(({ bucketL }) => bucketL))).toBeLessThanOrEqual(12.1)
  })
  it('follows what somebody chose by hand', () => {
    const chosen = { ...job, chosen: { flowLMin: 2.5, washMin: 6, pausesAtMin: [2, 4] } }
    expect(washRunOf(chosen, 'wash-bag')).toMatchObject({ flowLMin: 2.5, washMin: 6, pausesAtMin: [2, 4] })
    expect(washLitres(chosen)).toBeCloseTo(15, 9)
    expect(simulateWash(chosen, 'wash-bag')).toMatchObject({ litres: 15, pausesAtMin: [2, 4], bucketChanges: 1 })
    // What sprays by hand gives what it gives: a pump sprayer more than a bottle.
    expect(washLitres({ ...chosen, rinse: 'spray-bottle' })).toBeCloseTo(3.6, 9)
    expect(washLitres({ ...chosen, rinse: 'spray-bottle', equipment: [] })).toBeCloseTo(1.5, 9)
  })
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

describe('a jet on fins', () => {
  const fan = { pressureBar: 6, flowLMin: 1.6, distanceCm: 30, fanDegrees: 40 }
  it('presses with its momentum on the place where it lands', () => {
    // By hand: v = 0.85·√(2·6e5/998) = 29.5 m/s; F = 998·2.667e-5·29.5 = 0.784 N; 0.2184 m × 0.020 m: 0.18 kPa.
    const { kPa, speedMs, stands } = jetOnFins(fan)
    expect(speedMs).toBeCloseTo(29.5, 1)
    expect(kPa).toBeCloseTo(0.18, 2)
    expect(stands).toBe(true)
  })
  it('presses less from farther away, and more with more pressure', () => {
    expect(jetOnFins({ ...fan, distanceCm: 60 }).kPa).toBeLessThan(jetOnFins(fan).kPa / 2)
    expect(jetOnFins({ ...fan, pressureBar: 60 }).kPa).toBeGreaterThan(jetOnFins(fan).kPa * 3)
  })
  it('is never a pencil jet, and never nearer than 20 cm', () => {
    expect(
      jetOnFins({ ...fan, fanDegrees: 0 })
        .reasons.map(inEnglish)
        .join(),
    ).toMatch(/pencil jet/)
    expect(jetOnFins({ ...fan, distanceCm: 12 }).reasons.map(inEnglish)).toContain('nearer than 20 cm')
    expect(jetOnFins({ pressureBar: 100, flowLMin: 6, distanceCm: 20, fanDegrees: 15 }).stands).toBe(false)
    expect(() => jetOnFins({ ...fan, distanceCm: 0 })).toThrow('distanceCm 0 is not above zero')
  })
})
