// Writes what is generated from the core into docs: the JSON Schemas of the open formats, and the rule book in words.
import { writeFile } from 'node:fs/promises'
import { inRoot } from './lib/paths.mjs'
import { prepareCore } from './lib/prepare.mjs'

await prepareCore()
const { jsonSchemas, ruleBookInWords } = await import('../core/dist/index.js')
for (const [name, schema] of Object.entries(jsonSchemas())) await writeFile(inRoot('docs/formats', name), `${JSON.stringify(schema, null, 2)}\n`)
await writeFile(inRoot('docs/rules.md'), ruleBookInWords())
