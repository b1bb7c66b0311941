// What does the visit cost the customer?
import type { KnownHouseRules } from '../method/index.ts'
import { round } from '../quantities/index.ts'
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

/** What is done once a visit, and how often somebody travels there. */
export interface PricedVisit {
  readonly handsMin: number
  readonly visits?: number
}

/** Minutes × rate and products per unit, what is done once a visit, a discount on further units' work, travel, and the minimum charge. Amounts in the firm's money. */
export function priceOf(units: readonly PricedUnit[], rules: KnownHouseRules, { handsMin: visitMin, visits = 1 }: PricedVisit): Price {
  const lines: Price['lines'] = []
  const add = (what: Sentence, amount: number) => lines.push({ what, amount: round(amount, 2) })
  const work = units.map(({ handsMin }) => (handsMin / 60) * rules.hourlyRate)
  units.forEach(({ name, work: words, handsMin }, index) =>
    add(
      says('plan.priceOf.text', {
        unit: name,
        work: words === undefined ? says('plan.priceOf.minutes-work', { time: { n: round(handsMin) } }) : joined({ comma: [words] }),
      }),
      work[index],
    ),
  )
  if (visitMin > 0)
    add(
      units.some(({ work: words }) => words !== undefined)
        ? says('plan.priceOf.visit')
        : says('plan.priceOf.visit-minutes', { time: { n: round(visitMin) } }),
      (visitMin / 60) * rules.hourlyRate,
    )
  const products = units.reduce((sum, { productCost }) => sum + productCost, 0)
  if (products > 0) add(says('plan.priceOf.cleaning-products'), products)
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
