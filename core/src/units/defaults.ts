// What is taken for granted about a unit whose traits were not noted? Always the cautious side, and always said.
import { airflowPerKwM3h } from '../air/index.ts'
import { estimate } from '../quantities/index.ts'
import type { Design, Trait } from './design.ts'
import type { Family } from './family.ts'

/** Traits that rules and steps of every family may ask for. */
type Always =
  | 'ratedCoolingKw'
  | 'ratedAirflowM3h'
  | 'ratedPowerW'
  | 'aboveFloorM'
  | 'below'
  | 'finCoating'
  | 'drain'
  | 'filter'
  | 'fineFilter'
  | 'wheelRemovable'
  | 'coilLiftable'
  | 'panRemovable'
  | 'quickAccessOutlet'
  | 'boardRemovable'
  | 'boardBlocksPan'
  | 'roomSensor'
  | 'ceilingGapCm'
  | 'coverScrews'
  | 'refrigerantSafety'

/** A design in which every trait that is asked for has a value. */
export type KnownDesign = Design & Required<Pick<Design, Always>>

/** Rated cooling of the smallest common wall head. */
const smallHeadKw = estimate(2.5, 'kW')
/** Electric power per kW of cooling. */
const powerPerKwW = estimate(300, 'W per kW of rated cooling')

interface Default<T extends Trait> {
  value: Required<Design>[T]
  /** How it is said under the plan's warnings; undefined where the default changes nothing that hurts. */
  said?: string
}
type Defaults = { [T in Always]: Default<T> }

const wallHead: Defaults = {
  ratedCoolingKw: { value: smallHeadKw.value, said: `rated cooling not noted: ${smallHeadKw.value} kW taken` },
  ratedAirflowM3h: { value: 0 },
  ratedPowerW: { value: 0 },
  aboveFloorM: { value: 2.4, said: 'height not noted: ladder work taken' },
  below: { value: 'electronics', said: 'what stands below not noted: something that must not get wet taken' },
  finCoating: { value: 'epoxy', said: 'fin coating not noted: a coated coil taken, neutral agents only' },
  refrigerantSafety: { value: 'A3', said: 'refrigerant not noted: a flammable one taken' },
  drain: { value: 'gravity' },
  filter: { value: 'washable' },
  fineFilter: { value: false },
  coverScrews: { value: 3, said: 'number of cover screws not noted: 3 taken; count them as they come out' },
  ceilingGapCm: { value: 5 },
  wheelRemovable: { value: false, said: 'not noted whether the wheel comes out: taken as fixed' },
  coilLiftable: { value: false },
  panRemovable: { value: false, said: 'not noted whether the pan comes off: taken as fixed' },
  quickAccessOutlet: { value: false },
  boardRemovable: { value: false },
  boardBlocksPan: { value: false },
  roomSensor: { value: false },
}

const defaultsOf: Partial<Record<Family, Defaults>> = { 'wall-head': wallHead }

/** Which families the core can plan for. */
export const plannedFamilies = Object.keys(defaultsOf) as Family[]

/**
 * The design with every trait known, and a sentence for each default that was assumed.
 * @throws Error for a family without defaults; callers check `plannedFamilies` first.
 */
export function knownDesign(family: Family, design: Design): { design: KnownDesign; assumed: string[] } {
  const defaults = defaultsOf[family]
  if (!defaults) throw new Error(`no defaults for family ${family}`)
  const assumed: string[] = []
  const known: Record<string, unknown> = { ...design }
  // A wheel known to come out of a wall head comes out past a lifted coil end, so the one trait tells the other.
  if (design.wheelRemovable && design.coilLiftable === undefined) {
    known.coilLiftable = true
    assumed.push('not noted whether the coil may be lifted: taken as liftable by a finger, since the wheel comes out')
  }
  for (const [trait, { value, said }] of Object.entries(defaults)) {
    if (known[trait] !== undefined) continue
    known[trait] = value
    if (said) assumed.push(said)
  }
  const filled = known as KnownDesign
  if (!filled.ratedAirflowM3h) filled.ratedAirflowM3h = airflowPerKwM3h.value * filled.ratedCoolingKw
  if (!filled.ratedPowerW) filled.ratedPowerW = powerPerKwW.value * filled.ratedCoolingKw
  return { design: filled, assumed }
}
