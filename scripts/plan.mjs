// Prints the plan of a job file: `npm run --silent plan -- job.json`, `-` reads standard input. Needs no database.
import { existsSync } from 'node:fs'
import { readFile } from 'node:fs/promises'
import { text } from 'node:stream/consumers'
import { prepareCore } from './lib/prepare.mjs'

const source = process.argv[2]
if (!source || process.argv.length > 3) {
  console.error('usage: npm run --silent plan -- job.json   (or - for standard input)')
  process.exit(2)
}
await prepareCore()
const { Fault, sayFaultLine } = await import('@yastik/core/faults')
const { planJob, readJobFile } = await import('@yastik/core/plan')

try {
  if (source !== '-' && !existsSync(source))
    throw new Fault('not-there', {
      lines: [{ where: source, what: 'there is no such file', allowed: 'the path of a job file, or - for standard input' }],
    })
  const job = readJobFile(source === '-' ? await text(process.stdin) : await readFile(source, 'utf8'))
  process.stdout.write(`${JSON.stringify(planJob(job), null, 2)}\n`)
} catch (error) {
  if (!(error instanceof Fault)) throw error
  console.error(error.lines.length > 0 ? error.lines.map(sayFaultLine).join('\n') : error.message)
  process.exit(2)
}
