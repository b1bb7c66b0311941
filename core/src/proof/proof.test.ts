import { coilAt, airOf, pressureAt } from '../air/index.ts'
import { doubtfulReadings, type Readings } from '../lookover/index.ts'
import { knownDesign } from '../units/index.ts'
import { openHead } from '../tests/jobs.ts'
import { assess, cleanCoolingAt, coolingBy, type ProofInput } from './index.ts'
import { told } from '../tests/inEnglish.ts'

const { design } = knownDesign('wall-head', openHead.design)
const returnAir = airOf(26, 0.55, pressureAt(0))
const readingsAt = (share: number): Readings => {
  const coil = coilAt({ ratedCoolingKw: design.ratedCoolingKw, ratedAirflowM3h: design.ratedAirflowM3h, returnAir, outdoorC: 32 }, share)
  return { returnC: 26, returnRh: 0.55, supplyC: coil.supplyAir.dryBulbC, supplyRh: coil.supplyAir.relativeHumidity, airflowM3h: coil.airflowM3h }
}
const prove = (input: Partial<ProofInput>) => told(assess({ design, outdoorC: 32, notReached: [], referrals: [], ...input }))
const line = (proof: ReturnType<typeof prove>, id: string) => proof.lines.find((entry) => entry.id === id)!

describe('proof', () => {
  it('is given when the unit delivers what a clean one does', () => {
    const proof = prove({ before: readingsAt(0.6), after: readingsAt(1) })
    expect(proof.verdict).toBe('proved')
    expect(line(proof, 'cooling').after).toBeCloseTo(line(proof, 'cooling').expected!, 1)
  })
  it('is not fooled by a large split with little air', () => {
    const proof = prove({ before: readingsAt(0.5), after: readingsAt(0.5) })
    expect(line(proof, 'split').after!).toBeGreaterThan(line(proof, 'split').expected!)
    expect(line(proof, 'cooling').verdict).toBe('not-proved')
    expect(proof.verdict).toBe('not-proved')
  })
  it('is partial when it is better but short, or when a part was not reached', () => {
    expect(line(prove({ before: readingsAt(0.4), after: readingsAt(0.65) }), 'cooling').verdict).toBe('partly')
    const left = prove({ after: readingsAt(1), notReached: [{ part: 'coilBack', because: 'only the front was reached' }] })
    expect(left.verdict).toBe('partly')
    expect(left.sentence).toContain('only the front was reached')
  })
  it('judges nothing by the split alone', () => {
    const { airflowM3h: _, ...withoutAir } = readingsAt(1)
    const proof = prove({ after: withoutAir })
    expect(proof.verdict).toBe('partly')
    expect(line(proof, 'cooling').says).toMatch(/split alone proves nothing/)
  })
  it('does not hand over a failed drain or a unit off level as done', () => {
    expect(prove({ after: { ...readingsAt(1), flowTest: { litres: 1, seconds: 300 } } }).verdict).toBe('not-proved')
    expect(prove({ after: { ...readingsAt(1), levelMmPerM: 0 } }).verdict).toBe('not-proved')
    expect(prove({ after: { ...readingsAt(1), flowTest: { litres: 1, seconds: 45 }, levelMmPerM: 3 } }).verdict).toBe('proved')
  })
  it('needs after readings', () => expect(prove({ before: readingsAt(0.5) })).toMatchObject({ verdict: 'not-proved', lines: [] }))
  it('says what stays open', () =>
    expect(prove({ after: readingsAt(1), referrals: [{ because: 'an oxidised plug' }] }).sentence).toContain('an oxidised plug'))
})

describe('tolerances', () => {
  const readings: Readings = { returnC: 27, returnRh: 0.47, supplyC: 13, supplyRh: 0.93, airflowM3h: 600 }
  it('are those of the readings, carried through', () => {
    // By chance: readings drawn within their tolerances (taken as one standard deviation) spread as the propagated one says.
    const { cooling } = coolingBy(readings)
    let seed = 7
    const uniform = () => (seed = (seed * 16807) % 2147483647) / 2147483647
    const normal = () => Math.sqrt(-2 * Math.log(uniform())) * Math.cos(2 * Math.PI * uniform())
    const draws = Array.from({ length: 4000 }, () => {
      const drawn = {
        returnC: 27 + 0.5 * normal(),
        returnRh: 0.47 + 0.03 * normal(),
        supplyC: 13 + 0.5 * normal(),
        supplyRh: Math.min(1, 0.93 + 0.03 * normal()),
        airflowM3h: 600 * (1 + 0.1 * normal()),
      }
      return coolingBy(drawn).cooling!
    })
    for (const figure of ['totalKw', 'sensibleKw', 'latentKw', 'condensateLH'] as const) {
      const mean = draws.reduce((sum, draw) => sum + draw[figure].value, 0) / draws.length
      const deviation = Math.sqrt(draws.reduce((sum, draw) => sum + (draw[figure].value - mean) ** 2, 0) / draws.length)
      expect(cooling![figure].tolerance / deviation).toBeGreaterThan(0.92)
      expect(cooling![figure].tolerance / deviation).toBeLessThan(1.1)
    }
  })
  it('of better instruments are smaller', () => {
    const better = { temperatureK: 0.1, humidity: 0.01, airflowShare: 0.03 }
    expect(coolingBy({ ...readings, tolerance: better }).cooling!.totalKw.tolerance).toBeLessThan(coolingBy(readings).cooling!.totalKw.tolerance / 2)
  })
  it('without a measured supply humidity are larger, and no water comes out of nowhere', () => {
    const { supplyRh: _, ...withoutRh } = readings
    expect(coolingBy(withoutRh).cooling!.latentKw.tolerance).toBeGreaterThan(coolingBy(readings).cooling!.latentKw.tolerance)
    expect(coolingBy({ ...withoutRh, returnRh: 0.2 }).cooling!.condensateLH.value).toBe(0)
  })
  it('close the balance in every figure', () => {
    const { cooling } = coolingBy(readings)
    expect(cooling!.sensibleKw.value + cooling!.latentKw.value).toBeCloseTo(cooling!.totalKw.value, 9)
  })
  it('decide: what lies within them of a clean unit is proved, what lies beyond is not', () => {
    const clean = cleanCoolingAt(design, readingsAt(1), { outdoorC: 32 })
    const combined = (share: number) => {
      const { cooling } = coolingBy(readingsAt(share))
      return { short: clean.coil.totalKw - cooling!.totalKw.value, within: Math.hypot(cooling!.totalKw.tolerance, clean.totalToleranceKw) }
    }
    for (const share of [0.5, 0.6, 0.7, 0.8, 0.9, 1]) {
      const { short, within } = combined(share)
      expect(line(prove({ after: readingsAt(share) }), 'cooling').verdict === 'proved').toBe(short <= within)
    }
    expect(line(prove({ after: readingsAt(0.6) }), 'cooling').verdict).toBe('not-proved')
  })
})

describe('doubtful readings', () => {
  it('find swapped probes', () => {
    expect(told(doubtfulReadings({ returnC: 13, returnRh: 0.9, supplyC: 26 }, {}))[0].allowed).toMatch(/swap/)
    expect(told(doubtfulReadings({ returnC: 26, returnRh: 0.9, supplyC: 13, supplyRh: 0.5 }, {}))[0].where).toBe('supplyRh')
    expect(told(doubtfulReadings(readingsAt(1), design))).toEqual([])
  })
})
