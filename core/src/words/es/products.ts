// What does a label forbid, and what must never meet?
import type { products as english } from '../en/products.ts'

export const products: Record<keyof typeof english, string> = {
  'products.reasonsAgainst.text': '{name}: {because}',
  'products.reasonsAgainst.never-goes-side-whose': '{product}: nunca en el lado cuyo aire se respira',
  'products.reasonsAgainst.never-goes-fins': '{product}: nunca en las aletas',
  'products.reasonsAgainst.label-does-allow-indoor': 'la etiqueta no permite el uso en interiores',
  'products.reasonsAgainst.label-asks-rinse-none': 'la etiqueta pide enjuague, y no lo hay',
  'products.reasonsAgainst.label-does-allow-aluminium': 'la etiqueta no permite aluminio',
  'products.reasonsAgainst.label-does-allow-coated': 'la etiqueta no permite aletas recubiertas',
  'products.reasonsAgainst.ph-side-whose-air': 'pH {from} a {to}: solo pH {least} a {most} donde la gente respira el aire',
  'products.reasonsAgainst.ph-coated-corroded-fins': 'solo pH {least} a {most} en aletas recubiertas o corroídas',
  'products.reasonsAgainst.label-does-allow-food': 'la etiqueta no permite áreas de alimentos',
  'products.reasonsAgainst.fragranced-people-here-sensitive': 'tiene perfume, y aquí hay personas sensibles',
  'products.reasonsAgainst.house-rules-keep-trade': 'reglas de la casa: solo productos del oficio',
  'products.reasonsAgainst.household-detergent-must-keep': 'un detergente doméstico debe mantenerse entre pH 6 y 9',
  'products.reasonsAgainst.none-stock': 'no queda nada',
  'products.pickProduct.van': 'no hay {product} en la camioneta',
  'products.stops.chlorine-acid-gives-off': 'cloro y ácido producen gas cloro: alto',
  'products.stops.chlorine-amines-antimicrobial-gives': 'cloro y las aminas de un antimicrobiano producen cloraminas: alto',
  'products.stops.acid-alkali-react-heat': 'ácido y álcali se calientan y salpican: alto',
  'products.unrinsedClash.even-after-rinse-same': '{because}; ni con un enjuague de por medio el mismo día',
  'products.unrinsedClash.two-agents-one-part': 'dos productos en una parte sin enjuague de por medio: alto, enjuague hasta que salga clara',
  'products.clashesAmong.both-van': '{first} y {second} van los dos en la camioneta: {because}',
}
