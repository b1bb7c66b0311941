// A process that runs servers one after another, for tests: started, told, killed.
import { fork } from 'node:child_process'
import { join } from 'node:path'
import { createInterface } from 'node:readline'
import { pathToFileURL } from 'node:url'

export interface ServerHost {
  /** @param env what the server is told besides the test's own environment @returns the port that it listens on */
  start(env: Readonly<Record<string, string>>): Promise<number>
  /** Ends the server as a launcher does; the process stays. */
  stop(): Promise<void>
  /** Ends the process at once, as a power cut would. */
  kill(): Promise<void>
  runs(): boolean
  /** Puts the server's clock off the real one. */
  moveClock(shiftMs: number): Promise<void>
  /** Who is told every line of its log. */
  hear(listener: (line: string) => void): void
}

export function hostOfServers(): ServerHost {
  const [host, server] = ['e2e/src/support/serverHost.mjs', 'server/dist/start.js'].map((path) => join(process.cwd(), path))
  const child = fork(host, [pathToFileURL(server).href], { silent: true, execArgv: [], env: { ...process.env, NODE_OPTIONS: '' } })
  let heard = (_line: string): void => undefined
  for (const stream of [child.stdout, child.stderr]) if (stream) createInterface(stream).on('line', (line) => heard(line))
  const runs = () => child.exitCode === null && child.signalCode === null
  const ask = (wish: object) =>
    new Promise<{ port: number }>((resolve, reject) => {
      const ended = (status: number | null) => reject(new Error(`the server ended with status ${status}`))
      child.once('exit', ended)
      child.once('message', (answer: { port: number }) => {
        child.off('exit', ended)
        resolve(answer)
      })
      child.send(wish)
    })
  return {
    start: async (env) => (await ask({ start: { ...process.env, ...env } })).port,
    stop: async () => void (await ask({ stop: true })),
    kill: async () => {
      if (!runs()) return
      const ended = new Promise((resolve) => child.once('exit', resolve))
      child.kill('SIGKILL')
      await ended
    },
    runs,
    moveClock: async (shiftMs) => void (await ask({ shiftMs })),
    hear: (listener) => {
      heard = listener
    },
  }
}
