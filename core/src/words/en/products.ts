// What does a label forbid, and what must never meet?
import { text, type Message } from '../message.ts'
import type { Of } from '../quantity.ts'

export const products = {
  'products.reasonsAgainst.text': text<{ name: string; because: Message }>('{name}: {because}'),
  'products.reasonsAgainst.never-goes-side-whose': text<{ product: Message }>('{product} never goes on the side whose air is breathed'),
  'products.reasonsAgainst.never-goes-fins': text<{ product: Message }>('{product} never goes on fins'),
  'products.reasonsAgainst.label-does-allow-indoor': 'its label does not allow indoor use',
  'products.reasonsAgainst.label-asks-rinse-none': 'its label asks for a rinse, and there is none',
  'products.reasonsAgainst.label-does-allow-aluminium': 'its label does not allow aluminium',
  'products.reasonsAgainst.label-does-allow-coated': 'its label does not allow coated fins',
  'products.reasonsAgainst.ph-side-whose-air': text<{ from: Of<'n'>; to: Of<'n'>; least: Of<'n'>; most: Of<'n'> }>(
    'pH {from} to {to}: on the side whose air is breathed nothing below pH {least} or above {most}',
  ),
  'products.reasonsAgainst.ph-coated-corroded-fins': text<{ least: Of<'n'>; most: Of<'n'> }>('only pH {least} to {most} on coated or corroded fins'),
  'products.reasonsAgainst.label-does-allow-food': 'its label does not allow food areas',
  'products.reasonsAgainst.fragranced-people-here-sensitive': 'it is fragranced, and people here are sensitive',
  'products.reasonsAgainst.house-rules-keep-trade': 'house rules keep to trade agents',
  'products.reasonsAgainst.household-detergent-must-keep': 'a household detergent must keep to pH 6 to 9',
  'products.reasonsAgainst.none-stock': 'none is in stock',
  'products.pickProduct.van': text<{ product: Message }>('no {product} in the van'),
  'products.stops.chlorine-acid-gives-off': 'chlorine with acid gives off chlorine gas: stop',
  'products.stops.chlorine-amines-antimicrobial-gives': 'chlorine with the amines of an antimicrobial gives off chloramines: stop',
  'products.stops.acid-alkali-react-heat': 'acid and alkali react with heat and spatter: stop',
  'products.unrinsedClash.even-after-rinse-same': text<{ because: Message }>('{because}; not even after a rinse on the same day'),
  'products.unrinsedClash.two-agents-one-part': 'two agents on one part without a rinse between: stop, rinse until the run-off is clear',
  'products.clashesAmong.both-van': text<{ first: string; second: string; because: Message }>('{first} and {second} are both in the van: {because}'),
}
