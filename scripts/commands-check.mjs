// npm run commands-check: runs every command of README and docs that no test runs, in a small size, and holds its last line against what it has to say.
import { mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { readArguments } from './lib/arguments.mjs'
import { inRoot } from './lib/paths.mjs'
import { prepareAll } from './lib/prepare.mjs'
import { runQuietly } from './lib/run.mjs'
import { say } from './lib/say.mjs'

readArguments({
  usage: 'usage: npm run commands-check',
  about: 'Runs every command that no test runs, in a small size, and checks what it says last.',
})
const folder = mkdtempSync(join(tmpdir(), 'yastik-commands-'))
/** Each with what its last line has to be. */
const commands = [
  ['judge', ['--jobs', '60', '--pairs', '10'], /^60 of 60 jobs without a fault$/],
  ['hostile', ['--requests', '300', '--small'], /^The other firm is whole, and the server answers\.$/],
  ['kills', ['--kills', '10'], /^lost, doubled or half: 0$/],
  ['bench', ['--small'], /^\d+ of \d+ figures within their budget$/],
  ['formats', [], /^(· .*)?$/],
  ['screenshots', ['--into', folder], /^(· .*)?$/],
]
/** What is generated has to be what is there already. */
const generated = () =>
  ['docs/formats', 'docs']
    .flatMap((place) =>
      readdirSync(inRoot(place), { withFileTypes: true })
        .filter((entry) => entry.isFile())
        .map((entry) => readFileSync(inRoot(place, entry.name), 'utf8')),
    )
    .join('\n')

await prepareAll()
let failed = 0
try {
  for (const [name, args, last] of commands) {
    say(`${name} ${args.join(' ')}`.trim())
    const before = generated()
    const { status, output } = await runQuietly('npm', ['run', '--silent', name, '--', ...args])
    const line =
      output
        .split('\n')
        .filter((own) => own !== '' && !own.startsWith('npm '))
        .at(-1) ?? ''
    const wrong = [
      ...(status === 0 ? [] : [`it exited with ${status}`]),
      ...(last.test(line) ? [] : [`its last line was “${line.slice(0, 200)}”`]),
      ...(generated() === before ? [] : ['what it generated differs from what is there']),
    ]
    if (wrong.length === 0) continue
    failed++
    console.error(`${name}: ${wrong.join('; ')}\n${output.slice(-3000)}`)
  }
  if (!readdirSync(folder).some((name) => name.endsWith('.png'))) {
    failed++
    console.error('screenshots: there is no picture')
  }
} finally {
  rmSync(folder, { recursive: true, force: true })
}
console.log(failed === 0 ? 'Every command works.' : `${failed} commands do not work.`)
process.exit(failed === 0 ? 0 : 1)
