// npm test: sets itself up, then types, lint, unit, server and interface tests; ends with one line over all of them. `-- core|web|server|interface` runs one suite.
import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs'
import { needPrograms } from './lib/debian.mjs'
import { startMariadb } from './lib/mariadb.mjs'
import { inRoot } from './lib/paths.mjs'
import { prepareAll } from './lib/prepare.mjs'
import { run } from './lib/run.mjs'
import { giveUp, say } from './lib/say.mjs'
import { openScratch } from './lib/scratch.mjs'
import { makeTemplates } from './lib/templates.mjs'

const suites = ['core', 'web', 'server', 'interface']
const wanted = process.argv.slice(2)
if (wanted.some((name) => !suites.includes(name))) giveUp(`usage: npm test [-- ${suites.join('|')}]`, 2)
const chosen = wanted.length > 0 ? wanted : suites

let passed = 0
let failed = 0

/** A check that is no test runner counts as one test. */
async function check(what, program, args) {
  say(what)
  if ((await run(program, args)) === 0) passed++
  else failed++
}

async function jest(project, env) {
  say(`${project} tests`)
  const resultFile = inRoot('.test-data', `${project}.json`)
  rmSync(resultFile, { force: true })
  const status = await run(
    'npx',
    [
      '--no-install',
      'jest',
      '--selectProjects',
      project,
      '--json',
      `--outputFile=${resultFile}`,
      // Every file of server and interface tests has a database of its own; more than two browsers at once would starve each other.
      ...(project === 'core' ? ['--maxWorkers=100%'] : ['--maxWorkers=2', '--forceExit']),
    ],
    {
      // Some packages import others on demand, which the runner allows only so.
      env: { ...env, NODE_OPTIONS: '--experimental-vm-modules --no-warnings' },
    },
  )
  if (!existsSync(resultFile)) {
    failed++
    return
  }
  const { numPassedTests, numFailedTests, numFailedTestSuites, numRuntimeErrorTestSuites } = JSON.parse(readFileSync(resultFile, 'utf8'))
  passed += numPassedTests
  failed += numFailedTests + numRuntimeErrorTestSuites
  if (status !== 0 && numFailedTests + numFailedTestSuites === 0) failed++
}

await prepareAll()
mkdirSync(inRoot('.test-data'), { recursive: true })
if (wanted.length === 0) {
  await Promise.all([check('types', 'npm', ['run', '--silent', 'typecheck']), check('lint', 'npm', ['run', '--silent', 'lint'])])
}
for (const project of ['core', 'web']) if (chosen.includes(project)) await jest(project, process.env)
if (chosen.includes('server') || chosen.includes('interface')) {
  if (chosen.includes('interface')) await needPrograms('chromium', 'chromedriver', 'pdftotext')
  const scratch = await openScratch()
  const database = await startMariadb(scratch.database)
  try {
    const templates = await makeTemplates(database.env, scratch.temporary, chosen.includes('interface'))
    const env = { ...process.env, ...database.env, ...templates, YASTIK_PORT: '0', TMPDIR: scratch.temporary }
    for (const project of chosen.filter((name) => name === 'server' || name === 'interface')) await jest(project, env)
  } finally {
    await database.stop()
    scratch.close()
  }
}
console.log(`\n${passed} passed, ${failed} failed`)
process.exit(failed > 0 ? 1 : 0)
