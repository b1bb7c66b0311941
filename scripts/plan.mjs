// Prints the plan of a job file: `npm run --silent plan -- [--language es] job.json`, `-` reads standard input. Needs no database.
import { existsSync } from 'node:fs'
import { readFile } from 'node:fs/promises'
import { text } from 'node:stream/consumers'
import { readArguments } from './lib/arguments.mjs'
import { prepareCore } from './lib/prepare.mjs'

const { positionals, values } = readArguments({
  usage: 'usage: npm run --silent plan -- [--language en|es] job.json   (or - for standard input)',
  about: 'Prints the plan of a job file. Needs no database.',
  positionals: [1],
  options: { language: { type: 'string', default: 'en' } },
})
const [source] = positionals
await prepareCore()
const { doesNotHoldUp, Fault, faultLine } = await import('@yastik/core/faults')
const { planFileOf, planJob, readJobFile } = await import('@yastik/core/plan')
const { metric } = await import('@yastik/core/quantities')
const { catalogueOf, languages, sayIn, says } = await import('@yastik/core/words')

const isKnown = languages.includes(values.language)
const catalogue = await catalogueOf(isKnown ? values.language : 'en')
try {
  if (!isKnown) throw doesNotHoldUp('--language', says('fault.schema.not-allowed', { value: `"${values.language}"` }), languages.join(', '))
  if (source !== '-' && !existsSync(source))
    throw new Fault('not-there', {
      lines: [{ where: source, what: says('fault.file.none'), allowed: says('fault.file.none-allowed') }],
    })
  const job = readJobFile(source === '-' ? await text(process.stdin) : await readFile(source, 'utf8'))
  const say = sayIn(catalogue, { measures: metric, currency: job.houseRules?.currency })
  process.stdout.write(`${JSON.stringify(planFileOf(planJob(job), say), null, 2)}\n`)
} catch (error) {
  if (!(error instanceof Fault)) throw error
  const say = sayIn(catalogue, { measures: metric })
  console.error(error.lines.length > 0 ? error.lines.map((line) => say(faultLine(line))).join('\n') : say(error.sentence))
  process.exit(2)
}
