// Who has to be called where cleaning ends?
import { inWords, isMuch, isOffLevel, type Diagnosis, type Finding } from '../lookover/index.ts'
import { estimate } from '../quantities/index.ts'
import { isCarried } from '../units/index.ts'
import { isTrained, type Facts } from './facts.ts'

export const referees = ['refrigerant-technician', 'electrician', 'plumber', 'asbestos-surveyor', 'pest-control', 'manufacturer'] as const
export interface Referral {
  to: (typeof referees)[number]
  because: string
}

const byFinding: Partial<Record<Finding, Referral>> = {
  'oil-stain': { to: 'refrigerant-technician', because: 'an oil stain on the pipework points to a leak: licensed work, the circuit stays closed' },
  'scorched-plug': { to: 'electrician', because: 'a scorched plug: it stays off until an electrician has put it right' },
  'oxidised-plug': { to: 'electrician', because: 'an oxidised plug heats up: have it renewed' },
  'loose-wiring': { to: 'electrician', because: 'loose wiring: have it fixed before the unit runs again' },
  'wet-electronics': { to: 'electrician', because: 'electronics were found wet: they dry for 24 h and are tested before any power' },
  'suspect-asbestos-ceiling': {
    to: 'asbestos-surveyor',
    because: 'the ceiling may hold asbestos: nothing is drilled, brushed or opened there before it was surveyed',
  },
  'rodent-droppings': { to: 'pest-control', because: 'droppings in quantity: to be cleared by people equipped for it' },
  'insect-nest': { to: 'pest-control', because: 'a nest that may be alive' },
  'cracked-wheel': { to: 'manufacturer', because: 'a cracked wheel is not refitted: order a new one for this model' },
  'missing-balance-clip': { to: 'manufacturer', because: 'a balance clip is missing: the wheel is to be replaced' },
  'missing-filter': { to: 'manufacturer', because: 'a filter is missing: order it, dust goes straight onto the coil until then' },
  'torn-insulation': {
    to: 'plumber',
    because: 'pipe insulation is torn and drips: mended where one reaches it, else renewed by an installer; the pipes stay closed',
  },
  'damaged-membrane': {
    to: 'manufacturer',
    because: 'the roof membrane is damaged: have the vehicle’s maker or a roof workshop seal it before water gets in',
  },
  'unsecured-unit': { to: 'manufacturer', because: 'the unit is not held as its maker asks: to be secured before anybody works on it' },
  'failed-gasket': { to: 'manufacturer', because: 'a gasket has failed: order it, air bypasses the coil until then' },
}
/** From this weight on a cause is likely enough to call somebody. */
const leastWeight = estimate(0.3, 'share of all causes')

/** Referrals from findings, from causes that cleaning cannot cure when they are likely, and from what this crew may not part. */
/** Old and few, a nest or droppings are cleared with the unit: nobody has to be called. */
const clearedHere: readonly Finding[] = ['insect-nest', 'rodent-droppings']

export function referralsFor({ lookOver, design, decided, ...facts }: Facts, diagnosis: readonly Diagnosis[]): Referral[] {
  const referrals = lookOver.findings
    .filter((finding) => !(clearedHere.includes(finding) && isMuch(lookOver, finding) === false))
    .flatMap((finding) => byFinding[finding] ?? [])
  const add = (referral: Referral) => {
    if (!referrals.some(({ to, because }) => to === referral.to && because === referral.because)) referrals.push(referral)
  }
  const charge = diagnosis.find(({ cause }) => cause === 'low refrigerant charge')
  const isLikely = (entry: Diagnosis | undefined) => entry !== undefined && (entry === diagnosis[0] || entry.weight >= leastWeight.value)
  if (charge && isLikely(charge) && !lookOver.findings.includes('oil-stain'))
    add({
      to: 'refrigerant-technician',
      because: `low charge is likely (${charge.evidence
        .filter((line) => line.startsWith('for: '))
        .map((line) => line.slice(5))
        .join('; ')}): licensed work, cleaning will not cure it`,
    })
  const compressor = diagnosis[0]?.cause === 'failed compressor or capacitor'
  if (compressor) add({ to: 'refrigerant-technician', because: 'it hardly cools at all: compressor and capacitor are to be tested' })
  if (isLikely(diagnosis.find(({ cause }) => cause === 'failing fan motor or bearing')))
    add({ to: 'manufacturer', because: 'motor or bearing may be failing: have it heard and measured' })
  if (isOffLevel(lookOver)) add({ to: 'plumber', because: `${inWords('off-level')}: drain and bracket are to be set to fall towards the outlet` })
  if (
    design.hardWired &&
    decided.location !== 'outdoors' &&
    !isTrained({ ...facts, lookOver }, 'electrics') &&
    isCarried(lookOver.family) &&
    decided.scope === 'open-clean'
  )
    add({ to: 'electrician', because: 'it is wired in without a plug: parted by an electrician, it can be cleaned through on the bench' })
  return referrals
}
