// What does a customer read in the report on one unit? Everything in words and in the customer's units; how it is laid out is for paper and screen.
import { flowLMin, named, settledShare, type Grades } from '../lookover/index.ts'
import {
  dryingSentence,
  answersForCustomer,
  duesInWords,
  leftByReason,
  leadsForCustomer,
  roomWaitMin,
  sprayedInTheRoom,
  speckSentence,
  throwsSpecks,
  workSentences,
  type UnitPlan,
} from '../plan/index.ts'
import { refereeName } from '../method/index.ts'
import { isLimited, proofOf, type Proof } from '../proof/index.ts'
import {
  allGrades,
  customary,
  dayAfter,
  dayWords,
  figureOf,
  figureWords,
  isSiUnit,
  metric,
  momentWords,
  unitFor,
  type Measures,
} from '../quantities/index.ts'
import { leftOut, photosOfPart, type UnitState } from '../run/index.ts'
import { familyName, isSplit, knownDesign, partName, parts, partsOf, partsToSee, type Family, type Part } from '../units/index.ts'
import type { Due } from '../upkeep/index.ts'
import type { JobRecord, UnitRecord } from '../wire/index.ts'
import { joined, nameOf, says, sayIn, type Catalogue, type Message, type Say, type Sentence } from '../words/index.ts'

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
  /** What stands above, beside and below all that, in the customer’s language. */
  readonly words: ReportWords
  /** By which language it is read aloud: BCP 47. */
  readonly language: string
  /** Headed lists of sentences, in order; none is empty. */
  readonly sections: readonly { readonly heading: string; readonly sentences: readonly string[] }[]
  readonly signed?: { readonly photoId: string; readonly says: string }
  readonly foot: string
  /** The sheet on which the customer's country writes. */
  readonly paper: 'A4' | 'LETTER'
  /** Without its ending. */
  readonly fileName: string
}

const labels = [
  'section',
  'as-found',
  'after-work',
  'part',
  'parts',
  'what',
  'before',
  'after',
  'clean-here',
  'readings',
  'photographs',
  'signature',
  'signed',
  'customer-day',
  'not-graded',
  'nothing-graded',
] as const
export interface ReportWords {
  readonly labels: Readonly<Record<(typeof labels)[number], string>>
  readonly parts: Readonly<Record<Part, string>>
  readonly grades: readonly string[]
}
const wordsIn = (say: Say): ReportWords => ({
  labels: Object.fromEntries(labels.map((label) => [label, say(says(`report.label.${label}`))])) as ReportWords['labels'],
  parts: Object.fromEntries(parts.map((part) => [part, say(partName(part))])) as ReportWords['parts'],
  grades: allGrades.map((grade) => say(says('proof.grade', { grade, name: says(`names.grade.${grade}`) }))),
})

export interface ReportInput {
  readonly firm: string
  readonly record: JobRecord
  readonly unit: UnitRecord
  readonly state: UnitState
  readonly plan: UnitPlan
  /** Of the customer's language. */
  readonly catalogue: Catalogue
}

const stamps = {
  proved: says('report.stamps.proved'),
  partly: says('report.stamps.partly-proved'),
  'not-proved': says('report.stamps.not-proved'),
} as const
const nothing = '–'

export function reportContent({ firm, record, unit, state, plan, catalogue }: ReportInput): ReportContent {
  const measures = record.site.customerUnits === 'us' ? customary : metric
  const say = sayIn(catalogue, { measures })
  const day = (at: string | number) => dayWords(at, catalogue.locale)
  const declined = state.agreed.scope === 'decline'
  const { site } = record.site
  const proof = proofOf({
    family: unit.family,
    design: unit.design,
    site,
    state,
    notReached: plan.notReached,
    referrals: plan.referrals,
  })
  const crew = record.crew.map(({ name }) => name).join(', ')
  const at = state.handedOver?.atMs
  const worked = at ?? record.onDate
  const { callUs } = record.houseRules
  // What the customer looks after alone is no work of ours.
  const next = declined
    ? undefined
    : plan.due
        .flatMap(({ what, weeks }) => (ours.includes(what) ? [{ what, on: dayAfter(worked, Math.max(0, weeks)) }] : []))
        .sort((one, other) => one.on.localeCompare(other.on))
        .at(0)
  return {
    title: say(says('report.reportContent.cleaning-report')),
    firm,
    unit: unit.name,
    family: unit.family,
    facts: [
      { what: say(says('report.facts.place')), says: [site.name, record.site.address].filter((text) => text !== '').join(', ') },
      { what: say(says('report.facts.unit')), says: `${unit.name}, ${say(familyName(unit.family))}` },
      { what: say(says('report.facts.day')), says: day(worked) },
      { what: say(says('report.facts.by')), says: crew },
      ...(next === undefined
        ? []
        : [
            {
              what: say(says('report.facts.next')),
              says: say(says('report.reportContent.about', { due: says(`names.due.${next.what}`), day: { day: next.on } })),
            },
          ]),
      ...(callUs ? [{ what: say(says('report.facts.questions')), says: callUs }] : []),
    ],
    verdict: declined
      ? { stamp: say(says('report.reportContent.cleaned')), sentence: say(workSentences(state.agreed)[0]) }
      : { stamp: say(stamps[proof.verdict]), sentence: say(proof.sentence) },
    gradesBefore: state.grades,
    gradesAfter: state.gradesAfter,
    parts: partsIn(unit.family, state, say),
    readings: declined ? [] : readingsIn(proof, { measures, locale: catalogue.locale }, say),
    photos: photosIn(unit.family, state, say),
    words: wordsIn(say),
    language: catalogue.locale,
    sections: sectionsOf(record, unit, state, plan).map(({ heading, sentences }) => ({ heading: say(heading), sentences: sentences.map(say) })),
    ...(state.signed
      ? { signed: { photoId: state.signed.photoId, says: `${state.signed.name}, ${momentWords(state.signed.atMs, catalogue.locale)}` } }
      : {}),
    paper: record.site.customerUnits === 'us' ? 'LETTER' : 'A4',
    fileName: [say(says('report.file')), site.name, unit.name, day(worked)].map(forFile).join(' '),
    foot: say(says('report.reportContent.local-codes-makers-manual')),
  }
}

/** Letters of every script, digits, spaces and hyphens: nothing that a folder stumbles over. */
const forFile = (text: string) =>
  text
    .replace(/[^\p{L}\p{M}\p{N} -]/gu, '')
    .replace(/\s+/g, ' ')
    .trim()
const ours: readonly Due['what'][] = ['deep-clean', 'light-clean', 'pan-treatment']

const gradeWords = (grades: Grades, part: Part, otherwise: Message): Message => {
  const grade = grades[part]?.grade
  return grade === undefined ? otherwise : says('proof.grade', { grade, name: says(`names.grade.${grade}`) })
}

const partsIn = (family: Family, { grades, gradesAfter }: UnitState, say: Say): ReportContent['parts'] =>
  partsOf[family]
    .filter((part) => grades[part] || gradesAfter[part])
    .map((part) => ({
      part: say(partName(part)),
      before: say(gradeWords(grades, part, says('report.partsIn.looked'))),
      after: say(gradeWords(gradesAfter, part, says('report.partsIn.looked-again'))),
    }))

function readingsIn({ lines }: Proof, { measures, locale }: { measures: Measures; locale: string }, say: Say): ReportContent['readings'] {
  return lines
    .filter(({ id }) => id !== 'sensible' && id !== 'latent')
    .map((line) => {
      const { what, unit, before, after, expected, tolerance } = line
      const read = (value: number) => figureWords(isSiUnit(unit) ? figureOf(value, unit, measures) : value, locale)
      const name = isSiUnit(unit) ? unitFor(unit, measures) : unit === 'grade' ? say(says('report.unit.grade')) : unit
      const full = (value: number | undefined, more = '') => (value === undefined ? nothing : `${read(value)}${more} ${name}`)
      // A limit is no figure of a clean unit.
      const limit = isLimited(line) && expected !== undefined ? ` ${say(says('report.readingsIn.limit', { limit: full(expected) }))}` : ''
      return {
        what: `${say(what)}${limit}`,
        before: full(before),
        after: full(after, tolerance ? ` ± ${read(tolerance)}` : ''),
        clean: isLimited(line) ? nothing : full(expected),
      }
    })
}

function photosIn(family: Family, { photos }: UnitState, say: Say): ReportContent['photos'] {
  return partsOf[family].flatMap((part) => {
    // Rather the last that was measured than the last.
    const [before, after] = (['before', 'after'] as const).map((when) => {
      const taken = photosOfPart(photos, part, when)
      return taken.findLast(({ measure }) => measure) ?? taken.at(-1)
    })
    if (!before && !after) return []
    const [first, second] = [before?.measure, after?.measure]
    const byHand = first?.byHand !== undefined || second?.byHand !== undefined
    const measured =
      first && second
        ? say(
            says(byHand ? 'report.photosIn.covered-by-hand' : 'report.photosIn.covered-before-now', {
              before: { share: settledShare(first) },
              now: { share: settledShare(second) },
            }),
          )
        : ''
    return [
      {
        part: say(partName(part)),
        measured,
        ...(before ? { before: before.photoId } : {}),
        ...(after ? { after: after.photoId } : {}),
      },
    ]
  })
}

function sectionsOf(record: JobRecord, unit: UnitRecord, state: UnitState, plan: UnitPlan): { heading: Message; sentences: Message[] }[] {
  const declined = state.agreed.scope === 'decline'
  const renewsFilters = knownDesign(unit.family, unit.design).design.filter === 'disposable'
  const unseen = declined ? [] : partsToSee(unit.family, unit.design).filter((part) => part !== 'housing' && !state.grades[part])
  const product = (id: string) => record.products.find((entry) => entry.id === id)
  const used = plan.mixes.map(({ productId, part, dilution }) => {
    const on =
      part === 'coilFace' ? says('report.sectionsOf.coil') : part === 'condenserFace' ? says('report.sectionsOf.outdoor-coil') : partName(part)
    const mixed = { product: product(productId)?.name ?? productId, on }
    return dilution > 0 ? says('report.sectionsOf.on-the-thinned', { ...mixed, dilution }) : says('report.sectionsOf.on-the', mixed)
  })
  const checked = state.progress['outdoor-check']?.doneAtMs !== undefined
  const outdoorUnit = state.extras.includes('outdoor-unit')
    ? [checked ? says('report.sectionsOf.outdoor-unit-rinsed-low') : says('report.sectionsOf.outdoor-unit-ordered-proved')]
    : []
  const reentryMin = Math.max(0, ...plan.mixes.map(({ productId }) => product(productId)?.label.reentryMin ?? 0))
  const roomMin = roomWaitMin(reentryMin, sprayedSinceMin(state))
  const notes = [
    ...(throwsSpecks(state.agreed) ? [says('report.sectionsOf.let-run-until-they', { specks: speckSentence })] : []),
    ...dryingNow(state, plan),
    ...(state.agreed.rinse === 'condensate' ? [says('report.sectionsOf.let-unit-cool-today')] : []),
    ...(roomMin > 0 ? [says('report.sectionsOf.please-use-room-again', { after: { min: roomMin } })] : []),
  ]
  const all = [
    {
      heading: says('report.sectionsOf.you-told-us'),
      sentences: answersForCustomer(plan.complaints.filter(({ complaint }) => complaint !== 'none').map(({ answer }) => answer)).map((answer) =>
        joined({ sentences: [answer] }),
      ),
    },
    {
      heading: says('report.sectionsOf.done'),
      sentences: [...workSentences(state.agreed, renewsFilters), ...(declined ? [] : used), ...outdoorUnit],
    },
    {
      heading: says('report.sectionsOf.reached-clean-left-out'),
      sentences: [
        ...leftByReason(plan.notReached).map(({ parts, because }) => line(joined(parts), because)),
        ...leftOut(state).map((one) => joined({ sentences: [one] })),
        ...(isSplit(unit.family) && !declined && !state.extras.includes('outdoor-unit') ? [says('report.sectionsOf.outdoor-unit-looked')] : []),
        ...(unseen.length > 0 ? [says('report.sectionsOf.looked', { parts: { comma: unseen.map(partName) } })] : []),
      ],
    },
    {
      heading: says('report.sectionsOf.found'),
      sentences: [...plan.findings.map(({ finding, leadsTo }) => found(named(finding), leadsForCustomer(leadsTo))), ...drainNow(state)],
    },
    {
      heading: says('report.sectionsOf.parts'),
      sentences: state.partsNoted.map(({ item, need }) =>
        line(nameOf('item', item), says(need === 'changed' ? 'report.sectionsOf.changed' : 'report.sectionsOf.to-be-ordered')),
      ),
    },
    { heading: says('report.sectionsOf.please-seen'), sentences: plan.referrals.map(({ to, because }) => line(refereeName(to), because)) },
    { heading: says('report.sectionsOf.good-know'), sentences: declined ? [] : notes },
    {
      heading: says('report.sectionsOf.due-next'),
      sentences: declined
        ? []
        : duesInWords(plan.due, (weeks) => dayAfter(state.handedOver?.atMs ?? record.onDate, weeks)).map((due) => joined({ sentences: [due] })),
    },
  ]
  return all.filter(({ sentences }) => sentences.length > 0)
}

const found = (what: Message, leads: Sentence[]): Message =>
  leads.length > 0 ? line(what, joined({ semicolon: leads })) : joined({ sentences: [what] })

/** Minutes from the last spraying in the room until it was handed over; none where either is not on record. */
function sprayedSinceMin({ progress, handedOver }: UnitState): number {
  const at = sprayedInTheRoom.flatMap((id) => progress[id]?.doneAtMs ?? [])
  return at.length === 0 || handedOver === undefined ? 0 : Math.max(0, (handedOver.atMs - Math.max(...at)) / 60_000)
}

/** How it dries, as it was left: a log of an earlier version was dried before the people went, and has no such step. */
function dryingNow({ progress, steps }: UnitState, { afterRun }: UnitPlan): Message[] {
  if (!afterRun) return []
  const isLeft = afterRun.how === 'none' ? steps?.every(({ id }) => id !== 'run-fan') : progress['leave-to-dry']?.doneAtMs !== undefined
  return isLeft ? [dryingSentence(afterRun)] : []
}

/** How the drain runs now: as it was measured, else as its flow test showed. */
function drainNow({ readings, progress, steps }: UnitState): Message[] {
  const test = readings.after?.flowTest
  if (test) return [says('report.drainNow.drain-runs-now', { flow: { LMin: Math.round(flowLMin(test) * 10) / 10 } })]
  return ['flow-test', 'pump-test'].some((test) => steps?.some(({ id }) => id === test) && progress[test]?.doneAtMs !== undefined)
    ? [says('report.drainNow.drain-passed-flow-test')]
    : []
}

/** A thing and what is said of it, as a sentence. */
const line = (what: Message, because: Sentence): Message => joined({ sentences: [says('report.line', { what, because })] })
