// A database of its own for a test file, on the instance that the test launcher started.
import { randomBytes } from 'node:crypto'
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { FastifyInstance, LightMyRequestResponse } from 'fastify'
import type { Sequelize } from 'sequelize'
import { buildApp } from '../app.ts'
import { hashPassword } from '../auth/passwords.ts'
import { databaseFrom } from '../config.ts'
import { connect } from '../db/connection.ts'
import { migrate } from '../db/migrate.ts'
import { defineModels, Firm, User } from '../db/models.ts'

export interface TestHouse {
  readonly app: FastifyInstance
  readonly sequelize: Sequelize
  readonly name: string
  readonly filesRoot: string
  close(): Promise<void>
}

/** Makes a fresh database, migrated, with the models bound to it and the app on top. */
export async function openHouse(): Promise<TestHouse> {
  const database = databaseFrom(process.env)
  const name = `yastik_${randomBytes(6).toString('hex')}`
  const first = connect(database)
  await first.query(`CREATE DATABASE ${name} CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci`)
  await first.close()
  const sequelize = connect({ ...database, name })
  defineModels(sequelize)
  await migrate(sequelize)
  const filesRoot = mkdtempSync(join(tmpdir(), 'yastik-files-'))
  const app = await buildApp({ sequelize, filesRoot })
  return {
    app,
    sequelize,
    name,
    filesRoot,
    close: async () => {
      await app.close()
      await sequelize.query(`DROP DATABASE ${name}`)
      await sequelize.close()
      rmSync(filesRoot, { recursive: true, force: true })
    },
  }
}

export const password = 'a long enough password'

/** A firm with an owner and a technician. */
export async function addFirm(key: string): Promise<{ firm: Firm; owner: User; technician: User }> {
  const firm = await Firm.create({ name: `Firm ${key}`, houseRules: {}, products: [], equipment: [] })
  const passwordHash = await hashPassword(password)
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
export async function signedIn(app: FastifyInstance, signIn: string): Promise<Ask> {
  const answer = await app.inject({ method: 'POST', url: '/api/session', headers: { host, origin }, payload: { signIn, password } })
  if (answer.statusCode !== 200) throw new Error(`${signIn} could not sign in: ${answer.body}`)
  const cookies = Object.fromEntries(answer.cookies.map((cookie) => [cookie.name, cookie.value]))
  return (method, url, body, headers) =>
    app.inject({ method, url, headers: { host, origin, ...headers }, cookies, ...(body === undefined ? {} : { payload: body as object }) })
}
