// Who has to be called where cleaning ends?
import { isMuch, named, isOffLevel, type Diagnosis, type Finding } from '../lookover/index.ts'
import { estimate } from '../quantities/index.ts'
import { isCarried } from '../units/index.ts'
import { isPlugCleaned, isTrained, isUncovered, type Facts } from './facts.ts'
import { isSame, says, type Message } from '../words/index.ts'

export const referees = ['refrigerant-technician', 'electrician', 'plumber', 'asbestos-surveyor', 'pest-control', 'manufacturer'] as const
export const refereeName = (to: Referral['to']): Message => says(`names.referee.${to}`)
export interface Referral {
  to: (typeof referees)[number]
  because: Message
}

const byFinding: Partial<Record<Finding, Referral>> = {
  'oil-stain': { to: 'refrigerant-technician', because: says('method.byFinding.oil-stain') },
  'scorched-plug': { to: 'electrician', because: says('method.byFinding.scorched-plug') },
  'oxidised-plug': { to: 'electrician', because: says('method.byFinding.oxidised-plug') },
  'loose-wiring': { to: 'electrician', because: says('method.byFinding.loose-wiring') },
  'wet-electronics': { to: 'electrician', because: says('method.byFinding.wet-electronics') },
  'suspect-asbestos-ceiling': {
    to: 'asbestos-surveyor',
    because: says('method.byFinding.suspect-asbestos-ceiling'),
  },
  'rodent-droppings': { to: 'pest-control', because: says('method.byFinding.rodent-droppings') },
  'insect-nest': { to: 'pest-control', because: says('method.byFinding.insect-nest') },
  'cracked-wheel': { to: 'manufacturer', because: says('method.byFinding.cracked-wheel') },
  'missing-balance-clip': { to: 'manufacturer', because: says('method.byFinding.missing-balance-clip') },
  'missing-filter': { to: 'manufacturer', because: says('method.byFinding.missing-filter') },
  'torn-insulation': {
    to: 'plumber',
    because: says('method.byFinding.torn-insulation'),
  },
  'damaged-membrane': {
    to: 'manufacturer',
    because: says('method.byFinding.damaged-membrane'),
  },
  'unsecured-unit': { to: 'manufacturer', because: says('method.byFinding.unsecured-unit') },
  'failed-gasket': { to: 'manufacturer', because: says('method.byFinding.failed-gasket') },
}
/** From this weight on a cause is likely enough to call somebody. */
const leastWeight = estimate(0.3, 'share of all causes')

/** Referrals from findings, from causes that cleaning cannot cure when they are likely, and from what this crew may not part. */
/** Old and few, a nest or droppings are cleared with the unit: nobody has to be called. */
const clearedHere: readonly Finding[] = ['insect-nest', 'rodent-droppings']

export function referralsFor({ lookOver, design, decided, ...facts }: Facts, diagnosis: readonly Diagnosis[]): Referral[] {
  const referrals = lookOver.findings
    .filter((finding) => !(clearedHere.includes(finding) && isMuch(lookOver, finding) === false))
    .filter((finding) => !(finding === 'oxidised-plug' && isPlugCleaned({ lookOver }) && isUncovered({ decided })))
    .flatMap((finding) => byFinding[finding] ?? [])
  const add = (referral: Referral) => {
    if (!referrals.some(({ to, because }) => to === referral.to && isSame(because, referral.because))) referrals.push(referral)
  }
  const charge = diagnosis.find(({ cause }) => cause === 'low refrigerant charge')
  const isLikely = (entry: Diagnosis | undefined) => entry !== undefined && (entry === diagnosis[0] || entry.weight >= leastWeight.value)
  if (charge && isLikely(charge) && !lookOver.findings.includes('oil-stain'))
    add({
      to: 'refrigerant-technician',
      because: says('method.referralsFor.low-charge-likely-licensed', {
        evidence: {
          semicolon: charge.evidence.flatMap(({ key, values }) => (key === 'lookover.evidence.for' && values ? [values.sign as Message] : [])),
        },
      }),
    })
  const compressor = diagnosis[0]?.cause === 'failed compressor or capacitor'
  if (compressor) add({ to: 'refrigerant-technician', because: says('method.referralsFor.hardly-cools-all-compressor') })
  if (isLikely(diagnosis.find(({ cause }) => cause === 'failing fan motor or bearing')))
    add({ to: 'manufacturer', because: says('method.referralsFor.motor-bearing-may-failing') })
  if (isOffLevel(lookOver)) add({ to: 'plumber', because: says('method.referralsFor.drain-bracket-set-fall', { finding: named('off-level') }) })
  if (
    design.hardWired &&
    decided.location !== 'outdoors' &&
    !isTrained({ ...facts, lookOver }, 'electrics') &&
    isCarried(lookOver.family) &&
    decided.scope === 'open-clean'
  )
    add({ to: 'electrician', because: says('method.referralsFor.wired-without-plug-parted') })
  return referrals
}
