// What is taken for granted about a unit whose traits were not noted? Always the cautious side, and always said.
import { airflowPerKwM3h } from '../air/index.ts'
import { estimate } from '../quantities/index.ts'
import type { Design, Trait } from './design.ts'
import { familyNames, type Family } from './family.ts'
import { traitsOf } from './traits.ts'

/** Traits that always have a value once a design is known; the others stay open where nobody noted them. */
type Open = 'nameplateAmps' | 'volts' | 'faceWidthMm' | 'faceSlantMm'
type Always = Exclude<Trait, Open>

/** A design in which every trait that is asked for has a value. */
export type KnownDesign = Pick<Design, Open> & Required<Pick<Design, Always>>

interface Default<T extends Trait> {
  value: Required<Design>[T]
  /** How it is said under the plan's warnings; undefined where the default changes nothing that hurts. */
  said?: string
}
type Defaults = { [T in Always]: Default<T> }

/** Electric power per kW of cooling. */
const powerPerKwW = estimate(300, 'W per kW of rated cooling')
/** Rated cooling of the smallest common unit of each family. */
const smallKw: Record<Family, ReturnType<typeof estimate>> = {
  'wall-head': estimate(2.5, 'kW'),
  'ceiling-cassette': estimate(5, 'kW'),
  window: estimate(1.8, 'kW'),
  'through-wall': estimate(2.1, 'kW'),
  'rv-rooftop': estimate(3.4, 'kW'),
}
/** Weight taken where nobody noted it: two people carry. */
const heavyKg = { window: estimate(38, 'kg'), 'through-wall': estimate(46, 'kg') }

/** Where a family's own table says nothing else. Traits that a family does not have stand at "no" or nothing. */
const common: Defaults = {
  ratedCoolingKw: { value: 0 },
  ratedAirflowM3h: { value: 0 },
  ratedPowerW: { value: 0 },
  aboveFloorM: { value: 0 },
  below: { value: 'electronics', said: 'what stands below not noted: something that must not get wet taken' },
  finCoating: { value: 'epoxy', said: 'fin coating not noted: a coated coil taken, neutral agents only' },
  refrigerantSafety: { value: 'A3', said: 'refrigerant not noted: a flammable one taken' },
  drain: { value: 'gravity' },
  filter: { value: 'washable' },
  fineFilter: { value: false },
  coverScrews: { value: 3 },
  ceilingGapCm: { value: 100 },
  wheelRemovable: { value: false, said: 'not noted whether the wheel comes out: taken as fixed' },
  coilLiftable: { value: false },
  panRemovable: { value: false, said: 'not noted whether the pan comes off: taken as fixed' },
  quickAccessOutlet: { value: false },
  boardRemovable: { value: false },
  boardBlocksPan: { value: false },
  roomSensor: { value: false },
  ways: { value: 4 },
  drainPlug: { value: false },
  weightKg: { value: 0.1 },
  removable: { value: false },
  slideOut: { value: false },
  foamAirGuide: { value: false },
  storey: { value: 1 },
  heaterKw: { value: 0 },
  hardWired: { value: false },
  sleeveDrain: { value: false },
  iceProbe: { value: false },
  wheelReachable: { value: true },
  roof: { value: 'membrane' },
  ducted: { value: false },
  batteryControl: { value: false },
  heatsOnly: { value: false },
}

const screws = (value: number): Default<'coverScrews'> => ({
  value,
  said: `number of cover screws not noted: ${value} taken; count them as they come out`,
})
const upstairs: Default<'storey'> = { value: 1, said: 'storey not noted: above ground taken, so nobody works from outside' }

const own: Record<Family, Partial<Defaults>> = {
  'wall-head': {
    aboveFloorM: { value: 2.4, said: 'height not noted: ladder work taken' },
    coverScrews: screws(3),
    ceilingGapCm: { value: 5 },
  },
  'ceiling-cassette': {
    aboveFloorM: { value: 2.7, said: 'height not noted: ladder work taken' },
    coverScrews: screws(4),
    drain: { value: 'pump', said: 'drain not noted: a lift pump taken, and tested' },
    wheelRemovable: { value: true, said: 'not noted whether the wheel comes off: taken as coming off, since it hangs on nut and washer' },
    panRemovable: { value: true, said: 'not noted whether the pan comes down: taken as coming down, as the pan of a cassette does' },
    ways: { value: 4, said: 'number of outlets not noted: 4 taken; count the louvre plugs' },
    drainPlug: { value: true, said: 'drain plug not noted: one is looked for before anything comes down' },
  },
  window: {
    aboveFloorM: { value: 0.9 },
    coverScrews: screws(6),
    weightKg: { value: heavyKg.window.value, said: `weight not noted: ${heavyKg.window.value} kg taken, two people carry it` },
    removable: { value: false, said: 'not noted whether it comes out safely: it is cleaned where it sits' },
    foamAirGuide: { value: true, said: 'foam air guide not noted: one is looked for' },
    storey: upstairs,
  },
  'through-wall': {
    aboveFloorM: { value: 0.2 },
    below: { value: 'clear' },
    coverScrews: screws(4),
    weightKg: {
      value: heavyKg['through-wall'].value,
      said: `weight not noted: ${heavyKg['through-wall'].value} kg taken, two people carry it`,
    },
    removable: { value: true, said: 'not noted whether the chassis slides out: taken as sliding, try it before the visit' },
    slideOut: { value: true },
    storey: upstairs,
    heaterKw: { value: 3, said: 'heater not noted: one of 3 kW taken; nothing wet goes near it' },
    hardWired: { value: false, said: 'not noted whether it is hard-wired: a plug taken; without one an electrician parts it' },
  },
  'rv-rooftop': {
    below: { value: 'bed' },
    coverScrews: screws(8),
    wheelReachable: { value: false, said: 'not noted whether the wheel is reached: taken as out of reach' },
    wheelRemovable: { value: false, said: 'not noted whether the wheel comes out: taken as fixed, since it would mean pulling the motor' },
    iceProbe: { value: true, said: 'ice-guard probe not noted: one is looked for between the fins' },
    roof: { value: 'membrane', said: 'roof not noted: a membrane taken, which an edge punctures' },
    batteryControl: {
      value: true,
      said: 'batteryControl not noted (allowed: true or false): true taken; the 12 V battery is parted either way, negative lead first',
    },
  },
}

const tables = new Map<Family, Defaults>()
/** Defaults of a family: the common ones under its own. */
function defaultsOf(family: Family): Defaults {
  const made = tables.get(family) ?? {
    ...common,
    ratedCoolingKw: { value: smallKw[family].value, said: `rated cooling not noted: ${smallKw[family].value} kW taken` },
    ...own[family],
  }
  tables.set(family, made)
  return made
}

/** The design with every trait known, and a sentence for each default that was assumed and each trait that was set aside. */
export function knownDesign(family: Family, design: Design): { design: KnownDesign; assumed: string[]; isNoted: (trait: Trait) => boolean } {
  const assumed: string[] = []
  const known: Record<string, unknown> = {}
  for (const [trait, value] of Object.entries(design)) {
    if (value === undefined) continue
    if (traitsOf[family].includes(trait as Trait)) known[trait] = value
    else assumed.push(`design.${trait}: ${String(value)} is noted, but a ${familyNames[family]} has no such trait: set aside`)
  }
  // A wheel known to come out of a wall head comes out past a lifted coil end, so the one trait tells the other.
  if (family === 'wall-head' && known.wheelRemovable === true && known.coilLiftable === undefined) {
    known.coilLiftable = true
    assumed.push('not noted whether the coil may be lifted: taken as liftable by a finger, since the wheel comes out')
  }
  for (const [trait, { value, said }] of Object.entries(defaultsOf(family))) {
    if (known[trait] !== undefined) continue
    known[trait] = value
    if (said && traitsOf[family].includes(trait as Trait)) assumed.push(said)
  }
  const filled = known as unknown as KnownDesign
  const isNoted = (trait: Trait) => design[trait] !== undefined && traitsOf[family].includes(trait)
  if (!filled.ratedAirflowM3h) filled.ratedAirflowM3h = airflowPerKwM3h.value * filled.ratedCoolingKw
  if (!filled.ratedPowerW) filled.ratedPowerW = powerPerKwW.value * filled.ratedCoolingKw
  return { design: filled, assumed, isNoted }
}

/** Whether the blower wheel of this design comes out at all; out of a wall head only past a coil that may be lifted. */
export const wheelComesOut = (family: Family, { wheelRemovable, coilLiftable }: KnownDesign): boolean =>
  wheelRemovable && (family !== 'wall-head' || coilLiftable)
