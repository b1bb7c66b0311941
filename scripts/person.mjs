// npm run person: adds somebody who may sign in, on the database of `npm start` (running or not) or the one the environment names.
import { resolve } from 'node:path'
import { withDatabase } from './lib/database.mjs'
import { inRoot } from './lib/paths.mjs'
import { prepareAll } from './lib/prepare.mjs'
import { run } from './lib/run.mjs'

const args = process.argv.slice(2)
const at = args.indexOf('--data')
const dataDir = at >= 0 ? resolve(args.splice(at, 2)[1] ?? '') : inRoot('.data')
await prepareAll()
process.exitCode = await withDatabase(dataDir, (env) =>
  run(process.execPath, [inRoot('server/dist/people/command.js'), ...args], { env: { ...process.env, ...env } }),
)
