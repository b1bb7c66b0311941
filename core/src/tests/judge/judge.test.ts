// Plans that every practitioner would sign: a few hundred generated jobs, comparisons of sense, and plans broken on purpose to show that the judge sees.
import { jobFileSchema } from '../../plan/index.ts'
import { findings } from '../../lookover/index.ts'
import { choicesOf, topics } from '../../method/index.ts'
import { families } from '../../units/index.ts'
import { jobWith } from '../jobs.ts'
import { brokenPlans } from './broken.ts'
import { jobOf, judge, judgeJob, predicates, senseOf, shrink } from './index.ts'
import { planInEnglish } from '../inEnglish.ts'

const seeds = (count: number, from: number) => Array.from({ length: count }, (_, index) => from + index)

describe('generated jobs', () => {
  it('hold up as job files, and cover what the format allows', () => {
    const jobs = seeds(400, 9000).map(jobOf)
    for (const job of jobs) expect(jobFileSchema.safeParse(job)).toMatchObject({ success: true })
    const units = jobs.flatMap((job) => job.units)
    for (const family of families) expect(units.some((unit) => unit.family === family)).toBe(true)
    for (const finding of findings) expect(units.some((unit) => unit.findings?.includes(finding))).toBe(true)
  })
  it('are the same for the same seed', () => expect(jobOf(77)).toEqual(jobOf(77)))
  it.each(seeds(8, 1))('get plans without a fault: batch %i', (batch) => {
    const faulty = seeds(50, batch * 10_000).flatMap((seed) => judgeJob(jobOf(seed)).map((fault) => ({ seed, ...fault })))
    expect(faulty).toEqual([])
  })
  it('get the same plan twice', () => {
    for (const seed of seeds(40, 500)) expect(planInEnglish(jobOf(seed))).toEqual(planInEnglish(jobOf(seed)))
  })
  it.each(topics)('stay without a fault whatever is chosen by hand for %s', (topic) => {
    // 9000007 and 9100031 once stripped a unit for nothing; 21002743 once left a dead drain uncleared.
    const faulty = [9_000_007, 9_100_031, 21_002_743, ...seeds(12, 70_000)].flatMap((seed) => {
      const job = jobOf(seed)
      return choicesOf[topic].flatMap((choice) =>
        judgeJob({ ...job, units: [{ ...job.units[0], choices: { [topic]: choice } }] }).map((fault) => ({ seed, choice, ...fault })),
      )
    })
    expect(faulty).toEqual([])
  })
  it('make sense beside one another', () => expect(seeds(150, 40_000).flatMap((seed) => senseOf(seed).faults)).toEqual([]))
})

describe('the judge', () => {
  const spoilt = brokenPlans()
  const only = new Map(spoilt.map((entry) => [entry.predicate, entry]))
  // Rain comes after the plan was made: the plan is right for the dry day, and wrong for the wet one.
  const roof = only.get('roof-weather')!
  const wet = { ...roof, job: { ...roof.job, site: { ...roof.job.site, outdoorAir: { dryBulbC: 20, relativeHumidity: 0.5, rainMmH: 2 } } } }
  it.each(spoilt.map((entry) => (entry === roof ? wet : entry)).map((entry) => [entry.predicate, entry] as const))(
    'sees what is wrong: %s',
    (predicate, { job, plan }) => expect(judge(job, plan).map((fault) => fault.predicate)).toContain(predicate),
  )
  it('has at least forty plans that are broken on purpose', () => expect(spoilt.length).toBeGreaterThanOrEqual(40))
  it('quotes the brief with every predicate, once each', () => {
    expect(new Set(predicates.map(({ id }) => id)).size).toBe(predicates.length)
    for (const { quote } of predicates) expect(quote.length).toBeGreaterThan(15)
  })
  it('counts a job that cannot be planned as a fault', () => {
    const job = jobWith()
    expect(judgeJob({ ...job, units: [{ ...job.units[0], complaints: ['none', 'smell'] }] })).toMatchObject([{ predicate: 'crash' }])
  })
  it('shrinks a job to the least that still shows the fault', () => {
    const job = jobWith({ grades: { coilFace: { grade: 3 } }, name: 'Hall' })
    const smallest = shrink({ ...job, units: [{ ...job.units[0], complaints: ['none', 'smell'] }] }, 'nothing')
    expect(smallest.units[0].name).toBe('Hall')
  })
})
