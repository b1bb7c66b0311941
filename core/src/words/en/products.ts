// What does a label forbid, and what must never meet?
import { text, type Message } from '../message.ts'
import type { Of } from '../quantity.ts'

export const products = {
  'products.reasonsAgainst.text': text<{ name: string; because: Message }>('{name}: {because}'),
  'products.reasonsAgainst.never-goes-side-whose': text<{ product: Message }>('{product} never goes on the side whose air people breathe'),
  'products.reasonsAgainst.never-goes-fins': text<{ product: Message }>('{product} never goes on fins'),
  'products.reasonsAgainst.label-does-allow-indoor': 'the label does not allow indoor use',
  'products.reasonsAgainst.label-asks-rinse-none': 'the label asks for a rinse, and there is none',
  'products.reasonsAgainst.label-does-allow-aluminium': 'the label does not allow aluminium',
  'products.reasonsAgainst.label-does-allow-coated': 'the label does not allow coated fins',
  'products.reasonsAgainst.ph-side-whose-air': text<{ from: Of<'n'>; to: Of<'n'>; least: Of<'n'>; most: Of<'n'> }>(
    'pH {from} to {to}: only pH {least} to {most} where people breathe the air',
  ),
  'products.reasonsAgainst.ph-coated-corroded-fins': text<{ least: Of<'n'>; most: Of<'n'> }>('only pH {least} to {most} on coated or corroded fins'),
  'products.reasonsAgainst.label-does-allow-food': 'the label does not allow food areas',
  'products.reasonsAgainst.fragranced-people-here-sensitive': 'it has a scent, and sensitive people live here',
  'products.reasonsAgainst.house-rules-keep-trade': 'house rules: trade products only',
  'products.reasonsAgainst.household-detergent-must-keep': 'a household detergent must keep to pH 6 to 9',
  'products.reasonsAgainst.none-stock': 'out of stock',
  'products.pickProduct.van': text<{ product: Message }>('no {product} in the van'),
  'products.stops.chlorine-acid-gives-off': 'chlorine and acid make chlorine gas: stop',
  'products.stops.chlorine-amines-antimicrobial-gives': 'chlorine and the amines in an antimicrobial make chloramines: stop',
  'products.stops.acid-alkali-react-heat': 'acid and alkali heat up and spatter: stop',
  'products.unrinsedClash.even-after-rinse-same': text<{ because: Message }>('{because}; not even with a rinse between on the same day'),
  'products.unrinsedClash.two-agents-one-part': 'two products on one part without a rinse between: stop, rinse until it runs clear',
  'products.clashesAmong.both-van': text<{ first: string; second: string; because: Message }>('{first} and {second} are both in the van: {because}'),
}
