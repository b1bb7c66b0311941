import { lettersBeyond, runsOf, type Face } from './letters.ts'

const face = (name: string, letters: RegExp): Face => ({ name, ascent: 1, has: (codePoint) => letters.test(String.fromCodePoint(codePoint)) })
const body = face('body', /[\p{Script=Latin}0-9 .,:–]/u)
const faces = [body, face('cyrillic', /[\p{Script=Cyrillic} ]/u), face('arabic', /\p{Script=Arabic}/u), face('han', /\p{Script=Han}/u)]
const drawn = (text: string) => runsOf(text, faces).map(({ face: name, text: own }) => [name, own])

describe('a text', () => {
  it.each([
    ['Fern House', [['body', 'Fern House']]],
    ['', []],
    // Spaces go along: a name is drawn in one go.
    [
      'For Ольга Иванова, 3.5 kW',
      [
        ['body', 'For '],
        ['cyrillic', 'Ольга Иванова'],
        ['body', ', 3.5 kW'],
      ],
    ],
    [
      '東京 Inn',
      [
        ['han', '東京 '],
        ['body', 'Inn'],
      ],
    ],
    // An accent stands on its letter.
    ['e\u0301tage', [['body', 'e\u0301tage']]],
    // What no typeface has is drawn in ours.
    ['a ☃ b', [['body', 'a ☃ b']]],
  ])('%j is drawn as %j', (text, runs) => expect(drawn(text)).toEqual(runs))
  it('that runs from right to left has its words in that order, and each word whole', () => {
    const [one, two, three] = ['محمد', 'علي', 'حسن']
    const texts = drawn(`For ${one} ${two} ${three}, Loft`).map(([, text]) => text)
    expect(texts.filter((text) => /\p{Script=Arabic}/u.test(text))).toEqual([three, two, one])
    expect(texts[0]).toBe('For ')
    expect(texts.at(-1)).toBe(', Loft')
    // Nothing is lost.
    expect([...texts.join('')].sort()).toEqual([...`For ${one} ${two} ${three}, Loft`].sort())
  })
  it('keeps numbers in it the right way round', () => {
    const texts = drawn('شقة 42 محمد').map(([, text]) => text.trim())
    expect(texts.indexOf('42')).toBeGreaterThan(texts.indexOf('محمد'))
    expect(texts.indexOf('42')).toBeLessThan(texts.indexOf('شقة'))
  })
})

it('says once which letters a typeface lacks', () => {
  expect(lettersBeyond(['Ольга', 'Fern', 'а о'], body)).toEqual(['О', 'л', 'ь', 'г', 'а', 'о'])
  expect(lettersBeyond(['Fern House', ''], body)).toEqual([])
})
