// Which products must never meet?
import type { Product, ProductClass } from './product.ts'

/** Why two classes must not meet, in either order, without a rinse between. */
const stops: readonly { pair: readonly [ProductClass, ProductClass]; because: string }[] = [
  { pair: ['chlorine-cleaner', 'acid-cleaner'], because: 'chlorine with acid gives off chlorine gas: stop' },
  { pair: ['chlorine-cleaner', 'antimicrobial-foam'], because: 'chlorine with the amines of an antimicrobial gives off chloramines: stop' },
  { pair: ['alkaline-degreaser', 'acid-cleaner'], because: 'acid and alkali react with heat and spatter: stop' },
]

/** Sentence on why two products clash, or undefined where they may follow each other after a rinse. */
export function clash(first: Product, second: Product): string | undefined {
  return stops.find(({ pair: [a, b] }) => (first.class === a && second.class === b) || (first.class === b && second.class === a))?.because
}

/**
 * Why `second` must not follow `first` on the same part without clear water between, or undefined where there was a rinse:
 * two that clash are stopped by their own reason, any other two because nobody knows what they make together.
 */
export function unrinsedClash(first: Product, second: Product, rinsedBetween: boolean): string | undefined {
  if (first.id === second.id) return undefined
  const because = clash(first, second)
  if (because) return `${because}; not even after a rinse on the same day`
  return rinsedBetween ? undefined : 'two agents on one part without a rinse between: stop, rinse until the run-off is clear'
}

/** Every clash among products carried together, as sentences naming both. */
export function clashesAmong(products: readonly Product[]): string[] {
  return products.flatMap((first, index) =>
    products.slice(index + 1).flatMap((second) => {
      const because = clash(first, second)
      return because ? [`${first.name} and ${second.name} are both in the van: ${because}`] : []
    }),
  )
}
