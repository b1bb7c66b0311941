// What is taken for granted about a unit whose traits were not noted? Always the cautious side, and always said.
import { airflowPerKwM3h } from '../air/index.ts'
import { estimate } from '../quantities/index.ts'
import type { Design, Trait } from './design.ts'
import { familyName, type Family } from './family.ts'
import { traitsOf } from './traits.ts'
import { says, type Message } from '../words/index.ts'

/** Traits that always have a value once a design is known; the others stay open where nobody noted them. */
type Open = 'nameplateAmps' | 'volts' | 'faceWidthMm' | 'faceSlantMm'
type Always = Exclude<Trait, Open>

/** A design in which every trait that is asked for has a value. */
export type KnownDesign = Pick<Design, Open> & Required<Pick<Design, Always>>

interface Default<T extends Trait> {
  value: Required<Design>[T]
  /** How it is said under the plan's warnings; undefined where the default changes nothing that hurts. */
  said?: Message
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
  below: { value: 'electronics', said: says('units.common.below') },
  finCoating: { value: 'epoxy', said: says('units.common.finCoating') },
  refrigerantSafety: { value: 'A3', said: says('units.common.refrigerantSafety') },
  drain: { value: 'gravity' },
  filter: { value: 'washable' },
  fineFilter: { value: false },
  coverScrews: { value: 3 },
  ceilingGapCm: { value: 100 },
  wheelRemovable: { value: false, said: says('units.common.wheelRemovable') },
  coilLiftable: { value: false },
  panRemovable: { value: false, said: says('units.common.panRemovable') },
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
  said: says('units.screws.number-cover-screws-noted', { count: value }),
})
const upstairs: Default<'storey'> = { value: 1, said: says('units.upstairs.said') }

const own: Record<Family, Partial<Defaults>> = {
  'wall-head': {
    aboveFloorM: { value: 2.4, said: says('units.own.wall-head') },
    coverScrews: screws(3),
    ceilingGapCm: { value: 5 },
  },
  'ceiling-cassette': {
    aboveFloorM: { value: 2.7, said: says('units.own.wall-head') },
    coverScrews: screws(4),
    drain: { value: 'pump', said: says('units.own.ceiling-cassette') },
    wheelRemovable: { value: true, said: says('units.own.ceiling-cassette.noted-whether-wheel-comes') },
    panRemovable: { value: true, said: says('units.own.ceiling-cassette.noted-whether-pan-comes') },
    ways: { value: 4, said: says('units.own.ceiling-cassette.number-outlets-noted-4') },
    drainPlug: { value: true, said: says('units.own.ceiling-cassette.drain-plug-noted-one') },
  },
  window: {
    aboveFloorM: { value: 0.9 },
    coverScrews: screws(6),
    weightKg: { value: heavyKg.window.value, said: says('units.own.window', { weight: { kg: heavyKg.window.value } }) },
    removable: { value: false, said: says('units.own.window.noted-whether-comes-out') },
    foamAirGuide: { value: true, said: says('units.own.window.foam-air-guide-noted') },
    storey: upstairs,
  },
  'through-wall': {
    aboveFloorM: { value: 0.2 },
    below: { value: 'clear' },
    coverScrews: screws(4),
    weightKg: {
      value: heavyKg['through-wall'].value,
      said: says('units.own.through-wall', { weight: { kg: heavyKg['through-wall'].value } }),
    },
    removable: { value: true, said: says('units.own.through-wall.noted-whether-chassis-slides') },
    slideOut: { value: true },
    storey: upstairs,
    heaterKw: { value: 3, said: says('units.own.through-wall.heater-noted-one-3') },
    hardWired: { value: false, said: says('units.own.through-wall.noted-whether-hard-wired') },
  },
  'rv-rooftop': {
    below: { value: 'bed' },
    coverScrews: screws(8),
    wheelReachable: { value: false, said: says('units.own.rv-rooftop') },
    wheelRemovable: { value: false, said: says('units.own.rv-rooftop.noted-whether-wheel-comes') },
    iceProbe: { value: true, said: says('units.own.rv-rooftop.ice-guard-probe-noted') },
    roof: { value: 'membrane', said: says('units.own.rv-rooftop.roof-noted-membrane-taken') },
    batteryControl: {
      value: true,
      said: says('units.own.rv-rooftop.batterycontrol-noted-allowed-true'),
    },
  },
}

const tables = new Map<Family, Defaults>()
/** Defaults of a family: the common ones under its own. */
function defaultsOf(family: Family): Defaults {
  const made = tables.get(family) ?? {
    ...common,
    ratedCoolingKw: {
      value: smallKw[family].value,
      said: says('units.defaultsOf.rated-cooling-noted-taken', { cooling: { Kw: smallKw[family].value } }),
    },
    ...own[family],
  }
  tables.set(family, made)
  return made
}

/** The design with every trait known, and a sentence for each default that was assumed and each trait that was set aside. */
export function knownDesign(family: Family, design: Design): { design: KnownDesign; assumed: Message[]; isNoted: (trait: Trait) => boolean } {
  const assumed: Message[] = []
  const known: Record<string, unknown> = {}
  for (const [trait, value] of Object.entries(design)) {
    if (value === undefined) continue
    if (traitsOf[family].includes(trait as Trait)) known[trait] = value
    else assumed.push(says('units.knownDesign.design-noted-but-such', { trait, noted: String(value), family: familyName(family) }))
  }
  // A wheel known to come out of a wall head comes out past a lifted coil end, so the one trait tells the other.
  if (family === 'wall-head' && known.wheelRemovable === true && known.coilLiftable === undefined) {
    known.coilLiftable = true
    assumed.push(says('units.knownDesign.noted-whether-coil-may'))
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
