// Processes that an earlier run left behind: does one still run, and how is it ended?
import { existsSync, readFileSync } from 'node:fs'
import { setTimeout as pause } from 'node:timers/promises'

/** Whether the process runs and was started with this argument: a number that was given to another program since is not taken for it. */
export function runsWith(pid, argument) {
  const commandFile = `/proc/${pid}/cmdline`
  return Number.isInteger(pid) && existsSync(commandFile) && readFileSync(commandFile, 'utf8').split('\0').includes(argument)
}

async function isGone(pid, argument, withinMs) {
  for (const endMs = performance.now() + withinMs; performance.now() < endMs; await pause(50)) if (!runsWith(pid, argument)) return true
  return !runsWith(pid, argument)
}

/**
 * Asks a process to end, ends it where it does not within `patienceMs`, and waits until it is gone.
 * @throws Error where it stays all the same
 */
export async function endProcess(pid, argument, patienceMs) {
  if (!runsWith(pid, argument)) return
  process.kill(pid, 'SIGTERM')
  if (await isGone(pid, argument, patienceMs)) return
  process.kill(pid, 'SIGKILL')
  if (!(await isGone(pid, argument, 60_000))) throw new Error(`process ${pid} does not end`)
}
