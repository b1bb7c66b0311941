// Writes what is generated: which languages there are, by their folders; and into docs the JSON Schemas of the open formats, the description of the server for other programs,
// the rule book in words, and all texts for reading.
import { writeFile } from 'node:fs/promises'
import { readArguments } from './lib/arguments.mjs'
import { writeLanguages } from './lib/languages.mjs'
import { inRoot } from './lib/paths.mjs'
import { prepareServer } from './lib/prepare.mjs'
import { textTable } from './lib/textTable.mjs'

readArguments({
  usage: 'usage: npm run formats',
  about:
    'Writes what is generated: the list of languages, the schemas of the open formats, the description of the server, the rule book in words, and all texts for reading.',
})
await writeLanguages(inRoot('core/src/words'))
await prepareServer()
const { ruleBookInWords } = await import('@yastik/core/method')
const { metric } = await import('@yastik/core/quantities')
const { jsonSchemas } = await import('@yastik/core/wire')
const { catalogueOf, languages, sayIn } = await import('@yastik/core/words')
const { buildApp } = await import('../server/dist/app.js')
const { connect } = await import('../server/dist/db/connection.js')
const { folderStore } = await import('../server/dist/files/folderStore.js')
const { defineModels } = await import('../server/dist/db/models.js')

/** The server's description needs no database: nothing is asked of it. */
async function openapi() {
  const sequelize = connect({ host: '127.0.0.1', port: 1, user: '', password: '', name: '' })
  defineModels(sequelize)
  const app = await buildApp({ sequelize, files: folderStore(inRoot('.data/files')) })
  await app.ready()
  const document = app.swagger()
  await app.close()
  return document
}

for (const [name, schema] of Object.entries({ ...jsonSchemas(), 'openapi.json': await openapi() }))
  await writeFile(inRoot('docs/formats', name), `${JSON.stringify(schema, null, 2)}\n`)
for (const language of languages)
  await writeFile(
    inRoot('docs', language === 'en' ? 'rules.md' : `rules.${language}.md`),
    ruleBookInWords(sayIn(await catalogueOf(language), { measures: metric })),
  )
await writeFile(
  inRoot('docs/texts.md'),
  await textTable(Object.fromEntries(await Promise.all(languages.map(async (language) => [language, await catalogueOf(language)])))),
)
