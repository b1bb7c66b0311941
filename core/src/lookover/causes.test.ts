// For every cause one look-over in which it is the most likely, and one fact that takes that away again.
import { type UnitJob } from '../plan/index.ts'
import { jobWith } from '../tests/jobs.ts'
import { causes, type CleaningHelps } from './causes.ts'
import { inEnglish, planInEnglish } from '../tests/inEnglish.ts'

type Unit = Partial<UnitJob>
const diagnosisOf = (unit: Unit) => planInEnglish(jobWith(unit)).units[0].diagnosis
const weightOf = (unit: Unit, cause: string) => diagnosisOf(unit).find((entry) => entry.cause === cause)?.weight ?? 0
const good = { returnC: 26, returnRh: 0.5, supplyC: 12, supplyRh: 0.9, airflowM3h: 590 }

const likely: [cause: string, helps: CleaningHelps, unit: Unit, lessLikely: Unit][] = [
  ['dirty filter', 'yes', { complaints: ['weak-airflow'], grades: { filter: { grade: 3 } } }, { grades: { filter: { grade: 0 } } }],
  ['fouled coil face', 'yes', { complaints: ['not-cold'], grades: { coilFace: { grade: 3 } } }, { grades: { coilFace: { grade: 0 } } }],
  ['fouled coil back', 'yes', { complaints: ['not-cold'], grades: { coilBack: { grade: 3 } } }, { grades: { coilBack: { grade: 0 } } }],
  ['fouled wheel', 'yes', { complaints: ['spits-dirt'], grades: { wheel: { grade: 3 } } }, { complaints: [], grades: { wheel: { grade: 0 } } }],
  [
    'biofilm in pan',
    'yes',
    { complaints: ['smell'], grades: { pan: { grade: 2, kinds: ['biofilm'] } } },
    { complaints: [], grades: { pan: { grade: 0 } } },
  ],
  ['smell from elsewhere', 'no', { complaints: ['smell'] }, { grades: { pan: { grade: 3 } } }],
  ['blocked drain', 'yes', { complaints: ['drips-indoors'], findings: ['drain-blocked'] }, { findings: [] }],
  ['unit off level', 'no', { complaints: ['drips-indoors'], findings: ['off-level'] }, { findings: [] }],
  [
    'frozen coil from low airflow',
    'yes',
    { complaints: ['ices-up', 'drips-indoors'], grades: { coilFace: { grade: 2 }, filter: { grade: 1 } } },
    { grades: { coilFace: { grade: 0 } } },
  ],
  ['low refrigerant charge', 'no', { complaints: ['ices-up', 'not-cold'] }, { grades: { coilFace: { grade: 3 } } }],
  ['failing fan motor or bearing', 'no', { complaints: ['noise'] }, { complaints: [] }],
  [
    'failed compressor or capacitor',
    'no',
    { complaints: ['not-cold'], grades: { coilFace: { grade: 2 }, filter: { grade: 0 } }, readings: { ...good, supplyC: 25, supplyRh: 0.52 } },
    { readings: good },
  ],
  ['air bypass', 'partly', { findings: ['missing-filter', 'failed-gasket'] }, { findings: [] }],
  [
    'blocked condenser',
    'yes',
    { family: 'window', complaints: ['not-cold'], grades: { condenserFace: { grade: 3 } } },
    { grades: { condenserFace: { grade: 0 } } },
  ],
  ['undersized unit or too hot outdoors', 'no', { complaints: ['not-cold'], readings: good }, { readings: { ...good, airflowM3h: 300 } }],
  ['damaged wheel', 'no', { complaints: ['noise'], findings: ['cracked-wheel'] }, { findings: [] }],
  ['torn insulation', 'no', { complaints: ['drips-indoors'], findings: ['torn-insulation'] }, { findings: [] }],
  ['overheated wiring', 'no', { findings: ['scorched-plug'] }, { findings: [] }],
]
/** Named by the trade, but never the first guess: nothing but measuring tells it from a low charge. */
const neverFirst = ['failed ice-guard or thermistor']

describe('each cause', () => {
  it.each(likely)('%s comes first when its signs are there, and helps: %s', (...[cause, helps, unit]) =>
    expect(diagnosisOf(unit)[0]).toMatchObject({ cause, cleaningHelps: helps }),
  )
  it.each(likely)('%s gives way when they are not', (...[cause, , unit, less]) => {
    const without = { ...unit, ...less, grades: { ...unit.grades, ...less.grades } }
    expect(weightOf(without, cause)).toBeLessThan(weightOf(unit, cause))
  })
  it('is in the table', () => expect([...likely.map(([cause]) => cause), ...neverFirst].sort()).toEqual(causes.map(({ cause }) => cause).sort()))
  it('has signs that can speak for it, and says each in words', () => {
    for (const { signs } of causes) {
      expect(signs.some(({ logOdds }) => logOdds.value > 0)).toBe(true)
      for (const { says } of signs) expect(inEnglish(says)).toMatch(/^\S.{6,}/)
    }
  })
  it('weighs an ice-guard beside the charge where ice sits on a clean coil', () =>
    expect(weightOf({ complaints: ['ices-up'] }, 'failed ice-guard or thermistor')).toBeGreaterThan(0.05))
})

describe('water in the base pan of a one-box unit', () => {
  it('is normal in use and points at nothing; in the pan of a head it does', () => {
    expect(diagnosisOf({ family: 'window', findings: ['standing-water'] })).toEqual([])
    expect(diagnosisOf({ findings: ['standing-water'] })[0].cause).toBe('blocked drain')
  })
})
