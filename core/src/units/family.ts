// Which kinds of indoor heads are there, and which parts of each get a grade?
import { z } from 'zod'
import { names } from '../words/en/names.ts'
import { namesOf } from '../words/en/namesOf.ts'
import { says, type Message } from '../words/index.ts'

export const families = ['wall-head', 'ceiling-cassette', 'window', 'through-wall', 'rv-rooftop'] as const
export const familySchema = /* @__PURE__ */ z.literal(families)
export type Family = z.infer<typeof familySchema>

export const familyName = (family: Family): Message => says(`names.family.${family}`)
export const familyNames: Record<Family, string> = /* @__PURE__ */ namesOf(names, 'family', families)

export const parts = [
  'filter',
  'coilFace',
  'coilBack',
  'wheel',
  'pan',
  'drainLine',
  'outlet',
  'housing',
  'condenserFace',
  'condenserInside',
  'rearFan',
  'basePan',
] as const
export const partSchema = /* @__PURE__ */ z.literal(parts)
export type Part = z.infer<typeof partSchema>

export const partName = (part: Part): Message => says(`names.part.${part}`)
export const partNames: Record<Part, string> = /* @__PURE__ */ namesOf(names, 'part', parts)

const breathedAirParts = ['filter', 'coilFace', 'coilBack', 'wheel', 'pan', 'drainLine', 'outlet', 'housing'] as const
const outdoorSideParts = ['condenserFace', 'condenserInside', 'rearFan', 'basePan'] as const
const oneBox: readonly Part[] = [...breathedAirParts, ...outdoorSideParts]

/** Parts that each family has, in the order in which one looks at them. */
export const partsOf: Record<Family, readonly Part[]> = {
  'wall-head': breathedAirParts,
  'ceiling-cassette': breathedAirParts,
  window: oneBox,
  'through-wall': oneBox,
  'rv-rooftop': oneBox,
}

/** Whether its water leaves by a line of its own; else through a base pan, or over a roof's gutter. */
export const hasDrainLine = (family: Family, { sleeveDrain = false }: { sleeveDrain?: boolean }): boolean =>
  isSplit(family) || (isCarried(family) && sleeveDrain)

/** Whether it holds water by design, for its rear fan to sling: nothing runs off that could be timed. */
export const holdsWater = (family: Family, { sleeveDrain = false }: { sleeveDrain?: boolean }): boolean =>
  family === 'window' || (family === 'through-wall' && !sleeveDrain)

/** Whether a pump lifts its water to the drain line: nothing runs off while it has no power. */
export const hasLiftPump = (family: Family, { drain }: { drain: 'gravity' | 'pump' }): boolean => family === 'ceiling-cassette' && drain === 'pump'

/** Parts that one looks at on a unit of this design: no line is asked for where there is none. */
export const partsToSee = (family: Family, design: { sleeveDrain?: boolean }): readonly Part[] =>
  hasDrainLine(family, design) ? partsOf[family] : partsOf[family].filter((part) => part !== 'drainLine')

/** Hangs on refrigerant pipes, its condenser elsewhere: it cannot be carried anywhere. */
export const isSplit = (family: Family): boolean => !partsOf[family].includes('condenserFace')
/** Sits in a window or a wall sleeve, and may be carried or drawn out. */
export const isCarried = (family: Family): boolean => family === 'window' || family === 'through-wall'
/** Is worked on from a roof. */
export const isOnRoof = (family: Family): boolean => family === 'rv-rooftop'
