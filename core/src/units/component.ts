// What comes off a unit, what holds it, and how does it go back?
import type { StartValue } from '../quantities/index.ts'
import type { Part } from './family.ts'
import type { KnownDesign } from './defaults.ts'
import { nameOf, type Message } from '../words/index.ts'

export interface Fasteners {
  readonly kind: string
  readonly count: number
}

/** Something that comes off: a node of the family's part graph. */
export interface Component {
  readonly id: string
  readonly name: string
  /** The graded part that comes out with it. */
  readonly part?: Part
  /** Components that sit in front of it: they come off before and go back after. */
  readonly behind: readonly string[]
  /** Whether a unit of this design has it at all. */
  readonly fitted: (design: KnownDesign) => boolean
  readonly fasteners: (design: KnownDesign) => readonly Fasteners[]
  /** Place in the parts tray. */
  readonly slot: Message
  readonly offMin: StartValue
  readonly onMin: StartValue
  readonly takeOff: Message
  /** The same, and where it lies, where it is slid out onto a stand instead of carried away. */
  readonly takeOffOnStand?: Message
  readonly slotOnStand?: Message
  readonly putBack: Message
  /** The same where it is renewed instead of washed: a filter that is thrown away. */
  readonly putBackRenewed?: Message
  /** What to photograph before it comes off. */
  readonly photo?: Message
  /** What must be confirmed before it counts as back. */
  readonly seatGate?: Message
  readonly cautions: readonly Message[]
  readonly skill?: 'wheel-removal' | 'roof' | 'electrics'
  /** Closes the unit: whatever has to be proved with the unit open comes before it goes back. */
  readonly closes?: boolean
  /** Out of reach from the floor where the unit hangs high. */
  readonly ladder?: boolean
  /** Held by a set screw that is loosened and never taken out. */
  readonly setScrew?: boolean
  /** As heavy as the unit itself: people by weight. */
  readonly carried?: boolean
  /** Comes out before stripping begins, although nothing rests on it (a drain plug). */
  readonly first?: boolean
  /** The same where nothing electrical may be opened, since nobody proves it dead: it stays on its leads. */
  readonly onItsLeads?: Partial<Pick<Component, 'takeOff' | 'putBack' | 'slot' | 'fasteners' | 'photo' | 'seatGate' | 'cautions'>>
  /** Goes back last of what sits inside, after the drain is proved and right before the unit is closed (a probe). */
  readonly last?: boolean
}

/** How a component, and a kind of fastener, is called: both go by their English names in plans and logs. */
export const componentName = (name: string): Message => nameOf('component', name)
export const fastenerName = (kind: string): Message => nameOf('fastener', kind)
