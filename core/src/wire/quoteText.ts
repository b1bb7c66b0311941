// What is a customer written about a quote? The ways that are offered, each with its letter, price and how long it lasts.
import type { HouseRules } from '../method/index.ts'
import { dayWords, moneyWords, round } from '../quantities/index.ts'
import { monthOf } from '../upkeep/index.ts'
import { payable, type QuoteBody } from './quotes.ts'
import type { Say } from '../words/index.ts'

export interface QuoteTextFacts {
  readonly firm: string
  readonly site: string
  readonly validUntil: string
  readonly body: QuoteBody
  /** The day so many weeks from today, as 2027-03-01. */
  readonly dayAfter: (weeks: number) => string
  /** The firm's money, and the tax that is in its prices. */
  readonly place: Pick<HouseRules, 'currency' | 'taxShare'>
  /** In the customer's language. */
  readonly say: Say
}

/** Ways are spoken of by letters, in the order in which they are offered. */
export const wayLetter = (index: number): string => String.fromCharCode(65 + index)

export function quoteText({ firm, site, validUntil, body, dayAfter, place, say }: QuoteTextFacts): string {
  const tax = place.taxShare ? `, ${round(place.taxShare * 100, 1)} % tax included` : ''
  const offered = body.options.filter(({ key }) => body.offered.includes(key))
  const ways = offered.map((option, index) => {
    const lasts = option.againWeeks > 0 ? `; it is due again about ${monthOf(dayAfter(option.againWeeks))}` : ''
    return `${wayLetter(index)}: ${say(option.name)}, ${moneyWords(payable(body, option), place.currency)}${lasts}.`
  })
  return [
    `${firm} about the air conditioning at ${site}, ${body.units.map(({ name }) => name).join(', ')}:`,
    ...ways,
    `These prices stand until ${dayWords(validUntil)}${tax}. Where we find more on opening, we say so before we go on.`,
    offered.length > 1 ? 'Answer with a letter, and we will find a day.' : 'Answer, and we will find a day.',
  ].join('\n')
}
