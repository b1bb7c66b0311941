// npm run person: adds somebody who may sign in, on the database of `npm start` (running or not) or the one the environment names.
import { resolve } from 'node:path'
import { withDatabase } from './lib/database.mjs'
import { inRoot } from './lib/paths.mjs'
import { prepareAll } from './lib/prepare.mjs'
import { run } from './lib/run.mjs'

const personUsage = `usage: npm run person -- --firm NAME --name NAME --sign-in WORD --role owner|technician [--trained wheel-removal,roof,electrics] [--data DIR]

Adds somebody who may sign in, and the firm where there is none of that name; the password is read from standard input.`
const args = process.argv.slice(2)
const at = args.indexOf('--data')
const dataDir = at >= 0 ? resolve(args.splice(at, 2)[1] ?? '') : inRoot('.data')
// What it is asked for is read before anything is installed, built or started.
if (args.includes('--help') || args.includes('-h')) {
  console.log(personUsage)
  process.exit(0)
}
await prepareAll()
process.exitCode = await withDatabase(dataDir, (env) =>
  run(process.execPath, [inRoot('server/dist/people/command.js'), ...args], { env: { ...process.env, ...env } }),
)
