// Databases that tests begin with: made once a run by the application itself, written down as SQL, and read into each test file's own database.
import { fork } from 'node:child_process'
import { writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { clientOf } from './database.mjs'
import { inRoot } from './paths.mjs'
import { runQuietly } from './run.mjs'
import { giveUp } from './say.mjs'

/** Starts the application, waits until it answers, so that it has migrated and loaded the demo where it was asked to, and ends it. */
async function runApp(env) {
  const child = fork(inRoot('server/dist/main.js'), { env: { ...process.env, ...env, YASTIK_PORT: '0', NODE_OPTIONS: '' } })
  const ended = new Promise((done) => child.once('exit', done))
  const isUp = await Promise.race([new Promise((done) => child.once('message', () => done(true))), ended.then(() => false)])
  if (!isUp) giveUp('The application did not start on the database of the tests.')
  child.kill('SIGTERM')
  await ended
}

async function dump(env, file) {
  const client = clientOf(env)
  const args = [...client.args, '--skip-lock-tables', '--skip-comments', '--skip-tz-utc', client.name]
  const { status, output } = await runQuietly('mariadb-dump', args, { env: client.env })
  if (status !== 0) giveUp(`Writing down the database of the tests failed:\n${output.slice(-2000)}`)
  writeFileSync(file, output)
  return file
}

/**
 * @param {Record<string, string>} env how the database is reached
 * @param {string} folder where the files go
 * @param {boolean} withDemo whether the one with the demo is asked for as well
 * @returns {Promise<Record<string, string>>} environment of the tests: files of SQL that make an empty database, and one with the demo
 */
export async function makeTemplates(env, folder, withDemo) {
  const files = join(folder, 'template-files')
  const outside = { YASTIK_LOG: 'faults', YASTIK_FILES: files, YASTIK_WEB_ROOT: inRoot('web/dist') }
  await runApp({ ...env, ...outside })
  const empty = await dump(env, join(folder, 'empty.sql'))
  if (!withDemo) return { YASTIK_TEST_EMPTY: empty }
  await runApp({ ...env, ...outside, YASTIK_DEMO: '@yastik/stand-ins/demo' })
  return { YASTIK_TEST_EMPTY: empty, YASTIK_TEST_DEMO: await dump(env, join(folder, 'demo.sql')) }
}
