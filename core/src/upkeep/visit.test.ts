import { cleaningOf, suitedDay, visitKinds, workOf, type Due } from './index.ts'

describe('a visit for what is due', () => {
  it('is made for all but filters, and a deep clean does what a light one does', () => {
    expect(visitKinds).not.toContain('filter')
    expect(visitKinds).toHaveLength(4)
    expect(cleaningOf([{ what: 'light-clean' }, { what: 'deep-clean' }, { what: 'filter' }])).toBe('deep-clean')
    expect(cleaningOf([{ what: 'pan-treatment' }, { what: 'light-clean' }])).toBe('light-clean')
    expect(cleaningOf([{ what: 'pan-treatment' }])).toBeUndefined()
  })
  it.each<[Due['what'][], Due['what'][]]>([
    [['filter', 'light-clean', 'deep-clean'], ['deep-clean']],
    [
      ['filter', 'light-clean', 'pan-treatment'],
      ['light-clean', 'pan-treatment'],
    ],
    [
      ['filter', 'fine-filter'],
      ['filter', 'fine-filter'],
    ],
    [[], []],
  ])('does for %j the work %j', (dues, work) => expect(workOf(dues.map((what) => ({ what })))).toEqual(work))
  // 2027-03-06 is a Saturday.
  it.each([
    ['on the day that it is due', { dueOn: '2027-03-10', before: null, roofDays: null }, '2027-03-10'],
    ['on the next day where it is overdue', { dueOn: '2026-10-01', before: null, roofDays: null }, '2027-03-02'],
    ['on Monday where it falls on a Saturday', { dueOn: '2027-03-06', before: null, roofDays: null }, '2027-03-08'],
    ['on Monday where it falls on a Sunday', { dueOn: '2027-03-07', before: null, roofDays: null }, '2027-03-08'],
    ['on the eve of the cooling season', { dueOn: '2027-07-15', before: '2027-06-02', roofDays: null }, '2027-06-01'],
    [
      'on the first day that is fit for a roof, weekend or not',
      { dueOn: '2027-03-03', before: null, roofDays: ['2027-03-01', '2027-03-06'] },
      '2027-03-06',
    ],
    ['when it is due where no day is fit', { dueOn: '2027-03-10', before: null, roofDays: [] }, '2027-03-10'],
  ])('is offered %s', (_, toPlan, day) => expect(suitedDay(toPlan, '2027-03-02')).toBe(day))
})
