// npm run screenshots: makes docs/screenshots from the demo, in a real browser.
import { readArguments } from './lib/arguments.mjs'
import { needPrograms } from './lib/debian.mjs'
import { startMariadb } from './lib/mariadb.mjs'
import { inRoot } from './lib/paths.mjs'
import { compiler, prepareAll } from './lib/prepare.mjs'
import { run } from './lib/run.mjs'

readArguments({ usage: 'usage: npm run screenshots', about: 'Makes docs/screenshots anew from the demo, in a real browser.' })
await prepareAll()
await needPrograms('chromium', 'chromedriver')
if ((await run(process.execPath, [compiler, '-b', 'e2e'])) !== 0) process.exit(1)
const database = await startMariadb(inRoot('.test-data', 'screenshots'))
try {
  process.exitCode = await run(process.execPath, [inRoot('e2e/dist/screenshots.js')], { env: { ...process.env, ...database.env } })
} finally {
  await database.stop()
}
