// Money and kit.
export { itemId, kitFor, type KitItem, type KitUnit } from './kit.ts'
export { loadFor, type LoadItem, type LoadVisit } from './load.ts'
export { outcomeOf, outcomeSchema, realMinutes, type Outcome, type QuotedWork } from './outcome.ts'
export { priceOf, type Price, type PricedUnit, type PricedVisit } from './price.ts'
