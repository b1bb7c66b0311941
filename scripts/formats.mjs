// Writes the JSON Schemas of both open formats into docs/formats.
import { writeFile } from 'node:fs/promises'
import { inRoot } from './lib/paths.mjs'
import { prepareCore } from './lib/prepare.mjs'

await prepareCore()
const { jsonSchemas } = await import('../core/dist/index.js')
for (const [name, schema] of Object.entries(jsonSchemas())) await writeFile(inRoot('docs/formats', name), `${JSON.stringify(schema, null, 2)}\n`)
