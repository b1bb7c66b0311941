// Installs node modules and builds, when something has changed since the last time.
import { createHash } from 'node:crypto'
import { existsSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { inRoot } from './paths.mjs'
import { runQuietly } from './run.mjs'
import { giveUp, say } from './say.mjs'

const leastNode = [20, 19]

function checkNode() {
  const [major, minor] = process.versions.node.split('.').map(Number)
  if (major < leastNode[0] || (major === leastNode[0] && minor < leastNode[1]))
    giveUp(`Node.js ${leastNode.join('.')} or newer is needed; this is ${process.versions.node}.`)
}

async function installModules() {
  const wanted = createHash('sha256')
    .update(readFileSync(inRoot('package-lock.json')))
    .digest('hex')
  const mark = inRoot('node_modules', '.yastik-installed')
  if (existsSync(mark) && readFileSync(mark, 'utf8') === wanted) return
  say('installing node modules')
  const { status, output } = await runQuietly('npm', ['ci', '--no-audit', '--no-fund', '--loglevel=error'])
  if (status !== 0) giveUp(`npm ci failed:\n${output.slice(-3000)}`)
  writeFileSync(mark, wanted)
}

function* filesOf(folder) {
  for (const entry of readdirSync(folder, { withFileTypes: true })) {
    const path = join(folder, entry.name)
    if (entry.isDirectory()) yield* filesOf(path)
    else yield path
  }
}

const newest = (paths) => Math.max(0, ...paths.map((path) => statSync(path).mtimeMs))

/** Whether `product` is older than anything in the source folders. */
const isStale = (product, ...folders) =>
  !existsSync(product) || statSync(product).mtimeMs < newest(folders.flatMap((folder) => [...filesOf(inRoot(folder))]))

async function build(what, program, args, product, ...sources) {
  if (!isStale(product, ...sources)) return
  say(`building ${what}`)
  const { status, output } = await runQuietly(program, args)
  if (status !== 0) giveUp(`Building ${what} failed:\n${output.slice(-4000)}`)
  writeFileSync(product, new Date().toISOString())
}

/** The compiler that builds; the older one beside it is what lint and the checker of components are made of. */
export const compiler = inRoot('node_modules/@typescript/native/bin/tsc')
const compile = (folder) => [compiler, '-b', inRoot(folder)]

const buildCore = () => build('the core', process.execPath, compile('core'), inRoot('core/dist/.built'), 'core/src')

/** Node modules and the compiled core. */
export async function prepareCore() {
  checkNode()
  // The plan command prints to standard output alone: progress goes to standard error.
  const log = console.log
  console.log = console.error
  await installModules()
  await buildCore()
  console.log = log
}

/** With the stand-ins comes the server that they build on. */
const buildServer = () =>
  build('the server', process.execPath, compile('stand-ins'), inRoot('stand-ins/dist/.built'), ...['core/src', 'server/src', 'stand-ins/src'])

/** Node modules and the compiled server, without an interface. */
export async function prepareServer() {
  checkNode()
  await installModules()
  await buildCore()
  await buildServer()
}

/** Everything that the application needs to run. */
export async function prepareAll() {
  await prepareServer()
  await build('the interface', 'npm', ['run', '--silent', 'build', '-w', 'web'], inRoot('web/dist/.built'), 'core/src', 'web/src', 'web/public')
}
