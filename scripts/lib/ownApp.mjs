// An app process of a script's own, over a database of its own: started, asked as a person of the interface would, killed, and started again.
import { fork } from 'node:child_process'
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { inRoot } from './paths.mjs'

const standIns = {
  YASTIK_INSTRUMENTS: '@yastik/stand-ins/instruments',
  YASTIK_MESSAGES: '@yastik/stand-ins/messages',
  YASTIK_WEATHER: '@yastik/stand-ins/weather',
}

/** Makes firms with an owner and a technician each, who sign in as `<firm>-owner` and `<firm>-technician`. */
export async function addFirms(password, ...names) {
  const { connect } = await import('../../server/dist/db/connection.js')
  const { databaseFrom, ownerFrom } = await import('../../server/dist/config.js')
  const { defineModels, Firm, User } = await import('../../server/dist/db/models.js')
  const { migrateAs } = await import('../../server/dist/db/migrate.js')
  const { hashPassword } = await import('../../server/dist/auth/passwords.js')
  const { startHouseRules } = await import('@yastik/core/method')
  const { builtInProducts, builtInVan } = await import('@yastik/core/products')
  const sequelize = connect(databaseFrom(process.env))
  defineModels(sequelize)
  await migrateAs(ownerFrom(process.env))
  const passwordHash = await hashPassword(password)
  for (const name of names) {
    const firm = await Firm.create({ name, houseRules: startHouseRules, products: [...builtInProducts], equipment: [...builtInVan] })
    for (const role of ['owner', 'technician'])
      await User.create({ firmId: firm.id, name: `${role} of ${name}`, signIn: `${name}-${role}`, role, trained: [], passwordHash })
  }
  await sequelize.close()
}

/**
 * @param {{ env?: Record<string, string>, files?: string }} [given] what it is told besides; and where files lie, where it shares them with others
 * @returns the app, listening on a port that stays its own
 */
export async function startOwnApp({ env = {}, files: shared } = {}) {
  const files = shared ?? mkdtempSync(join(tmpdir(), 'yastik-own-'))
  const said = []
  let child
  let port = 0
  async function start() {
    child = fork(inRoot('server/dist/main.js'), {
      silent: true,
      env: { ...process.env, MALLOC_ARENA_MAX: '2', ...standIns, ...env, YASTIK_PORT: String(port), YASTIK_FILES: files },
    })
    for (const stream of [child.stdout, child.stderr]) stream.on('data', (text) => said.push(String(text)))
    port = await new Promise((done, failed) => {
      child.once('message', ({ listening }) => done(listening.port))
      child.once('exit', (status) => failed(new Error(`the server ended with ${status}: ${said.join('').slice(-2000)}`)))
    })
  }
  const end = (signal) => {
    const ended = new Promise((done) => child.once('exit', done))
    child.kill(signal)
    return ended
  }
  await start()
  const base = `http://127.0.0.1:${port}`
  return {
    base,
    port,
    files,
    pid: () => child.pid,
    /** What it said on its own. */
    said: () => said.join('').split('\n').filter(Boolean),
    start,
    kill: () => end('SIGKILL'),
    async close() {
      await end('SIGTERM')
      if (!shared) rmSync(files, { recursive: true, force: true })
    },
    /** The cookie of somebody who signed in. */
    async cookieOf(signIn, password) {
      const answer = await fetch(`${base}/api/session`, {
        method: 'POST',
        headers: { origin: base, 'content-type': 'application/json' },
        body: JSON.stringify({ signIn, password }),
      })
      return answer.headers
        .getSetCookie()
        .map((own) => own.split(';')[0])
        .join('; ')
    },
    /** @throws Error with what was answered, where it is no success */
    async ask(cookie, method, path, body) {
      const answer = await fetch(base + path, {
        method,
        headers: { origin: base, cookie, ...(body ? { 'content-type': 'application/json' } : {}) },
        ...(body ? { body: JSON.stringify(body) } : {}),
      })
      if (!answer.ok) throw new Error(`${method} ${path}: ${answer.status} ${await answer.text()}`)
      return answer.status === 204 ? undefined : answer.json()
    },
  }
}
