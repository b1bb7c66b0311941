// A MariaDB of a test's own, which may be killed.
import { fork } from 'node:child_process'
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { root } from './app.ts'

export interface OwnDatabase {
  /** Ends the database server at once, as a power cut would. */
  kill(): Promise<void>
  start(): Promise<void>
  stop(): Promise<void>
}

/** Starts one; apps that are started from then on in this test file use it. */
export async function startOwnDatabase(): Promise<OwnDatabase> {
  const folder = mkdtempSync(join(tmpdir(), 'yastik-database-'))
  const keeper = fork(join(root, 'e2e/src/support/ownDatabase.mjs'), [folder], { env: { ...process.env, NODE_OPTIONS: '' } })
  const answer = () => new Promise<{ env?: Record<string, string> }>((resolve) => keeper.once('message', resolve))
  const { env } = await answer()
  Object.assign(process.env, env)
  const ask = async (wish: string) => {
    const done = answer()
    keeper.send(wish)
    await done
  }
  return {
    kill: () => ask('kill'),
    start: () => ask('start'),
    stop: async () => {
      await ask('stop')
      rmSync(folder, { recursive: true, force: true })
    },
  }
}
