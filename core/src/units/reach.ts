// What of a unit is reached, and with what of it open? Whatever is not reached is neither cleaned, filled nor tested.
import type { KnownDesign } from './defaults.ts'
import type { Family, Part } from './family.ts'

/** How a part is touched: misted, brushed or washed from a distance, or by hands, a cloth or a cup of water. */
export type Touch = 'spray' | 'hands'

/** One way to a part: what has to be off for it, and on which designs it is one. */
interface Way {
  readonly off: readonly string[]
  readonly on?: (design: KnownDesign) => boolean
}
type Ways = Readonly<Partial<Record<Part, Readonly<Partial<Record<Touch, readonly Way[]>>>>>>

const off = (...components: string[]): Way => ({ off: components })
const open: Readonly<Record<Touch, readonly Way[]>> = { spray: [off()], hands: [off()] }
const either = (...ways: Way[]): Readonly<Record<Touch, readonly Way[]>> => ({ spray: ways, hands: ways })

/** On designs that let one reach in through the outlet, once the louvres are out. */
const throughOutlet: Way = { off: ['louvres'], on: ({ quickAccessOutlet }) => quickAccessOutlet }
/** From the ground outside, through the grille of the outdoor side. */
const fromGround: Way = { off: [], on: ({ storey }) => storey === 0 }

const seen: Ways = { filter: open, outlet: open, housing: open }
const oneBox: Ways = {
  ...seen,
  coilFace: { spray: [off('filters')], hands: [off('front')] },
  coilBack: either(off('cover')),
  wheel: either(off('cover')),
  pan: either(off('front')),
  drainLine: either(off('front')),
  condenserFace: either(off('chassis'), fromGround),
  condenserInside: either(off('cover')),
  rearFan: either(off('cover')),
  basePan: either(off('cover')),
}

/** The ways to each graded part. A part that is not named is reached by none. */
const waysTo: Readonly<Record<Family, Ways>> = {
  'wall-head': {
    ...seen,
    coilFace: { spray: [off('filters')], hands: [off('cover')] },
    coilBack: either(off('pan'), off('wheel')),
    wheel: either(off('cover'), throughOutlet),
    pan: either(off('cover'), throughOutlet),
    drainLine: either(off('cover'), throughOutlet),
  },
  'ceiling-cassette': {
    ...seen,
    coilFace: { spray: [off('filters')], hands: [off('bell-mouth')] },
    coilBack: either(off('pan'), off('wheel')),
    wheel: either(off('bell-mouth')),
    pan: either(off('cover')),
    drainLine: either(off('cover')),
  },
  window: oneBox,
  'through-wall': oneBox,
  'rv-rooftop': {
    ...seen,
    coilFace: either(off('cover')),
    coilBack: either(off('cover')),
    wheel: either({ off: ['cover'], on: ({ wheelReachable }) => wheelReachable }, off('wheel')),
    pan: either(off('cover')),
    condenserFace: either(off('shroud')),
    condenserInside: either(off('shroud')),
    rearFan: either(off('shroud')),
    basePan: either(off('shroud')),
  },
}

/** Whether a part is reached so with these components off. What is not fitted, or missing, counts as off. */
export const isReached = (family: Family, design: KnownDesign, part: Part, touch: Touch, isOff: (component: string) => boolean): boolean =>
  (waysTo[family][part]?.[touch] ?? []).some((way) => (way.on?.(design) ?? true) && way.off.every(isOff))

/** What is taken off to open a unit, and what more to strip it down (out of its wall, where it is a one-box unit). */
export const openings: Readonly<Record<Family, { readonly open: readonly string[]; readonly strip: readonly string[] }>> = {
  'wall-head': { open: ['cover'], strip: ['coil-thermistor'] },
  'ceiling-cassette': { open: ['drain-plug', 'cover', 'bell-mouth'], strip: ['coil-thermistor'] },
  window: { open: ['front'], strip: ['chassis', 'cover'] },
  'through-wall': { open: ['front'], strip: ['chassis', 'cover'] },
  'rv-rooftop': { open: ['shroud', 'cover', 'ice-probe'], strip: [] },
}
/** What comes off without opening a unit. */
export const closedOff: readonly string[] = ['filters', 'fine-filter', 'louvres']
