import { inEnglish } from '../tests/inEnglish.ts'
import { languages, catalogueOf, sayIn } from '../words/index.ts'
import { metric } from '../quantities/index.ts'
import { bringForward, coolingSeason, draftReminder, isStart, isStop, roofDays, stopLine, type ReminderUnit } from './index.ts'

const north = [0, 1, 5, 10, 15, 18, 20, 20, 16, 10, 5, 1]
const south = [...north.slice(6), ...north.slice(0, 6)]

describe('the season', () => {
  it('is the run of warm months, over the turn of the year in the south', () => {
    expect(coolingSeason(north)).toEqual({ firstMonth: 6, lastMonth: 8 })
    expect(coolingSeason(south)).toEqual({ firstMonth: 12, lastMonth: 2 })
    expect(coolingSeason(Array.from({ length: 12 }, () => 25))).toBeUndefined()
    expect(coolingSeason(Array.from({ length: 12 }, () => 5))).toBeUndefined()
  })
  it.each([
    ['2027-07-15', '2026-11-26', north, '2027-06-01'],
    ['2027-05-15', '2026-11-26', north, undefined],
    // Too late to be before it.
    ['2027-07-15', '2027-06-10', north, undefined],
    ['2027-01-20', '2026-11-26', south, '2026-12-01'],
  ])('brings %s, seen on %s, forward to its start', (dueOn, today, means, expected) =>
    expect(bringForward(dueOn, today, coolingSeason(means))).toBe(expected),
  )
  it('names days for a roof: little wind, dry, neither frost nor heat', () => {
    const mild = { day: '2027-05-01', lowC: 8, highC: 20, windMs: 4, rainMm: 0 }
    const days = [mild, { ...mild, windMs: 8.1 }, { ...mild, rainMm: 2 }, { ...mild, lowC: -1 }, { ...mild, highC: 34 }]
    expect(roofDays(days, 8)).toEqual(['2027-05-01'])
    expect(roofDays(days.slice(1, 2), 9)).toEqual(['2027-05-01'])
  })
})

describe('a reminder', () => {
  const unit: ReminderUnit = {
    name: 'Loft',
    what: 'deep-clean',
    dueOn: '2027-03-10',
    lowOn: '2027-01-20',
    highOn: '2027-05-01',
    lastCleanedOn: '2026-02-03',
    found: 3,
  }
  const facts = { firm: 'Fen Air', site: 'Mill', today: '2026-11-26', units: [unit], say: inEnglish }
  it('says what is due when, how sure that is, and what was found', () =>
    expect(draftReminder(facts)).toContain(
      'Loft is due in about March 2027 (between January and May 2027): a deep clean. We last cleaned it in February 2026 and found thick dirt on its coil.',
    ))
  it('names a unit once, with what is most pressing, and what is due already as due now', () => {
    const text = draftReminder({ ...facts, units: [unit, { ...unit, what: 'light-clean', dueOn: '2026-11-01' }] })
    expect(text.match(/Loft/g)).toHaveLength(1)
    expect(text).toContain('Loft is due now: a light clean.')
  })
  it('offers the deepest work that is due, not the earliest, and names what it covers', () => {
    const due = { ...unit, lowOn: undefined, highOn: undefined }
    const text = draftReminder({
      ...facts,
      units: [
        { ...due, what: 'light-clean', dueOn: '2026-05-01' },
        { ...due, what: 'filter', dueOn: '2026-02-01' },
        { ...due, what: 'deep-clean', dueOn: '2026-11-20' },
        { ...due, what: 'pan-treatment', dueOn: '2027-04-01' },
      ],
    })
    expect(text).toContain('Loft is due now: a deep clean. That includes its filters and the light clean, also due.')
    expect(text).not.toContain('pan treatment')
  })
  it('says to come before the season only where that helps', () => {
    expect(draftReminder({ ...facts, before: '2027-06-01' })).toContain('before June 2027')
    expect(draftReminder(facts)).not.toContain('Best before')
  })
  it('is in the customer’s language, months as it writes them', async () => {
    const text = draftReminder({ ...facts, before: '2026-12-01', say: sayIn(await catalogueOf('es'), { measures: metric }) })
    expect(text).toContain('Loft: hacia marzo de 2027 (entre enero y mayo de 2027) le toca una limpieza profunda.')
    expect(text).toContain('La última limpieza fue en febrero de 2026; encontramos mucha suciedad en el serpentín.')
    expect(text).toContain('antes de diciembre.')
  })
  it.each(languages)('says in %s with which word it is ended, and that word ends it', async (language) => {
    const line = sayIn(await catalogueOf(language), { measures: metric })(stopLine)
    const [word = ''] = /\p{Lu}{3,}/u.exec(line) ?? []
    expect([word, isStop(word), isStop(`${word}.`), isStart(word)]).toEqual([expect.stringMatching(/./), true, true, false])
  })
  it.each(['STOP', 'stop please', ' "Stop"', 'Alto, por favor', 'BAJA'])('is ended by “%s”', (answer) => expect(isStop(answer)).toBe(true))
  it.each(['Please do not stop by on Monday', 'stopped up drain?', 'Alto consumo desde ayer', 'La baja presión sigue'])(
    'is not ended by “%s”',
    (answer) => expect(isStop(answer)).toBe(false),
  )
  it('is begun again by START', () => expect([isStart('Start'), isStart('to start with')]).toEqual([true, false]))
})
