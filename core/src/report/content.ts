// What does a customer read in the report on one unit? Everything in words and in the customer's units; how it is laid out is for paper and screen.
import { flowLMin, inWords, settledShare, type Grades } from '../lookover/index.ts'
import { dueInWords, findingForCustomer, refereeNames, speckSentence, throwsSpecks, workSentences, type UnitPlan } from '../plan/index.ts'
import { isLimited, proofOf, type Proof } from '../proof/index.ts'
import {
  customary,
  dayAfter,
  dayWords,
  figureOf,
  gradeNames,
  isSiUnit,
  metric,
  momentWords,
  sentenceOf,
  unitFor,
  type Measures,
} from '../quantities/index.ts'
import { leftOut, photosOfPart, type UnitState } from '../run/index.ts'
import { familyNames, isSplit, knownDesign, partNames, partsOf, partsToSee, type Family, type Part } from '../units/index.ts'
import type { Due } from '../upkeep/index.ts'
import type { JobRecord, UnitRecord } from '../wire/index.ts'

export interface ReportContent {
  readonly title: string
  readonly firm: string
  readonly unit: string
  readonly family: Family
  readonly facts: readonly { readonly what: string; readonly says: string }[]
  readonly verdict: { readonly stamp: string; readonly sentence: string }
  readonly gradesBefore: Grades
  readonly gradesAfter: Grades
  readonly parts: readonly { readonly part: string; readonly before: string; readonly after: string }[]
  readonly readings: readonly { readonly what: string; readonly before: string; readonly after: string; readonly clean: string }[]
  /** `measured` is what both photographs of a part say, where both were measured; else empty. */
  readonly photos: readonly { readonly part: string; readonly measured: string; readonly before?: string; readonly after?: string }[]
  /** Headed lists of sentences, in order; none is empty. */
  readonly sections: readonly { readonly heading: string; readonly sentences: readonly string[] }[]
  readonly signed?: { readonly photoId: string; readonly says: string }
  readonly foot: string
  /** The sheet on which the customer's country writes. */
  readonly paper: 'A4' | 'LETTER'
  /** Without its ending. */
  readonly fileName: string
}

export interface ReportInput {
  readonly firm: string
  readonly record: JobRecord
  readonly unit: UnitRecord
  readonly state: UnitState
  readonly plan: UnitPlan
}

const stamps = { proved: 'Proved', partly: 'Partly proved', 'not-proved': 'Not proved' } as const
const nothing = '–'

export function reportContent({ firm, record, unit, state, plan }: ReportInput): ReportContent {
  const measures = record.site.customerUnits === 'us' ? customary : metric
  const say = (text: string) => sentenceOf(text, measures)
  const declined = state.agreed.scope === 'decline'
  const { site } = record.site
  const proof = proofOf({
    family: unit.family,
    design: knownDesign(unit.family, unit.design).design,
    site,
    state,
    notReached: plan.notReached,
    referrals: plan.referrals,
  })
  const crew = record.crew.map(({ name }) => name).join(', ')
  const at = state.handedOver?.atMs
  const day = at ?? record.onDate
  const { callUs } = record.houseRules
  // What the customer looks after alone is no work of ours.
  const next = declined
    ? undefined
    : plan.due
        .flatMap(({ what, weeks }) => (ours.includes(what) ? [{ what, on: dayAfter(day, Math.max(0, weeks)) }] : []))
        .sort((one, other) => one.on.localeCompare(other.on))
        .at(0)
  return {
    title: 'Cleaning report',
    firm,
    unit: unit.name,
    family: unit.family,
    facts: [
      { what: 'Place', says: [site.name, record.site.address].filter((text) => text !== '').join(', ') },
      { what: 'Unit', says: `${unit.name}, ${familyNames[unit.family]}` },
      { what: 'Day', says: dayWords(day) },
      { what: 'By', says: crew },
      ...(next === undefined ? [] : [{ what: 'Next', says: `${dueNames[next.what]}, about ${dayWords(next.on)}` }]),
      ...(callUs ? [{ what: 'Questions', says: callUs }] : []),
    ],
    verdict: declined
      ? { stamp: 'Not cleaned', sentence: say(workSentences(state.agreed)[0]) }
      : { stamp: stamps[proof.verdict], sentence: say(proof.sentence) },
    gradesBefore: state.grades,
    gradesAfter: state.gradesAfter,
    parts: partsIn(unit.family, state),
    readings: declined ? [] : readingsIn(proof, measures),
    photos: photosIn(unit.family, state),
    sections: sectionsOf(record, unit, state, plan).map(({ heading, sentences }) => ({ heading, sentences: sentences.map(say) })),
    ...(state.signed ? { signed: { photoId: state.signed.photoId, says: `${state.signed.name}, ${momentWords(state.signed.atMs)}` } } : {}),
    paper: record.site.customerUnits === 'us' ? 'LETTER' : 'A4',
    fileName: ['report', site.name, unit.name, dayWords(day)].map(forFile).join(' '),
    foot: 'Local codes, the maker’s manual and licensed practice come before anything written here.',
  }
}

/** Letters of every script, digits, spaces and hyphens: nothing that a folder stumbles over. */
const forFile = (text: string) =>
  text
    .replace(/[^\p{L}\p{M}\p{N} -]/gu, '')
    .replace(/\s+/g, ' ')
    .trim()
const ours: readonly Due['what'][] = ['deep-clean', 'light-clean', 'pan-treatment']
const dueNames: Partial<Record<Due['what'], string>> = {
  'deep-clean': 'deep clean',
  'light-clean': 'light clean',
  'pan-treatment': 'pan treatment',
}

const gradeWords = (grades: Grades, part: Part, otherwise: string): string => {
  const grade = grades[part]?.grade
  return grade === undefined ? otherwise : `${grade} ${gradeNames[grade]}`
}

const partsIn = (family: Family, { grades, gradesAfter }: UnitState): ReportContent['parts'] =>
  partsOf[family]
    .filter((part) => grades[part] || gradesAfter[part])
    .map((part) => ({
      part: partNames[part],
      before: gradeWords(grades, part, 'not looked at'),
      after: gradeWords(gradesAfter, part, 'not looked at again'),
    }))

function readingsIn({ lines }: Proof, measures: Measures): ReportContent['readings'] {
  return lines
    .filter(({ id }) => id !== 'sensible' && id !== 'latent')
    .map((line) => {
      const { what, unit, before, after, expected, tolerance } = line
      const read = (value: number | undefined) => (value === undefined ? undefined : isSiUnit(unit) ? figureOf(value, unit, measures) : value)
      const name = isSiUnit(unit) ? unitFor(unit, measures) : unit
      const full = (value: number | undefined, more = '') => (value === undefined ? nothing : `${read(value)}${more} ${name}`)
      // A limit is no figure of a clean unit.
      const limit = isLimited(line) && expected !== undefined ? ` (limit ${full(expected)})` : ''
      return {
        what: `${what}${limit}`,
        before: full(before),
        after: full(after, tolerance ? ` ± ${read(tolerance)}` : ''),
        clean: isLimited(line) ? nothing : full(expected),
      }
    })
}

function photosIn(family: Family, { photos }: UnitState): ReportContent['photos'] {
  return partsOf[family].flatMap((part) => {
    // Rather the last that was measured than the last.
    const [before, after] = (['before', 'after'] as const).map((when) => {
      const taken = photosOfPart(photos, part, when)
      return taken.findLast(({ measure }) => measure) ?? taken.at(-1)
    })
    if (!before && !after) return []
    const shares = [before, after].map((photo) => photo?.measure && `${Math.round(settledShare(photo.measure) * 100)} %`)
    const byHand = [before, after].some((photo) => photo?.measure?.byHand !== undefined) ? ', corrected by hand' : ''
    const measured = shares.every((share) => share !== undefined) ? `: covered ${shares[0]} before, ${shares[1]} now${byHand}` : ''
    return [
      {
        part: partNames[part],
        measured,
        ...(before ? { before: before.photoId } : {}),
        ...(after ? { after: after.photoId } : {}),
      },
    ]
  })
}

function sectionsOf(record: JobRecord, unit: UnitRecord, state: UnitState, plan: UnitPlan): { heading: string; sentences: string[] }[] {
  const declined = state.agreed.scope === 'decline'
  const renewsFilters = knownDesign(unit.family, unit.design).design.filter === 'disposable'
  const unseen = declined
    ? []
    : partsToSee(unit.family, unit.design)
        .filter((part) => part !== 'housing' && !state.grades[part])
        .map((part) => partNames[part])
  const product = (id: string) => record.products.find((entry) => entry.id === id)
  const used = plan.mixes.map(({ productId, part, dilution }) => {
    const on = part === 'coilFace' ? 'coil' : part === 'condenserFace' ? 'outdoor coil' : partNames[part]
    return `${product(productId)?.name ?? productId} on the ${on}${dilution > 0 ? `, one part in ${dilution} parts of water` : ''}.`
  })
  const checked = state.progress['outdoor-check']?.doneAtMs !== undefined
  const outdoorUnit = state.extras.includes('outdoor-unit')
    ? [checked ? 'Outdoor unit: rinsed at low pressure, and looked at and listened to while it ran.' : 'Outdoor unit: ordered, and not proved.']
    : []
  const reentryMin = Math.max(0, ...plan.mixes.map(({ productId }) => product(productId)?.label.reentryMin ?? 0))
  const notes = [
    ...(throwsSpecks(state.agreed) ? [`${speckSentence} Let it run until they stop.`] : []),
    ...(state.agreed.rinse === 'condensate' ? ['Let the unit cool today: the water it makes carries the foam off.'] : []),
    ...(reentryMin > 0 ? [`Please use the room again ${reentryMin} minutes after the work at the earliest.`] : []),
  ]
  const all = [
    { heading: 'What you told us', sentences: plan.complaints.filter(({ complaint }) => complaint !== 'none').map(({ answer }) => answer) },
    { heading: 'What was done', sentences: [...workSentences(state.agreed, renewsFilters), ...(declined ? [] : used), ...outdoorUnit] },
    {
      heading: 'Not reached, not clean, left out or still out',
      sentences: [
        ...plan.notReached.map(({ part, because }) => `${capital(partNames[part])}: ${because}.`),
        ...leftOut(state).map((sentence) => `${sentence}.`),
        ...(isSplit(unit.family) && !declined && !state.extras.includes('outdoor-unit') ? ['Outdoor unit: not looked at.'] : []),
        ...(unseen.length > 0 ? [`Not looked at: ${unseen.join(', ')}.`] : []),
      ],
    },
    {
      heading: 'What was found',
      sentences: [
        ...plan.findings.map(({ finding, leadsTo }) => `${capital(inWords(finding))}: ${leadsTo.map(findingForCustomer).join('; ')}.`),
        ...drainNow(state),
      ],
    },
    {
      heading: 'Parts',
      sentences: state.partsNoted.map(
        ({ item, need }) => `${capital(item)}: ${need === 'changed' ? 'changed on this visit' : 'has to be ordered; we come back with it'}.`,
      ),
    },
    { heading: 'Please have it seen to', sentences: plan.referrals.map(({ to, because }) => `${capital(refereeNames[to])}: ${because}.`) },
    { heading: 'Good to know', sentences: declined ? [] : notes },
    {
      heading: 'Due next',
      sentences: declined
        ? []
        : plan.due.map((due) => `${capital(dueInWords(due, (weeks) => dayAfter(state.handedOver?.atMs ?? record.onDate, weeks)))}.`),
    },
  ]
  return all.filter(({ sentences }) => sentences.length > 0)
}

/** How the drain runs now: as it was measured, else as its flow test showed. */
function drainNow({ readings, progress, steps }: UnitState): string[] {
  const test = readings.after?.flowTest
  if (test) return [`The drain runs ${Math.round(flowLMin(test) * 10) / 10} L/min now.`]
  return steps?.some(({ id }) => id === 'flow-test') && progress['flow-test']?.doneAtMs !== undefined
    ? ['The drain passed its flow test at the end.']
    : []
}

const capital = (words: string) => `${words.charAt(0).toUpperCase()}${words.slice(1)}`
