// npm test: sets itself up, then types, lint, unit, server and interface tests; ends with one line over all of them. `-- core|web|server|interface` runs
// one suite, `-- --changed` what the changes since the last commit can reach, `-- --changed --since REV` those since another one.
import { execFileSync } from 'node:child_process'
import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs'
import { availableParallelism } from 'node:os'
import { writeGroups } from './jest/groups.mjs'
import { needPrograms } from './lib/debian.mjs'
import { startMariadb } from './lib/mariadb.mjs'
import { readArguments } from './lib/arguments.mjs'
import { inRoot, root } from './lib/paths.mjs'
import { prepareAll } from './lib/prepare.mjs'
import { run } from './lib/run.mjs'
import { say } from './lib/say.mjs'
import { openScratch } from './lib/scratch.mjs'
import { makeTemplates } from './lib/templates.mjs'

/** Where the tests of each suite are. */
const folders = { core: ['core/src'], web: ['web/src'], server: ['server/src', 'stand-ins/src'], interface: ['e2e/src'] }
const suites = Object.keys(folders)
const {
  positionals: wanted,
  values,
  wrong,
} = readArguments({
  usage: `usage: npm test [-- [${suites.join('|')}] [--changed [--since REV]]]`,
  about: 'Types, lint, and all tests; or one suite; or what the changes since a commit can reach. Ends with one line over all of them.',
  options: { changed: { type: 'boolean', default: false }, since: { type: 'string' } },
  positionals: [0, 1, 2, 3, 4],
})
const odd = wanted.find((name) => !suites.includes(name))
if (odd) wrong(`There is no suite “${odd}”.`)
if (values.since !== undefined && !values.changed) wrong('--since goes with --changed.')
const chosen = wanted.length > 0 ? wanted : suites

/** Files that differ from a commit, those that git does not know yet among them. */
function changedFiles() {
  const git = (...args) => execFileSync('git', args, { cwd: root, encoding: 'utf8' }).split('\n').filter(Boolean)
  try {
    return [...git('diff', '--name-only', '--diff-filter=d', values.since ?? 'HEAD'), ...git('ls-files', '--others', '--exclude-standard')]
  } catch {
    return wrong(`--since ${values.since}: git knows no such commit.`)
  }
}
const changed = values.changed ? changedFiles() : undefined
const isOf =
  (...folders) =>
  (file) =>
    folders.some((folder) => file.startsWith(folder))
/** Which of a suite's files a change can reach, as arguments of the runner; undefined for none of them. */
function reached(project) {
  if (!changed) return []
  // What every test rests on.
  if (changed.some((file) => /^(package(-lock)?\.json|jest\.config\.mjs|tsconfig.*|scripts\/(test|lib|jest)\b)/.test(file))) return []
  if (project === 'interface') {
    if (changed.some(isOf('core/src', 'server/src', 'stand-ins/src', 'web/src', 'web/public', 'scripts', 'e2e/src/support', 'docs/examples')))
      return changed.every((file) => /\.test\.ts$/.test(file)) ? own('e2e/src') : []
    return own('e2e/src')
  }
  const code = changed.filter((file) => /\.(ts|vue)$/.test(file) && !file.startsWith('e2e/'))
  return code.length === 0 ? undefined : ['--findRelatedTests', ...code, '--passWithNoTests']
}
const own = (folder) => {
  const files = changed.filter((file) => file.startsWith(folder) && file.endsWith('.test.ts'))
  return files.length === 0 ? undefined : files
}

let passed = 0
let failed = 0

/** A check that is no test runner counts as one test. */
async function check(what, program, args) {
  say(what)
  if ((await run(program, args)) === 0) passed++
  else failed++
}

async function jest(project, env) {
  const which = reached(project)
  if (!which) return say(`${project} tests: nothing that changed reaches them`)
  say(`${project} tests`)
  // Every file of server and interface tests has a database of its own; more than two browsers at once would starve each other.
  const workers = project === 'core' ? availableParallelism() : 2
  // Parts of a suite are found by their files.
  const groups = which.length === 0 ? { YASTIK_TEST_GROUPS: writeGroups(project, folders[project], workers) } : {}
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
      `--maxWorkers=${workers}`,
      ...(project === 'core' ? [] : ['--forceExit']),
      ...which,
    ],
    {
      // Some packages import others on demand, which the runner allows only so.
      env: { ...env, ...groups, NODE_OPTIONS: '--experimental-vm-modules --no-warnings' },
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
