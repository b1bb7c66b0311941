// Which products must never meet?
import type { Product, ProductClass } from './product.ts'
import { says, type Message } from '../words/index.ts'

/** Why two classes must not meet, in either order, without a rinse between. */
const stops: readonly { pair: readonly [ProductClass, ProductClass]; because: Message }[] = [
  { pair: ['chlorine-cleaner', 'acid-cleaner'], because: says('products.stops.chlorine-acid-gives-off') },
  { pair: ['chlorine-cleaner', 'antimicrobial-foam'], because: says('products.stops.chlorine-amines-antimicrobial-gives') },
  { pair: ['alkaline-degreaser', 'acid-cleaner'], because: says('products.stops.acid-alkali-react-heat') },
]

/** Sentence on why two products clash, or undefined where they may follow each other after a rinse. */
export function clash(first: Product, second: Product): Message | undefined {
  return stops.find(({ pair: [a, b] }) => (first.class === a && second.class === b) || (first.class === b && second.class === a))?.because
}

/**
 * Why `second` must not follow `first` on the same part without clear water between, or undefined where there was a rinse:
 * two that clash are stopped by their own reason, any other two because nobody knows what they make together.
 */
export function unrinsedClash(first: Product, second: Product, rinsedBetween: boolean): Message | undefined {
  if (first.id === second.id) return undefined
  const because = clash(first, second)
  if (because) return says('products.unrinsedClash.even-after-rinse-same', { because })
  return rinsedBetween ? undefined : says('products.unrinsedClash.two-agents-one-part')
}

/** Every clash among products carried together, as sentences naming both. */
export function clashesAmong(products: readonly Product[]): Message[] {
  return products.flatMap((first, index) =>
    products.slice(index + 1).flatMap((second) => {
      const because = clash(first, second)
      return because ? [says('products.clashesAmong.both-van', { first: first.name, second: second.name, because })] : []
    }),
  )
}
