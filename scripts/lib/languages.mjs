// Which languages are there? One for each folder of the words' room that holds texts.
import { existsSync, readdirSync } from 'node:fs'
import { writeFile } from 'node:fs/promises'
import { join } from 'node:path'

/** Codes of the languages of a room of words, English first. */
export const languagesIn = (words) =>
  readdirSync(words)
    .filter((name) => existsSync(join(words, name, 'first.ts')))
    .sort((one, other) => (other === 'en') - (one === 'en') || one.localeCompare(other))

/** As a language calls itself: Español. */
function nameOf(code) {
  const name = new Intl.DisplayNames(code, { type: 'language' }).of(code) ?? code
  return name.charAt(0).toLocaleUpperCase(code) + name.slice(1)
}

/** The languages of a room of words, as code that loads each when it is asked for. */
export async function writeLanguages(words) {
  const codes = languagesIn(words)
  const lines = [
    '// Which languages are there, and where are their texts? Written by `npm run formats` from the folders beside this file.',
    '',
    '/** By their codes (BCP 47). */',
    `export const languages = [${codes.map((code) => `'${code}'`).join(', ')}] as const`,
    '/** As each calls itself. */',
    `export const languageNames = { ${codes.map((code) => `${code}: '${nameOf(code)}'`).join(', ')} } as const`,
    '',
    '/** Of each, all of it; and what a first view needs. */',
    'export const folders = {',
    ...codes.map((code) => `  ${code}: { whole: () => import('./${code}/index.ts'), first: () => import('./${code}/first.ts') },`),
    '} as const',
    '',
  ]
  await writeFile(join(words, 'folders.ts'), lines.join('\n'))
}
