// A database of its own for a test file, on the instance that the test launcher started.
import { randomBytes } from 'node:crypto'
import { mkdtempSync, readFileSync, rmSync } from 'node:fs'
import type { AddressInfo } from 'node:net'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { FastifyInstance, LightMyRequestResponse } from 'fastify'
import instruments from '@yastik/stand-ins/instruments'
import gateway from '@yastik/stand-ins/messages'
import weather from '@yastik/stand-ins/weather'
import mariadb from 'mariadb'
import type { Sequelize } from 'sequelize'
import { buildApp } from '../app.ts'
import { dayMs, utcDay } from '../days.ts'
import { hashPassword } from '../auth/passwords.ts'
import { databaseFrom, ownerFrom } from '../config.ts'
import { connect } from '../db/connection.ts'
import { folderStore } from '../files/folderStore.ts'
import type { FileStore } from '../files/store.ts'
import { Db } from '../db/database.ts'
import { defineModels, Firm, User } from '../db/models.ts'

/** A day for which a visit can be planned. */
export const visitDay = utcDay(Date.now() + dayMs)

export interface TestHouse {
  readonly app: FastifyInstance
  readonly sequelize: Sequelize
  readonly db: Db
  readonly name: string
  readonly filesRoot: string
  readonly files: FileStore
  close(): Promise<void>
}

/** A fresh database, migrated: as the launcher wrote it down once for all test files. */
export async function makeDatabase(name: string): Promise<void> {
  const { host, port, user, password } = ownerFrom(process.env)
  const file = process.env.YASTIK_TEST_EMPTY
  if (!file) throw new Error('YASTIK_TEST_EMPTY is missing: run the server tests with npm test')
  const owner = await mariadb.createConnection({ host, port, user, password, multipleStatements: true })
  await owner.query(`CREATE DATABASE ${name} CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci; USE ${name}`)
  await owner.query(readFileSync(file, 'utf8'))
  await owner.end()
}

/** Makes a fresh database with the models bound to it and the app on top. */
export async function openHouse(): Promise<TestHouse> {
  const [database, owner] = [databaseFrom(process.env), ownerFrom(process.env)]
  const name = `yastik_${randomBytes(6).toString('hex')}`
  const first = connect(owner)
  await makeDatabase(name)
  const sequelize = connect({ ...database, name })
  defineModels(sequelize)
  const filesRoot = mkdtempSync(join(tmpdir(), 'yastik-files-'))
  const files = folderStore(filesRoot)
  const app = await buildApp({
    sequelize,
    files,
    instruments,
    gateway,
    weather,
    answers: 'checked',
  })
  return {
    app,
    sequelize,
    db: new Db(sequelize),
    name,
    filesRoot,
    files,
    close: async () => {
      await app.close()
      await sequelize.close()
      await first.query(`DROP DATABASE ${name}`)
      await first.close()
      rmSync(filesRoot, { recursive: true, force: true })
    },
  }
}

export const password = 'a long enough password'

/** Hashed once: that takes its time. */
let hashed: Promise<string> | undefined

/** A firm with an owner and a technician. */
export async function addFirm(key: string): Promise<{ firm: Firm; owner: User; technician: User }> {
  const firm = await Firm.create({ name: `Firm ${key}`, houseRules: {}, products: [], equipment: [] })
  const passwordHash = await (hashed ??= hashPassword(password))
  const owner = await User.create({
    firmId: firm.id,
    name: `Owner ${key}`,
    signIn: `owner-${key}`,
    role: 'owner',
    passwordHash,
    trained: ['wheel-removal'],
  })
  const technician = await User.create({
    firmId: firm.id,
    name: `Technician ${key}`,
    signIn: `technician-${key}`,
    role: 'technician',
    passwordHash,
    trained: [],
  })
  return { firm, owner, technician }
}

export type Method = 'GET' | 'POST' | 'PUT' | 'DELETE'
export type Ask = (method: Method, url: string, body?: unknown, headers?: Record<string, string>) => Promise<LightMyRequestResponse>

const host = 'yastik.test'
export const origin = `http://${host}`

/** Signs in and returns a function that asks as this person, as the interface would. */
export async function signedIn(app: FastifyInstance, signIn: string, secret = password): Promise<Ask> {
  const answer = await app.inject({ method: 'POST', url: '/api/session', headers: { host, origin }, payload: { signIn, password: secret } })
  if (answer.statusCode !== 200) throw new Error(`${signIn} could not sign in: ${answer.body}`)
  const cookies = Object.fromEntries(answer.cookies.map((cookie) => [cookie.name, cookie.value]))
  return (method, url, body, headers) =>
    app.inject({ method, url, headers: { host, origin, ...headers }, cookies, ...(body === undefined ? {} : { payload: body as object }) })
}

/** The cookie of somebody who signed in, for asking over the network. */
export async function cookieOf(signIn: string, app: FastifyInstance): Promise<string> {
  const answer = await app.inject({ method: 'POST', url: '/api/session', headers: { host, origin }, payload: { signIn, password } })
  return answer.cookies.map(({ name, value }) => `${name}=${value}`).join('; ')
}

/** Messages of a stream as they come; leaving the loop closes it. */
export async function* streamAs(
  signIn: string,
  app: FastifyInstance,
  path: string,
  headers: Record<string, string> = {},
): AsyncGenerator<{ data: string; id?: string }> {
  const stop = new AbortController()
  const { port } = app.server.address() as AddressInfo
  const answer = await fetch(`http://127.0.0.1:${port}${path}`, { headers: { cookie: await cookieOf(signIn, app), ...headers }, signal: stop.signal })
  if (answer.headers.get('content-type') !== 'text/event-stream') throw new Error(`no stream: ${await answer.text()}`)
  const reader = answer.body!.getReader()
  let text = ''
  try {
    for (let { value, done } = await reader.read(); !done; { value, done } = await reader.read()) {
      text += new TextDecoder().decode(value)
      const messages = text.split('\n\n')
      text = messages.pop()!
      for (const message of messages) {
        const data = /^data: (.*)$/m.exec(message)?.[1]
        const id = /^id: (\d+)$/m.exec(message)?.[1]
        if (data !== undefined) yield { data, ...(id === undefined ? {} : { id }) }
      }
    }
  } finally {
    stop.abort()
  }
}
