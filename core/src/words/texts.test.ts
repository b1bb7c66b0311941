// Is docs/texts.md, which people read from top to bottom, what is really said?
import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { catalogueOf, languages, type Key } from './index.ts'

it('has every text of every language, each once', async () => {
  const rows = readFileSync(join(import.meta.dirname, '../../../docs/texts.md'), 'utf8')
    .split('\n')
    .flatMap((line) => (/^\| [a-z][\w-]*\.[^|]+ \|/.test(line) ? [line.slice(2, -2).split(/ \| /)] : []))
  const catalogues = await Promise.all(languages.map(catalogueOf))
  const keys = Object.keys(catalogues[0].texts) as Key[]
  expect(rows.map(([key]) => key).sort()).toEqual([...keys].sort())
  const wrong = rows.filter(([key, , ...texts]) =>
    catalogues.some((catalogue, at) => (catalogue.texts[key as Key] ?? '').replaceAll('|', '\\|').replaceAll('\n', ' ') !== texts[at]),
  )
  expect(wrong).toEqual([])
})
