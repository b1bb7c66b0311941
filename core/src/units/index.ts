// Units: families, traits, parts, and what holds what.
export { coilAreaM2 } from './coilArea.ts'
export { componentName, fastenerName, type Component, type Fasteners } from './component.ts'
export { knownDesign, wheelComesOut, type KnownDesign } from './defaults.ts'
export { designSchema, type Design, type Trait } from './design.ts'
export {
  families,
  hasDrainLine,
  hasLiftPump,
  holdsWater,
  partsToSee,
  familyName,
  familyNames,
  familySchema,
  isCarried,
  isOnRoof,
  isSplit,
  partName,
  partNames,
  parts,
  partSchema,
  partsOf,
  type Family,
  type Part,
} from './family.ts'
export { componentsOf, stripOrder } from './partGraph.ts'
export { closedOff, isReached, openings, type Touch } from './reach.ts'
export { traitsOf } from './traits.ts'
export { electricLoad, type ElectricLoad, type Supply } from './electricLoad.ts'
export { pipeBehind, sharpFins, storedCharge } from './graphs/common.ts'
