import { metric } from '../quantities/index.ts'
import { catalogueOf, kindOfWordable, languages, sayIn, worded, type Catalogue, type Key } from './index.ts'
import { faultOfText, faultsOfWording, sampleOf, valuesOf } from './speech/index.ts'

describe.each(languages)('a text of one’s own in %s', (language) => {
  let catalogue: Catalogue
  let keys: Key[]
  beforeAll(async () => {
    catalogue = await catalogueOf(language)
    keys = (Object.keys(catalogue.texts) as Key[]).filter((key) => kindOfWordable(key) !== undefined)
  })
  const says = (key: Key, text: string) => sayIn(worded(catalogue, { [key]: text }), { measures: metric })(sampleOf(catalogue, key))

  it('may be what ships, for every one that may be said otherwise, and is said with all that it has', () => {
    expect(keys.length).toBeGreaterThan(60)
    for (const key of keys) {
      const text = catalogue.texts[key] ?? ''
      expect([key, faultOfText(catalogue, key, text)]).toEqual([key, undefined])
      expect(says(key, text)).not.toMatch(/[{}]|undefined|\[object/)
    }
  })
  it('has no value that there is not, none in another form, and no brace alone', () => {
    for (const key of keys) {
      expect(faultOfText(catalogue, key, 'a {stranger}')?.what.key).toBe('fault.wording.value')
      expect(faultOfText(catalogue, key, 'a {brace')?.what.key).toBe('fault.wording.braces')
      // Anything of these would fail in the middle of a letter, or write the name of a key into it.
      for (const name of valuesOf(catalogue, key))
        for (const form of ['date', 'number', 'time']) expect(faultOfText(catalogue, key, `a {${name}, ${form}}`)?.what.key).toBe('fault.wording.use')
    }
  })
})

it('counts only what is counted, and shows nothing by its number that is chosen by', async () => {
  const catalogue = await catalogueOf('en')
  expect(faultOfText(catalogue, 'letters.reminder.head', '{site, plural, other {#}}')?.what.key).toBe('fault.wording.use')
  expect(faultOfText(catalogue, 'letters.reminder.last-found', 'Found {grade}')?.what.key).toBe('fault.wording.use')
  expect(faultOfText(catalogue, 'letters.reminder.last-found', 'Found {grade, select, 2 {little} other {much}}')).toBeUndefined()
})

it('is told of at its place, by language and key', async () => {
  expect(await faultsOfWording({ en: { 'letters.late': '{x}' }, es: { 'letters.stop': 'Basta' } }, 'firm.wording')).toMatchObject([
    { where: 'firm.wording.en.letters.late', what: { key: 'fault.wording.value' } },
    { where: 'firm.wording.es.letters.stop', what: { key: 'fault.wording.key' } },
  ])
})
