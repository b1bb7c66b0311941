// Test files in groups: within one group what they import is loaded once, not once for each file. That was a third of what the server's tests cost.
// Each file keeps a block of its own by its path; by itself it runs as ever.
import { mkdirSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { inRoot } from '../lib/paths.mjs'

/** Seconds of those that take long, about. Groups are as long as each other by these. */
const seconds = {
  'photo/photo': 90,
  'judge/judge': 70,
  'photo/accuracy': 60,
  'photo/align': 40,
  'wire/siteTable': 14,
  'crew/crew': 12,
  'words/words': 12,
  'crew/optimum': 11,
  'transfer/bundle': 40,
  'auth/auth': 30,
  'people/people': 25,
  'photos/photos': 20,
  'src/everyone': 200,
  'src/commands': 150,
  'src/languages': 110,
  'src/families': 100,
  'src/report': 90,
  'src/long-words': 85,
  'src/clocks': 80,
  'src/tray': 70,
  'src/sheets': 70,
  'src/taps': 65,
  'src/whole-path': 65,
  'src/data': 65,
}
/** Any other: a browser takes longer. */
const usual = (file) => (file.startsWith('e2e/') ? 40 : 4)
const secondsOf = (file) => Object.entries(seconds).find(([name]) => file.endsWith(`/${name}.test.ts`))?.[1] ?? usual(file)

/** Two groups a worker: whoever is done first takes the next. */
const groupsAWorker = 2

const testsIn = (folder) =>
  readdirSync(inRoot(folder), { recursive: true })
    .filter((name) => name.endsWith('.test.ts'))
    .map((name) => `${folder}/${name}`)
    .sort()

/** What a file runs in, as it says in its first lines: those of a group run in the same. */
const environmentOf = (file) => /@jest-environment (\w+)/.exec(readFileSync(inRoot(file), 'utf8').slice(0, 400))?.[1] ?? 'node'

/** As many groups as there are to be, each about as long as the others. */
function divided(files, count) {
  const groups = Array.from({ length: count }, () => ({ files: [], seconds: 0 }))
  for (const file of files.toSorted((one, other) => secondsOf(other) - secondsOf(one))) {
    const shortest = groups.reduce((least, own) => (own.seconds < least.seconds ? own : least))
    shortest.files.push(file)
    shortest.seconds += secondsOf(file)
  }
  return groups.flatMap(({ files: own }) => (own.length > 0 ? [own] : []))
}

/**
 * Writes down the groups of a suite, which the runner takes instead of its files where it is told to by `YASTIK_TEST_GROUPS`.
 * @param {string} project name of the suite
 * @param {readonly string[]} folders where its tests are
 * @returns {string} folder of the groups
 */
export function writeGroups(project, folders, workers) {
  const files = folders.flatMap(testsIn)
  const folder = inRoot('.test-data', 'groups', project)
  rmSync(folder, { recursive: true, force: true })
  mkdirSync(folder, { recursive: true })
  for (const environment of new Set(files.map(environmentOf))) {
    const own = files.filter((file) => environmentOf(file) === environment)
    for (const [at, group] of divided(own, groupsAWorker * workers).entries()) {
      const blocks = group.map((file) => `block(${JSON.stringify(file)}, () => require(${JSON.stringify(inRoot(file))}))\n`)
      writeFileSync(
        join(folder, `${environment}-${at + 1}.test.cjs`),
        [`/** @jest-environment ${environment} */\n`, `const block = require(${JSON.stringify(inRoot('scripts/jest/block.cjs'))})\n`, ...blocks].join(
          '',
        ),
      )
    }
  }
  return folder
}
