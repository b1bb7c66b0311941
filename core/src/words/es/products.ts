// What does a label forbid, and what must never meet?
import type { products as english } from '../en/products.ts'

export const products: Record<keyof typeof english, string> = {
  'products.reasonsAgainst.text': '{name}: {because}',
  'products.reasonsAgainst.never-goes-side-whose': '{product}: nunca va en el lado cuyo aire se respira',
  'products.reasonsAgainst.never-goes-fins': '{product}: nunca va en las aletas',
  'products.reasonsAgainst.label-does-allow-indoor': 'su etiqueta no permite el uso en interiores',
  'products.reasonsAgainst.label-asks-rinse-none': 'su etiqueta pide un enjuague, y no lo hay',
  'products.reasonsAgainst.label-does-allow-aluminium': 'su etiqueta no permite aluminio',
  'products.reasonsAgainst.label-does-allow-coated': 'su etiqueta no permite aletas recubiertas',
  'products.reasonsAgainst.ph-side-whose-air':
    'pH {from} a {to}: en el lado cuyo aire se respira nada por debajo de pH {least} ni por encima de {most}',
  'products.reasonsAgainst.ph-coated-corroded-fins': 'solo pH {least} a {most} en aletas recubiertas o corroídas',
  'products.reasonsAgainst.label-does-allow-food': 'su etiqueta no permite áreas de alimentos',
  'products.reasonsAgainst.fragranced-people-here-sensitive': 'tiene perfume, y aquí hay personas sensibles',
  'products.reasonsAgainst.house-rules-keep-trade': 'las reglas de la casa se quedan con los productos del oficio',
  'products.reasonsAgainst.household-detergent-must-keep': 'un detergente doméstico debe mantenerse entre pH 6 y 9',
  'products.reasonsAgainst.none-stock': 'no queda nada',
  'products.pickProduct.van': 'no hay {product} en la camioneta',
  'products.stops.chlorine-acid-gives-off': 'cloro con ácido suelta gas cloro: alto',
  'products.stops.chlorine-amines-antimicrobial-gives': 'cloro con las aminas de un antimicrobiano suelta cloraminas: alto',
  'products.stops.acid-alkali-react-heat': 'ácido y álcali reaccionan con calor y salpican: alto',
  'products.unrinsedClash.even-after-rinse-same': '{because}; ni siquiera después de un enjuague el mismo día',
  'products.unrinsedClash.two-agents-one-part': 'dos productos en una parte sin enjuague entre ellos: alto, enjuague hasta que escurra claro',
  'products.clashesAmong.both-van': '{first} y {second} van los dos en la camioneta: {because}',
}
