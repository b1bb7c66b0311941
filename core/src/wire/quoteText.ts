// What is a customer written about a quote? The ways that are offered, each with its letter, price and how long it lasts.
import { round } from '../quantities/index.ts'
import { payable, type QuoteBody } from './quotes.ts'
import { says, type Say } from '../words/index.ts'

export interface QuoteTextFacts {
  readonly firm: string
  readonly site: string
  readonly validUntil: string
  readonly body: QuoteBody
  /** The day so many weeks from today, as 2027-03-01. */
  readonly dayAfter: (weeks: number) => string
  /** Tax that is in the firm's prices. */
  readonly taxShare?: number
  /** In the customer's language, and in the firm's money. */
  readonly say: Say
}

/** Ways are spoken of by letters, in the order in which they are offered. */
export const wayLetter = (index: number): string => String.fromCharCode(65 + index)

export function quoteText({ firm, site, validUntil, body, dayAfter, taxShare, say }: QuoteTextFacts): string {
  const offered = body.options.filter(({ key }) => body.offered.includes(key))
  const ways = offered.map((option, index) => {
    const way = { letter: wayLetter(index), way: option.name, price: { money: payable(body, option) } }
    return option.againWeeks > 0
      ? says('letters.quote.way-lasts', { ...way, month: { month: dayAfter(option.againWeeks) } })
      : says('letters.quote.way', way)
  })
  const day = { day: validUntil }
  return [
    says('letters.quote.head', { firm, site, units: { comma: body.units.map(({ name }) => name) } }),
    ...ways,
    taxShare ? says('letters.quote.stand-taxed', { day, tax: { n: round(taxShare * 100, 1) } }) : says('letters.quote.stand', { day }),
    says(offered.length > 1 ? 'letters.quote.choose' : 'letters.quote.agree'),
  ]
    .map(say)
    .join('\n')
}
