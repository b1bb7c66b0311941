// What becomes of everything that was seen and said? Each finding leads somewhere, each complaint is answered by name.
import { allFindings, drainState, named, isGraded, isMuch, type Complaint, type Diagnosis, type Finding } from '../lookover/index.ts'
import { refereeName, staysOff, type Facts, type Referral } from '../method/index.ts'
import type { Step } from '../procedure/index.ts'
import { isSplit, partsOf } from '../units/index.ts'
import { joined, nameOf, says, type Key, type Message } from '../words/index.ts'

export interface Answered {
  readonly facts: Facts
  readonly steps: readonly Step[]
  readonly referrals: readonly Referral[]
  readonly diagnosis: readonly Diagnosis[]
}

/** Whatever shows how the drain runs. */
const drainTests = ['flow-test', 'pump-test', 'see-condensate'] as const
const drainSteps = ['draw-drain', 'part-drain', 'flush-drain-first', 'open-drain-holes', 'flush-drain', ...drainTests]
/** Steps that a finding asks for, by id; those that the plan has are named. */
const stepsOf: Partial<Record<Finding, readonly string[]>> = {
  'standing-water': drainSteps,
  'drain-slow': drainSteps,
  'drain-blocked': drainSteps,
  'off-level': ['set-level'],
  'bent-fins': ['comb-fins'],
  'insect-nest': ['clear-insect-nest', 'look-for-nests'],
  'rodent-droppings': ['clear-rodent-droppings'],
  'loose-wiring': ['wiring-put-right'],
  'oxidised-plug': ['wiring-put-right', 'clean-plug'],
  'cracked-wheel': ['keep-off'],
}

type Reported = Extract<Key, `plan.reported.${string}`>
/** What the report says of a finding besides, or where nothing else is to be done. */
const report = (key: Reported): Message => says('plan.leads.report', { what: says(key) })
const forMethod = (key: Reported): Message => says('plan.leads.method', { what: says(key) })
const toOrder = (key: Reported): Message => says('plan.leads.order', { what: says(key) })
const reported: Record<Finding, (facts: Facts) => Message[]> = {
  'standing-water': ({ lookOver }) =>
    isSplit(lookOver.family) ? [report('plan.reported.standing-water')] : [report('plan.reported.standing-water.report-water-base-pan')],
  'drain-slow': () => [report('plan.reported.drain-slow')],
  'drain-blocked': () => [report('plan.reported.drain-slow')],
  'off-level': () => [report('plan.reported.off-level')],
  'fin-corrosion': () => [forMethod('plan.reported.fin-corrosion.method'), report('plan.reported.fin-corrosion.report')],
  'bent-fins': () => [report('plan.reported.bent-fins')],
  'oil-stain': () => [report('plan.reported.oil-stain')],
  'scorched-plug': () => [report('plan.reported.scorched-plug')],
  'oxidised-plug': () => [report('plan.reported.oxidised-plug')],
  'loose-wiring': () => [report('plan.reported.loose-wiring')],
  'wet-electronics': () => [report('plan.reported.wet-electronics')],
  'cracked-wheel': () => [toOrder('plan.reported.cracked-wheel.order'), report('plan.reported.cracked-wheel.report')],
  'missing-balance-clip': () => [toOrder('plan.reported.missing-balance-clip.order'), report('plan.reported.missing-balance-clip.report')],
  'insect-nest': () => [report('plan.reported.insect-nest')],
  'missing-filter': () => [toOrder('plan.reported.missing-filter.order'), report('plan.reported.missing-filter.report')],
  'torn-insulation': () => [report('plan.reported.torn-insulation')],
  'failed-gasket': () => [toOrder('plan.reported.failed-gasket.order'), report('plan.reported.failed-gasket.report')],
  'damaged-membrane': () => [report('plan.reported.damaged-membrane')],
  'suspect-asbestos-ceiling': () => [report('plan.reported.suspect-asbestos-ceiling')],
  'rodent-droppings': () => [report('plan.reported.rodent-droppings')],
  'unsecured-unit': () => [report('plan.reported.unsecured-unit')],
  'no-safe-access': () => [report('plan.reported.no-safe-access')],
}

/** Each finding of the look-over, with the steps, referrals and sentences that it leads to; never none. */
export function findingsAnswered({ facts, steps, referrals }: Answered): { finding: Finding; leadsTo: Message[] }[] {
  return allFindings(facts.lookOver).map((finding) => {
    const asked = stepsOf[finding] ?? []
    const done = steps.filter(({ id }) => asked.includes(id)).map(({ title }) => says('plan.leads.step', { title: joined({ comma: [title] }) }))
    const called = referrals
      .filter(({ because }) => because.key === `method.byFinding.${finding}` || (finding === 'off-level' && because.key === offLevelCalls))
      .map(({ to }) => says('plan.leads.call', { whom: refereeName(to) }))
    return { finding, leadsTo: [...done, ...called, ...reported[finding](facts)] }
  })
}

/** The referral that an unlevel unit leads to, found or measured. */
const offLevelCalls: Key = 'method.referralsFor.drain-bracket-set-fall'

/** Each complaint with an answer in a sentence: what it most likely is, whether cleaning helps, and what this visit does about it. */
export function complaintsAnswered(input: Answered): { complaint: Complaint; answer: Message }[] {
  return input.facts.lookOver.complaints.map((complaint) => ({ complaint, answer: answerTo(complaint, input) }))
}

/** What each complaint may come from, by the names of the causes. */
const causesOf: Record<Exclude<Complaint, 'none'>, readonly string[]> = {
  smell: ['biofilm in pan', 'fouled wheel', 'smell from elsewhere', 'overheated wiring'],
  'spits-dirt': ['fouled wheel', 'air bypass', 'damaged wheel'],
  'weak-airflow': [
    'dirty filter',
    'fouled coil face',
    'fouled coil back',
    'fouled wheel',
    'frozen coil from low airflow',
    'failing fan motor or bearing',
  ],
  'not-cold': [
    'low refrigerant charge',
    'fouled coil face',
    'fouled coil back',
    'fouled wheel',
    'dirty filter',
    'blocked condenser',
    'failed compressor or capacitor',
    'undersized unit or too hot outdoors',
    'failed ice-guard or thermistor',
  ],
  'drips-indoors': ['blocked drain', 'unit off level', 'torn insulation', 'frozen coil from low airflow', 'biofilm in pan'],
  'ices-up': ['frozen coil from low airflow', 'low refrigerant charge', 'failed ice-guard or thermistor', 'dirty filter', 'fouled coil face'],
  noise: ['failing fan motor or bearing', 'fouled wheel', 'damaged wheel'],
}
const saysOfHelp = {
  yes: says('plan.saysOfHelp.cleaning-cures'),
  partly: says('plan.saysOfHelp.cleaning-helps-part'),
  no: says('plan.saysOfHelp.cleaning-does-cure'),
} as const

function answerTo(complaint: Complaint, { facts, diagnosis, referrals, steps }: Answered): Message {
  const { lookOver, decided } = facts
  if (complaint === 'none') return says('plan.answerTo.complained-routine-visit')
  const cause = diagnosis.find((entry) => causesOf[complaint].includes(entry.cause))
  const unseen = partsOf[lookOver.family].every((part) => !isGraded(lookOver, part))
  const likely = cause
    ? says('plan.answerTo.most-likely', { cause: nameOf('cause', cause.cause), help: saysOfHelp[cause.cleaningHelps] })
    : unseen
      ? says('plan.answerTo.looked-yet-would-tell')
      : says('plan.answerTo.seen-explains')
  const calls = cause?.cleaningHelps === 'no' ? [...new Set(referrals.map(({ to }) => to))] : []
  const next =
    decided.scope === 'decline'
      ? says('plan.answerTo.cleaned-before-found-put')
      : staysOff(facts)
        ? says('plan.answerTo.cleaned-handed-back-switched')
        : doneAbout(complaint, facts, steps)
  const answer = { complaint: named(complaint), likely, next }
  return calls.length > 0
    ? says('plan.answerTo.and-call', { ...answer, whom: { comma: calls.map(refereeName) } })
    : says('plan.answerTo.text', answer)
}

function doneAbout(complaint: Exclude<Complaint, 'none'>, facts: Facts, steps: readonly Step[]): Message {
  const has = (id: string) => steps.some((step) => step.id === id)
  if (complaint === 'drips-indoors')
    return drainTests.some(has)
      ? says(drainState(facts.lookOver) === 'good' ? 'plan.doneAbout.drain-tested' : 'plan.doneAbout.drain-cleared')
      : says('plan.doneAbout.drain-fall-looked')
  if (complaint === 'smell')
    return has('wash-wheel') || has('wash-pan') || has('apply-coil')
      ? says('plan.doneAbout.found-cleaned-smell-comes')
      : says('plan.doneAbout.look-further-drain-trap')
  if (complaint === 'spits-dirt')
    return has('wash-wheel') || has('brush-wheel') ? says('plan.doneAbout.wheel-cleaned-few-specks') : says('plan.doneAbout.wheel-looked')
  if (complaint === 'noise') return says('plan.doneAbout.listened-again-run-test')
  return facts.decided.scope === 'filter-service'
    ? says('plan.doneAbout.measured-after-filters-clean')
    : says('plan.doneAbout.measured-before-after-work')
}

/** Whether a nest or droppings were found of which nobody noted how much: to be asked. */
export const extentsToAsk = ({ lookOver }: Facts): Finding[] =>
  (['insect-nest', 'rodent-droppings'] as const).filter((finding) => isMuch(lookOver, finding) === undefined)
