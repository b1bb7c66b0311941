// Prints the plan of a job file: `npm run --silent plan -- [--language es] job.json`, `-` reads standard input. Needs no database.
import { existsSync } from 'node:fs'
import { readFile } from 'node:fs/promises'
import { text } from 'node:stream/consumers'
import { parseArgs } from 'node:util'
import { prepareCore } from './lib/prepare.mjs'

const { positionals, values } = parseArgs({ allowPositionals: true, options: { language: { type: 'string', default: 'en' } } })
const [source] = positionals
if (source === undefined || positionals.length > 1) {
  console.error('usage: npm run --silent plan -- [--language en|es] job.json   (or - for standard input)')
  process.exit(2)
}
await prepareCore()
const { Fault, sayFaultLine } = await import('@yastik/core/faults')
const { planFileOf, planJob, readJobFile } = await import('@yastik/core/plan')
const { metric } = await import('@yastik/core/quantities')
const { catalogueOf, languages, sayIn } = await import('@yastik/core/words')

try {
  if (!languages.includes(values.language))
    throw new Fault('does-not-hold-up', {
      lines: [{ where: '--language', what: `“${values.language}” is not known`, allowed: languages.join(', ') }],
    })
  if (source !== '-' && !existsSync(source))
    throw new Fault('not-there', {
      lines: [{ where: source, what: 'there is no such file', allowed: 'the path of a job file, or - for standard input' }],
    })
  const job = readJobFile(source === '-' ? await text(process.stdin) : await readFile(source, 'utf8'))
  const say = sayIn(await catalogueOf(values.language), { measures: metric, currency: job.houseRules?.currency })
  process.stdout.write(`${JSON.stringify(planFileOf(planJob(job), say), null, 2)}\n`)
} catch (error) {
  if (!(error instanceof Fault)) throw error
  console.error(error.lines.length > 0 ? error.lines.map(sayFaultLine).join('\n') : error.message)
  process.exit(2)
}
