// What does the visit cost the customer?
import type { KnownHouseRules } from '../method/index.ts'
import { estimate, round } from '../quantities/index.ts'
import { joined, says, type Sentence } from '../words/index.ts'

export interface PricedUnit {
  readonly name: string
  /** What is done, in the customer's words; its minutes where nothing is said. */
  readonly work?: Sentence
  readonly handsMin: number
  readonly productCost: number
}

export interface Price {
  lines: { what: Sentence; amount: number }[]
  total: number
}

/** What is done once a visit, how often somebody travels there, and minutes in which nobody works, times the people who are there. */
export interface PricedVisit {
  readonly handsMin: number
  readonly waitingMin?: number
  readonly visits?: number
}

/** Steps in which amounts are usually told: half of the unit, or ten where a currency has no smaller coin. */
const usualStep = { withCents: estimate(0.5, 'of the currency').value, without: estimate(10, 'of the currency').value }
function stepOf(currency: string | undefined): number {
  if (currency === undefined || !/^[A-Z]{3}$/.test(currency)) return usualStep.withCents
  const { maximumFractionDigits: digits = 2 } = new Intl.NumberFormat('en', { style: 'currency', currency }).resolvedOptions()
  return digits === 0 ? usualStep.without : usualStep.withCents
}
/** Nobody sells for less than one step what costs something. */
const inSteps = (amount: number, step: number) => Math.max(1, Math.round(amount / step)) * step

/**
 * Minutes × rate per unit, what is done once a visit, waiting where the house charges it, products in one line or folded into the work, a discount on
 * further units' work, travel, and the minimum charge. Amounts in the firm's money.
 */
export function priceOf(
  units: readonly PricedUnit[],
  rules: KnownHouseRules,
  { handsMin: visitMin, waitingMin = 0, visits = 1 }: PricedVisit,
): Price {
  const lines: Price['lines'] = []
  const add = (what: Sentence, amount: number) => lines.push({ what, amount: round(amount, 2) })
  const cost = units.reduce((sum, { productCost }) => sum + productCost, 0)
  const products = cost > 0 ? inSteps(cost, stepOf(rules.currency)) : 0
  const isFolded = products > 0 && products < rules.productsFoldedBelow
  const work = units.map(({ handsMin }) => (handsMin / 60) * rules.hourlyRate)
  units.forEach(({ name, work: words, handsMin, productCost }, index) =>
    add(
      says('plan.priceOf.text', {
        unit: name,
        work: words === undefined ? says('plan.priceOf.minutes-work', { time: { n: round(handsMin) } }) : joined({ comma: [words] }),
      }),
      work[index] + (isFolded ? (products * productCost) / cost : 0),
    ),
  )
  const isInWords = units.some(({ work: words }) => words !== undefined)
  if (visitMin > 0)
    add(
      isInWords ? says('plan.priceOf.visit') : says('plan.priceOf.visit-minutes', { time: { n: round(visitMin) } }),
      (visitMin / 60) * rules.hourlyRate,
    )
  if (rules.chargeWaiting && round(waitingMin) > 0)
    add(
      isInWords ? says('plan.priceOf.waiting') : says('plan.priceOf.waiting-minutes', { time: { n: round(waitingMin) } }),
      (waitingMin / 60) * rules.hourlyRate,
    )
  if (products > 0 && !isFolded) add(says('plan.priceOf.cleaning-products'), products)
  const further = work.slice(1).reduce((sum, amount) => sum + amount, 0) * rules.furtherUnitDiscount
  if (further > 0) add(says('plan.priceOf.further-units-same-visit'), -further)
  if (rules.travelCharge > 0) add(says('plan.priceOf.travel'), rules.travelCharge)
  if (rules.travelCharge > 0 && visits > 1) add(says('plan.priceOf.travel-return-visit-once'), rules.travelCharge * (visits - 1))
  const sum = lines.reduce((total, { amount }) => total + amount, 0)
  if (sum < rules.minimumCharge) add(says('plan.priceOf.up-minimum-charge'), rules.minimumCharge - sum)
  return {
    lines,
    total: round(
      lines.reduce((total, { amount }) => total + amount, 0),
      2,
    ),
  }
}
