// Money and kit.
export { kitFor, type KitItem, type KitUnit } from './kit.ts'
export { priceOf, type Price, type PricedUnit } from './price.ts'
