// A language is a folder: another one is put beside a copy of the room, and nothing else is touched.
import { execFileSync } from 'node:child_process'
import { cpSync, mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { metric } from '../quantities/index.ts'

const root = join(__dirname, '../../..')
const listing = join(root, 'scripts/lib/languages.mjs')
/** Writes the list of languages as `npm run formats` does. */
const list = (words: string) =>
  execFileSync(process.execPath, ['--input-type=module', '-e', `import { writeLanguages } from '${listing}'; await writeLanguages('${words}')`], {
    env: { ...process.env, NODE_OPTIONS: '' },
  })

let copy = ''
beforeAll(() => {
  mkdirSync(join(root, '.test-data'), { recursive: true })
  copy = mkdtempSync(join(root, '.test-data', 'languages-'))
  cpSync(join(__dirname, '..'), copy, { recursive: true, filter: (name) => !name.endsWith('.test.ts') && !name.includes('/weights/') })
})
afterAll(() => rmSync(copy, { recursive: true, force: true }))

it('is listed as its folders are', () => {
  const words = join(copy, 'words')
  list(words)
  expect(readFileSync(join(words, 'folders.ts'), 'utf8')).toBe(readFileSync(join(__dirname, 'folders.ts'), 'utf8'))
})

it('has a third one that nobody has translated yet: it says what English says, and one text of its own', async () => {
  const words = join(copy, 'words')
  const folder = join(words, 'pt')
  mkdirSync(folder)
  writeFileSync(join(folder, 'first.ts'), "export { first } from '../en/first.ts'\nexport const locale = 'pt'\n")
  writeFileSync(
    join(folder, 'index.ts'),
    `import { catalogue as english } from '../en/index.ts'
     import { locale } from './first.ts'
     export const catalogue = { ...english, locale, texts: { ...english.texts, 'names.part.wheel': 'turbina do ventilador' } }\n`,
  )
  list(words)
  // eslint-disable-next-line @typescript-eslint/no-require-imports
  const own = require(join(words, 'index.ts')) as typeof import('./index.ts')
  expect(own.languages).toEqual(['en', 'es', 'pt'])
  expect(own.languageNames).toMatchObject({ pt: 'Português' })
  expect(own.languageOf('pt-BR')).toBe('pt')
  const say = own.sayIn(await own.catalogueOf('pt' as 'en'), { measures: metric })
  expect(say(own.says('names.part.pan'))).toBe('drain pan')
  expect(say(own.says('names.part.wheel'))).toBe('turbina do ventilador')
  expect(say(own.says('letters.reminder.last', { month: { month: '2027-03-01' } }))).toBe('We last cleaned it in março de 2027.')
  expect((await own.firstOf('pt' as 'en')).locale).toBe('pt')
})
