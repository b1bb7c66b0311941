// npm run screenshots -- [--into DIR]: makes the pictures of the main views from the demo, in a real browser; into docs/screenshots without a folder.
import { mkdirSync, rmSync } from 'node:fs'
import { resolve } from 'node:path'
import { readArguments } from './lib/arguments.mjs'
import { needPrograms } from './lib/debian.mjs'
import { startMariadb } from './lib/mariadb.mjs'
import { inRoot } from './lib/paths.mjs'
import { compiler, prepareAll } from './lib/prepare.mjs'
import { run } from './lib/run.mjs'
import { makeTemplates } from './lib/templates.mjs'

const { values } = readArguments({
  usage: 'usage: npm run screenshots -- [--into DIR]',
  about: 'Makes the pictures of the main views anew from the demo, in a real browser; into docs/screenshots without a folder.',
  options: { into: { type: 'string', default: inRoot('docs/screenshots') } },
})
await prepareAll()
await needPrograms('chromium', 'chromedriver')
if ((await run(process.execPath, [compiler, '-b', 'e2e'])) !== 0) process.exit(1)
// The demo is of the day on which it is loaded: it is loaded anew.
const folder = inRoot('.test-data', 'screenshots')
rmSync(folder, { recursive: true, force: true })
mkdirSync(folder, { recursive: true })
const database = await startMariadb(folder)
try {
  const templates = await makeTemplates(database.env, folder, true)
  const env = { ...process.env, ...database.env, ...templates, SCREENSHOTS_INTO: resolve(values.into) }
  process.exitCode = await run(process.execPath, [inRoot('e2e/dist/screenshots.js')], { env })
} finally {
  await database.stop()
}
