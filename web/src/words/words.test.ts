/** @jest-environment jsdom */
import '../tests/browserParts.ts'
import { Fault } from '@yastik/core/faults'
import { customary } from '@yastik/core/quantities'
import { says } from '@yastik/core/words'
import { NoAnswer } from '../api/client.ts'

/** The room as a page begins with it: on a device that asks for these languages, where this was read last. */
async function opened(asksFor: readonly string[], keptHere?: string): Promise<typeof import('./words.ts')> {
  jest.resetModules()
  localStorage.clear()
  if (keptHere !== undefined) localStorage.setItem('yastik-language', keptHere)
  Object.defineProperty(navigator, 'languages', { value: asksFor, configurable: true })
  const words = await import('./words.ts')
  await words.loadFirstWords()
  return words
}

describe('the language of a page', () => {
  it.each<[string, readonly string[], string | undefined, string]>([
    ['the first that the device asks for and that there is', ['xx', 'es-MX', 'en'], undefined, 'es'],
    ['what was read here last, whatever the device asks for', ['es'], 'en', 'en'],
    ['English where nobody asks for another one that there is', ['xx'], undefined, 'en'],
    ['the device’s where what was kept is none', ['es'], 'klingon', 'es'],
  ])('is %s', async (_, asksFor, keptHere, language) => {
    const words = await opened(asksFor, keptHere)
    expect(words.language.value).toBe(language)
  })

  it('turns at once, says so to the browser, and is kept on the device', async () => {
    const words = await opened(['en'])
    expect(words.t('screen.frame.today')).toBe('Today')
    await words.readIn('es')
    expect([words.t('screen.frame.today'), document.documentElement.lang, localStorage.getItem('yastik-language')]).toEqual(['Hoy', 'es-419', 'es'])
    // Nobody chose: it stays as it is here.
    await words.readIn(null)
    expect(words.language.value).toBe('es')
  })

  it('says what has values only once all words are there, and then in the reader’s units', async () => {
    const words = await opened(['en'])
    const unsent = () => words.t('screen.frame.not-sent-yet', { unsent: 3 })
    expect(unsent()).toBe('')
    await words.loadWords()
    expect(unsent()).toBe('3 not sent yet')
    words.readFor(customary)
    expect(words.say(says('fault.stock.too-much-allowed', { left: { L: 3.78541 } }))).toBe('at most 1 gal')
    await words.readIn('es')
    expect(words.say(says('fault.stock.too-much-allowed', { left: { L: 3.78541 } }))).toBe('como máximo 1 gal')
  })
})

it('an error is said by its sentence where it has one, else as it stands', async () => {
  const words = await opened(['es'])
  await words.loadWords()
  expect(words.sayError(new Fault('not-there'))).toBe('No se encuentra.')
  expect(words.sayError(new Fault('in-use', { sentence: says('fault.visits.begun') }))).toMatch(/^En esta visita ya se empezó/)
  expect(words.sayError(new NoAnswer())).toMatch(/^El servidor no responde/)
  expect(words.sayError(new Error('a bolt from the blue'))).toBe('a bolt from the blue')
})
