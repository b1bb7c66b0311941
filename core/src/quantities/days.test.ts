import { clockWords, counted, dayIn, dayTakenFor, dayTyped, dayWords, durationWords, minuteIn, momentAt } from './days.ts'

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

describe('the day where somebody works', () => {
  // 10 h ahead of UTC it is tomorrow already, 10 h behind still yesterday.
  const at = Date.UTC(2027, 2, 1, 20, 30)
  it.each([
    ['Pacific/Port_Moresby', '2027-03-02', 390],
    ['UTC', '2027-03-01', 1230],
    ['Pacific/Honolulu', '2027-03-01', 630],
    ['Asia/Kathmandu', '2027-03-02', 135],
    [undefined, '2027-03-01', 1230],
    ['Middle/Nowhere', '2027-03-01', 1230],
  ])('in %s is %s, minute %d', (zone, day, minute) => {
    expect(dayIn(at, zone)).toBe(day)
    expect(minuteIn(at, zone)).toBe(minute)
    expect(momentAt(day, minute, zone)).toBe(at)
  })
  it('keeps its clocks over the night on which they are set', () => {
    const zone = 'Europe/Vienna'
    expect(momentAt('2027-03-28', 9 * 60, zone) - momentAt('2027-03-27', 9 * 60, zone)).toBe(23 * 3_600_000)
  })
})
describe('lengths and counts', () => {
  it.each([
    [0, '0 min'],
    [89, '89 min'],
    [90, '1 h 30'],
    [120, '2 h'],
    [185, '3 h 05'],
    [599, '9 h 59'],
    [600, '10 h'],
    [3257, '54 h'],
  ])('%d minutes are %s', (minutes, words) => expect(durationWords(minutes)).toBe(words))
  it('are singular where there is one', () => expect([1, 2, 0].map((weeks) => counted(weeks, 'week'))).toEqual(['1 week', '2 weeks', '0 weeks']))
  it('write a time of day', () => expect([485, 1439.6, 1500].map(clockWords)).toEqual(['08:05', '00:00', '01:00']))
})
