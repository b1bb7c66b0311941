// What becomes of everything that was seen and said? Each finding leads somewhere, each complaint is answered by name.
import { drainState, inWords, isGraded, isMuch, isOffLevel, type Complaint, type Diagnosis, type Finding } from '../lookover/index.ts'
import { staysOff, type Facts, type Referral } from '../method/index.ts'
import type { Step } from '../procedure/index.ts'
import { isSplit, partsOf } from '../units/index.ts'

export interface Answered {
  readonly facts: Facts
  readonly steps: readonly Step[]
  readonly referrals: readonly Referral[]
  readonly diagnosis: readonly Diagnosis[]
  readonly refereeNames: Readonly<Record<Referral['to'], string>>
}

/** Steps that a finding asks for, by id; those that the plan has are named. */
const stepsOf: Partial<Record<Finding, readonly string[]>> = {
  'standing-water': ['draw-drain', 'part-drain', 'flush-drain-first', 'open-drain-holes', 'flush-drain', 'flow-test'],
  'drain-slow': ['draw-drain', 'part-drain', 'flush-drain-first', 'open-drain-holes', 'flush-drain', 'flow-test'],
  'drain-blocked': ['draw-drain', 'part-drain', 'flush-drain-first', 'open-drain-holes', 'flush-drain', 'flow-test'],
  'off-level': ['set-level'],
  'bent-fins': ['comb-fins', 'comb-fins-after'],
  'insect-nest': ['clear-insect-nest', 'look-for-nests'],
  'rodent-droppings': ['clear-rodent-droppings'],
  'loose-wiring': ['wiring-put-right'],
  'oxidised-plug': ['wiring-put-right'],
  'cracked-wheel': ['keep-off'],
}

/** What the report says of a finding besides, or where nothing else is to be done. */
const reported: Record<Finding, (facts: Facts) => string> = {
  'standing-water': ({ lookOver }) =>
    isSplit(lookOver.family) ? 'report: water stood in the pan' : 'report: water in the base pan is normal in use; mud is not',
  'drain-slow': () => 'report: how the drain ran before, and runs now',
  'drain-blocked': () => 'report: how the drain ran before, and runs now',
  'off-level': () => 'report: it hung off level, and what became of it',
  'fin-corrosion': () => 'method: only neutral agents, at low pressure; report: corroded fins, to be looked at again next time',
  'bent-fins': () => 'report: bent fins, and how many are straight now',
  'oil-stain': () => 'report: an oil stain points to a leak; the circuit stays closed',
  'scorched-plug': () => 'report: nothing was opened, and it stays off',
  'oxidised-plug': () => 'report: the plug heats up until it is renewed',
  'loose-wiring': () => 'report: it does not run before the wiring was put right',
  'wet-electronics': () => 'report: nothing was opened; it dries for 24 h and is tested before any power',
  'cracked-wheel': () => 'part to order: a new wheel; report: it was handed back switched off',
  'missing-balance-clip': () => 'part to order: a new wheel or its clip; report: it runs unevenly until then',
  'insect-nest': () => 'report: a nest was found, and how they came in',
  'missing-filter': () => 'part to order: a filter; report: dust goes straight onto the coil until then',
  'torn-insulation': () => 'report: torn insulation drips until it is mended or renewed',
  'failed-gasket': () => 'part to order: a gasket; report: air passes the coil until then',
  'damaged-membrane': () => 'report: the roof membrane is damaged and has to be sealed before water gets in',
  'suspect-asbestos-ceiling': () => 'report: nothing was drilled, brushed or opened there',
  'rodent-droppings': () => 'report: droppings were found; how they come in has to be looked for',
  'unsecured-unit': () => 'report: nobody works on it before it is secured',
  'no-safe-access': () => 'report: nobody could reach it safely; access has to be made first',
}

/** Each finding of the look-over, with the steps, referrals and sentences that it leads to; never none. */
export function findingsAnswered({ facts, steps, referrals, refereeNames }: Answered): { finding: Finding; leadsTo: string[] }[] {
  const found = [...new Set([...facts.lookOver.findings, ...(isOffLevel(facts.lookOver) ? (['off-level'] as const) : [])])]
  return found.map((finding) => {
    const asked = stepsOf[finding] ?? []
    const done = steps.filter(({ id }) => asked.includes(id)).map(({ title }) => `step: ${title}`)
    const word = inWords(finding)
    const called = referrals
      .filter(({ because }) => because.includes(word) || referralWords[finding]?.test(because))
      .map(({ to }) => `call ${refereeNames[to]}`)
    return { finding, leadsTo: [...new Set([...done, ...called]), reported[finding](facts)] }
  })
}

/** How a referral speaks of a finding where it does not use its name. */
const referralWords: Partial<Record<Finding, RegExp>> = {
  'oxidised-plug': /oxidised plug/,
  'wet-electronics': /electronics were found wet/,
  'suspect-asbestos-ceiling': /asbestos/,
  'rodent-droppings': /droppings/,
  'insect-nest': /nest/,
  'missing-balance-clip': /balance clip/,
  'missing-filter': /filter is missing/,
  'torn-insulation': /insulation/,
  'failed-gasket': /gasket/,
  'damaged-membrane': /membrane/,
  'unsecured-unit': /not held/,
  'off-level': /off level/,
}

/** Each complaint with an answer in a sentence: what it most likely is, whether cleaning helps, and what this visit does about it. */
export function complaintsAnswered(input: Answered): { complaint: Complaint; answer: string }[] {
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
const saysOfHelp = { yes: 'cleaning cures that', partly: 'cleaning helps in part', no: 'cleaning does not cure that' } as const

function answerTo(complaint: Complaint, { facts, diagnosis, referrals, refereeNames, steps }: Answered): string {
  const { lookOver, decided } = facts
  if (complaint === 'none') return 'Nothing was complained of: a routine visit.'
  const said = `“${inWords(complaint)}”`
  const cause = diagnosis.find((entry) => causesOf[complaint].includes(entry.cause))
  const unseen = partsOf[lookOver.family].every((part) => !isGraded(lookOver, part))
  const likely = cause
    ? `most likely ${cause.cause} (${saysOfHelp[cause.cleaningHelps]})`
    : unseen
      ? 'nothing was looked at yet that would tell why'
      : 'nothing that was seen explains it'
  const calls = cause?.cleaningHelps === 'no' ? [...new Set(referrals.map(({ to }) => refereeNames[to]))] : []
  const next =
    decided.scope === 'decline'
      ? 'nothing is cleaned before what was found is put right'
      : staysOff(facts)
        ? 'it is cleaned and handed back switched off until the new wheel is in'
        : doneAbout(complaint, facts, steps)
  return `${said}: ${likely}; ${next}${calls.length > 0 ? `; please call ${calls.join(', ')}` : ''}.`
}

function doneAbout(complaint: Exclude<Complaint, 'none'>, facts: Facts, steps: readonly Step[]): string {
  const has = (id: string) => steps.some((step) => step.id === id)
  if (complaint === 'drips-indoors')
    return has('flow-test')
      ? `the drain ${drainState(facts.lookOver) === 'good' ? 'is tested' : 'is cleared and tested'}, and the fall is checked`
      : 'the drain and the fall are to be looked at'
  if (complaint === 'smell')
    return has('wash-wheel') || has('wash-pan') || has('apply-coil')
      ? 'what was found is cleaned; a smell that comes back within days points to what was not reached, and to a second visit'
      : 'look further: drain trap, outside air, the room itself'
  if (complaint === 'spits-dirt')
    return has('wash-wheel') || has('brush-wheel')
      ? 'the wheel is cleaned; a few specks at the first start are usual'
      : 'the wheel is to be looked at'
  if (complaint === 'noise') return 'it is listened to again at the run test'
  return facts.decided.scope === 'filter-service'
    ? 'it is measured after the filters are clean'
    : 'it is measured before and after the work, by what it delivers'
}

/** Whether a nest or droppings were found of which nobody noted how much: to be asked. */
export const extentsToAsk = ({ lookOver }: Facts): Finding[] =>
  (['insect-nest', 'rodent-droppings'] as const).filter((finding) => isMuch(lookOver, finding) === undefined)
