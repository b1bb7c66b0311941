import { dayTakenFor, dayTyped, dayWords } from './days.ts'

describe('a day that is typed', () => {
  it.each([
    ['3 Mar 2027', '2027-03-03'],
    ['03 mar 2027', '2027-03-03'],
    ['  3   March 2027 ', '2027-03-03'],
    ['29 Feb 2028', '2028-02-29'],
    ['2027-03-03', '2027-03-03'],
    ['31 Feb 2027', undefined],
    ['29 Feb 2027', undefined],
    ['0 Mar 2027', undefined],
    ['3 Mar', undefined],
    ['2027-13-01', undefined],
    ['soon', undefined],
    ['', undefined],
  ])('“%s” is %s', (text, day) => expect(dayTyped(text)).toBe(day))
  it('reads as it is written everywhere', () => {
    expect(dayWords('2027-03-03')).toBe('3 Mar 2027')
    expect(dayTyped(dayWords('2027-12-31'))).toBe('2027-12-31')
  })
  // What made it needful: the library overflows into the next month.
  it('is taken for another one by the library', () => expect(dayTakenFor('31 Feb 2027')).toBe('2027-03-03'))
})
