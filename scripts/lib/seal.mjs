// A file that nobody reads without the key: sealed and opened by GnuPG, with a key that lies in a file.
import { spawn } from 'node:child_process'
import { existsSync, mkdtempSync, rmSync, statSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { needPrograms } from './debian.mjs'
import { runQuietly } from './run.mjs'
import { Ending } from './say.mjs'

/** What a sealed file’s name ends in. */
export const sealedEnding = '.gpg'
const leastKey = 16

/** @throws Ending where it is no key */
export function checkKey(keyFile) {
  if (!existsSync(keyFile) || !statSync(keyFile).isFile()) throw new Ending(`The key ${keyFile} is not there.`, 2)
  if (statSync(keyFile).size < leastKey) throw new Ending(`The key ${keyFile} has fewer than ${leastKey} characters.`, 2)
}

/** Runs GnuPG with a home of its own, which is taken away afterwards. */
async function withGpg(keyFile, args, work) {
  checkKey(keyFile)
  const [gpg] = await needPrograms('gpg')
  const home = mkdtempSync(join(tmpdir(), 'yastik-gpg-'))
  const usual = ['--batch', '--quiet', '--no-options', '--homedir', home, '--pinentry-mode', 'loopback', '--passphrase-file', keyFile]
  try {
    return await work(gpg, [...usual, ...args])
  } finally {
    await runQuietly('gpgconf', ['--homedir', home, '--kill', 'gpg-agent'])
    rmSync(home, { recursive: true, force: true })
  }
}

/**
 * Seals what is written to its input into a file.
 * @param {(input: import('node:stream').Writable) => Promise<void>} write ends the input
 */
export const sealInto = (file, keyFile, write) =>
  withGpg(keyFile, ['--symmetric', '--cipher-algo', 'AES256', '--compress-algo', 'none', '--output', file], async (gpg, args) => {
    const child = spawn(gpg, args, { stdio: ['pipe', 'ignore', 'inherit'] })
    const ended = new Promise((done) => child.once('close', done))
    await write(child.stdin)
    if ((await ended) !== 0) throw new Ending(`${file} could not be sealed.`)
  })

/** Opens a sealed file into another one. @throws Ending where the key is not its own, or it was changed or cut off */
export const openSealed = (file, keyFile, into) =>
  withGpg(keyFile, ['--decrypt', '--output', into, file], async (gpg, args) => {
    const { status } = await runQuietly(gpg, args)
    if (status !== 0) throw new Ending(`${file} does not open with this key, or it was changed or cut off.`, 2)
  })
