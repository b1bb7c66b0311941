// May a command work in this data directory? It has to be a folder that can be written to, and nobody else may be at work in it: two launchers would
// end each other's database without end.
import { closeSync, mkdirSync, openSync, readFileSync, rmSync, statSync, writeSync } from 'node:fs'
import { join } from 'node:path'
import { ownScript, runsWith } from './processes.mjs'
import { giveUp } from './say.mjs'

const holderFile = 'launcher.json'

/** Why a folder cannot be used, as a sentence. */
const reasons = {
  EEXIST: 'is a file and not a folder',
  ENOTDIR: 'lies below something that is a file and not a folder',
  EACCES: 'may not be written to by this user',
  EPERM: 'may not be written to by this user',
  EROFS: 'lies on a disk that can only be read',
  ENOSPC: 'lies on a disk that is full',
}
const cannotUse = (dataDir, error) =>
  giveUp(`The data directory ${dataDir} ${reasons[error.code] ?? `cannot be used (${error.code})`}. Choose another one: --data DIR`, 2)

/** Who is at work there: the process that holds it, where it still runs. */
function holderOf(file) {
  try {
    const holder = JSON.parse(readFileSync(file, 'utf8'))
    return runsWith(holder.pid, holder.script) ? holder : undefined
  } catch (error) {
    // Cut off while it was written, or let go this moment.
    if (error.code === 'ENOENT' || error instanceof SyntaxError) return undefined
    throw error
  }
}

/**
 * Takes a data directory for this process until it ends; makes the folder where there is none. Taken again by the same process it stays its own.
 * @param {string} dataDir
 * @param {string} [at] where what runs there can be reached
 * Ends the command with status 2 where the folder cannot be used, with 4 where another process works in it.
 */
export function holdDirectory(dataDir, at) {
  const file = join(dataDir, holderFile)
  const own = JSON.stringify({ pid: process.pid, script: ownScript(), at })
  for (let tries = 0; ; tries++) {
    try {
      if (statSync(dataDir, { throwIfNoEntry: false })?.isDirectory() !== true) mkdirSync(dataDir, { recursive: true, mode: 0o700 })
      const handle = openSync(file, 'wx', 0o600)
      try {
        writeSync(handle, own)
      } finally {
        closeSync(handle)
      }
      process.once('exit', () => rmSync(file, { force: true }))
      return
    } catch (error) {
      if (error.code !== 'EEXIST' || statSync(dataDir, { throwIfNoEntry: false })?.isDirectory() !== true) return cannotUse(dataDir, error)
    }
    const holder = holderOf(file)
    if (holder?.pid === process.pid) return
    if (holder !== undefined || tries > 20)
      giveUp(
        `Process ${holder?.pid ?? '(unknown)'} works in ${dataDir} already${holder?.at ? `, at ${holder.at}` : ''}. End it first (Ctrl+C where it runs), or choose another directory: --data DIR`,
        4,
      )
    // Left by one that was killed.
    rmSync(file, { force: true })
  }
}
