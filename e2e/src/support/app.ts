// The real server on a database of its own, with the demo, started for a test file.
import { fork, type ChildProcess } from 'node:child_process'
import { randomBytes } from 'node:crypto'
import type { AddressInfo } from 'node:net'
import { join } from 'node:path'
import mariadb from 'mariadb'

export const root = process.cwd()

export interface RunningApp {
  readonly base: string
  close(): Promise<void>
}

function need(name: string): string {
  const value = process.env[name]
  if (!value) throw new Error(`${name} is missing: run the interface tests with npm test`)
  return value
}

const connection = () =>
  mariadb.createConnection({
    host: need('YASTIK_DB_HOST'),
    port: Number(need('YASTIK_DB_PORT')),
    user: need('YASTIK_DB_USER'),
    password: need('YASTIK_DB_PASSWORD'),
  })

async function inDatabase(statement: string): Promise<void> {
  const database = await connection()
  await database.query(statement)
  await database.end()
}

export async function startApp(): Promise<RunningApp> {
  const name = `yastik_${randomBytes(6).toString('hex')}`
  await inDatabase(`CREATE DATABASE ${name} CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci`)
  const child: ChildProcess = fork(join(root, 'server/dist/main.js'), {
    env: { ...process.env, NODE_OPTIONS: '', YASTIK_PORT: '0', YASTIK_DB_NAME: name, YASTIK_WEB_ROOT: join(root, 'web/dist'), YASTIK_DEMO: '1' },
  })
  const address = await new Promise<AddressInfo>((resolve, reject) => {
    child.once('message', (message: { listening: AddressInfo }) => resolve(message.listening))
    child.once('exit', (status) => reject(new Error(`the server ended with status ${status}`)))
  })
  return {
    base: `http://127.0.0.1:${address.port}`,
    close: async () => {
      const ended = new Promise((resolve) => child.once('exit', resolve))
      child.kill('SIGTERM')
      await ended
      await inDatabase(`DROP DATABASE ${name}`)
    },
  }
}
