// Processes that an earlier run left behind: does one still run, and how is it ended?
import { readFileSync } from 'node:fs'
import { setTimeout as pause } from 'node:timers/promises'

/** Arguments that a running process was started with; none where it does not run, or has just ended. */
function argumentsOf(pid) {
  try {
    return readFileSync(`/proc/${pid}/cmdline`, 'utf8').split('\0')
  } catch (error) {
    if (error.code === 'ENOENT' || error.code === 'ESRCH') return []
    throw error
  }
}

/** Whether the process runs and was started with this argument: a number that was given to another program since is not taken for it. */
export const runsWith = (pid, argument) => Number.isInteger(pid) && argumentsOf(pid).includes(argument)

/** The script that this process runs, as it stands in its arguments. */
export const ownScript = () => argumentsOf(process.pid)[1]

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
