// npm run person: adds somebody who may sign in, on the database of `npm start` (running or not) or the one the environment names.
import { existsSync, readFileSync } from 'node:fs'
import { join, resolve } from 'node:path'
import { ownServerPid, startMariadb } from './lib/mariadb.mjs'
import { inRoot } from './lib/paths.mjs'
import { prepareAll } from './lib/prepare.mjs'
import { run } from './lib/run.mjs'

const args = process.argv.slice(2)
const at = args.indexOf('--data')
const dataDir = at >= 0 ? resolve(args.splice(at, 2)[1] ?? '') : inRoot('.data')
await prepareAll()

const connectionFile = join(dataDir, 'connection.json')
const running = ownServerPid(dataDir) !== undefined && existsSync(connectionFile)
const named = process.env.YASTIK_DB_PORT !== undefined
const database = named || running ? undefined : await startMariadb(dataDir)
const env = named ? {} : (database?.env ?? JSON.parse(readFileSync(connectionFile, 'utf8')))
process.exitCode = await run(process.execPath, [inRoot('server/dist/auth/addPerson.js'), ...args], { env: { ...process.env, ...env } })
await database?.stop()
