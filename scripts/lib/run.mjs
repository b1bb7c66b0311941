// Runs a program and waits for it.
import { spawn } from 'node:child_process'
import { root } from './paths.mjs'

/** Resolves with the exit status; output goes where `stdio` says. */
export const run = (program, args, { stdio = 'inherit', env = process.env, cwd = root } = {}) =>
  new Promise((resolve, reject) => {
    spawn(program, args, { cwd, stdio, env })
      .once('error', reject)
      .once('exit', (status) => resolve(status ?? 1))
  })

/** Runs quietly; resolves with status and everything it printed. */
export const runQuietly = (program, args, { env = process.env, cwd = root } = {}) =>
  new Promise((resolve, reject) => {
    const child = spawn(program, args, { cwd, env, stdio: ['ignore', 'pipe', 'pipe'] })
    let output = ''
    for (const stream of [child.stdout, child.stderr]) stream.on('data', (chunk) => (output += chunk))
    child.once('error', reject).once('close', (status) => resolve({ status: status ?? 1, output }))
  })
