// Does a job file hold up? Text in, job out, or every fault with its place.
import { Fault, linesOf, type FaultLine } from '../faults/index.ts'
import { familyName, partsOf, type Part } from '../units/index.ts'
import { visitId } from '../procedure/index.ts'
import { jobFileSchema, type JobFile } from './jobFile.ts'
import { says } from '../words/index.ts'

/** Largest job file that is read, in characters: sixty full units stay far below. */
export const mostCharacters = 2_000_000

/**
 * Reads the text of a job file.
 * @throws Fault `too-large`, `not-json` or `does-not-hold-up`, with one line per fault.
 */
export function readJobFile(text: string): JobFile {
  if (text.length > mostCharacters) {
    throw new Fault('too-large', {
      lines: [
        {
          where: says('fault.file'),
          what: says('fault.schema.characters', { count: text.length }),
          allowed: says('fault.schema.bound-characters', { is: 'most', count: mostCharacters }),
        },
      ],
    })
  }
  return checkJob(parseJson(text))
}

function parseJson(text: string): unknown {
  try {
    // Some editors put a byte order mark first; it is no part of the JSON.
    return JSON.parse(text.replace(/^\uFEFF/, ''))
  } catch (error) {
    throw new Fault('not-json', {
      lines: [
        {
          where: says('fault.file'),
          what: says('fault.file.not-json', { why: error instanceof Error ? error.message : String(error) }),
          allowed: says('fault.file.json'),
        },
      ],
    })
  }
}

/** Checks an object as a job file: its schema, then what the schema cannot say. @throws Fault as `readJobFile`. */
export function checkJob(input: unknown): JobFile {
  const parsed = jobFileSchema.safeParse(input)
  if (!parsed.success) throw new Fault('does-not-hold-up', { lines: linesOf(parsed.error.issues, input) })
  const job = parsed.data
  const lines = [...doubleIds(job), ...takenIds(job), ...foreignParts(job), ...contradictions(job)]
  if (lines.length > 0) throw new Fault('does-not-hold-up', { lines })
  return job
}

const doubleIds = (job: JobFile): FaultLine[] =>
  (['units', 'products', 'equipment'] as const).flatMap((list) => {
    const ids = (job[list] ?? []).map(({ id }) => id)
    return ids.flatMap((id, index) =>
      ids.indexOf(id) < index
        ? [{ where: `${list}[${index}].id`, what: says('fault.file.id-twice', { id }), allowed: says('fault.file.one-id', { list }) }]
        : [],
    )
  })

/** What the visit itself goes by is no unit's. */
const takenIds = ({ units }: JobFile): FaultLine[] =>
  units.flatMap(({ id }, index) =>
    id === visitId
      ? [{ where: `units[${index}].id`, what: says('fault.file.id-of-visit', { id }), allowed: says('fault.file.id-of-visit-allowed', { id }) }]
      : [],
  )

const foreignParts = ({ units }: JobFile): FaultLine[] =>
  units.flatMap(({ family, grades }, index) =>
    (Object.keys(grades) as Part[])
      .filter((part) => !partsOf[family].includes(part))
      .map((part) => ({
        where: `units[${index}].grades.${part}`,
        what: says('fault.file.no-such-part', { family: familyName(family) }),
        allowed: partsOf[family].join(', '),
      })),
  )

const contradictions = ({ units }: JobFile): FaultLine[] =>
  units.flatMap(({ design }, index) => [
    ...(design.faceSlantMm && !design.faceWidthMm
      ? [{ where: `units[${index}].design.faceWidthMm`, what: says('fault.file.slant-without-width'), allowed: says('fault.file.both-or-neither') }]
      : []),
    ...(design.slideOut === true && design.removable === false
      ? [
          {
            where: `units[${index}].design.slideOut`,
            what: says('fault.file.slides-and-fixed'),
            allowed: says('fault.file.slides-and-fixed-allowed'),
          },
        ]
      : []),
  ])
