// Products: classes, label limits, clashes, mixing; and the van's equipment.
export { builtInProducts } from './builtIn.ts'
export { clash, clashesAmong, unrinsedClash } from './clashes.ts'
export {
  builtInVan,
  equipmentKinds,
  equipmentName,
  equipmentSchema,
  usualStandKg,
  findEquipment,
  servesAll,
  piecesIn,
  type Equipment,
  type EquipmentKind,
} from './equipment.ts'
export { dilutionFor, doseOf, mix, type Mix } from './mix.ts'
export { className, productClasses, productSchema, treatmentForms, type Label, type Product, type ProductClass } from './product.ts'
export { pickProduct, reasonsAgainst, type Picked, type UseConditions, type UseWay } from './suitability.ts'
export { isPast, purchaseOf, purchaseWeeks, takeFrom, usableLitres, type Lot, type Purchase } from './stock.ts'
