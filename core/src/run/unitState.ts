// What is known of a unit under way?
import type { Complaint, Finding, FindingExtent, Grades, PhotoMeasure, Readings } from '../lookover/index.ts'
import type { SchoolName, Topic } from '../method/index.ts'
import type { Extra, Step } from '../procedure/index.ts'
import type { WashPlan } from '../wash/index.ts'
import type { Part } from '../units/index.ts'
import type { Message, Sentence } from '../words/index.ts'
import type { PartNeed, Verdict } from './event.ts'

export interface StepState {
  begunAtMs?: number
  doneAtMs?: number
  /** Who began it. */
  begunBy?: number
  by?: number
  gateConfirmed?: boolean
  /** Its wait was ended before its least, and by whose word. */
  waitEnded?: { by: number; atMs: number; text?: string }
  /** Why the photograph that it asks for was not taken. */
  photoLeftOut?: string
  /** Why it was left out; it counts as done. */
  skippedBecause?: string
  /** Others who did it too, later: the first one counts. */
  alsoBy?: { by: number; atMs: number }[]
  /** Somebody who took their own doing of it back while another one's stands. */
  takenBackBy?: number
}

/** Somebody stopped for a while; open until `toMs` is known. */
export interface Pause {
  by: number
  fromMs: number
  toMs?: number
  because?: string
}

export interface TakenPhoto {
  photoId: string
  stepId?: string
  of?: { part: Part; when: 'before' | 'after' }
  /** Whether it shows the nameplate. */
  plate?: true
  /** What was read off it last. */
  measure?: PhotoMeasure
  by: number
  atMs: number
  eventId: string
}

/** Photographs of the nameplate, in the order in which they were taken. */
export const photosOfPlate = (photos: readonly TakenPhoto[]): TakenPhoto[] => photos.filter(({ plate }) => plate === true)

/** Photographs of a part as it was found, or after the work, in the order in which they were taken. */
export const photosOfPart = (photos: readonly TakenPhoto[], part: Part, when: 'before' | 'after'): TakenPhoto[] =>
  photos.filter(({ of }) => of?.part === part && of.when === when)

/** The owner's written word that fasteners may stay out. */
export interface LedgerException {
  item: string
  kind: string
  short: number
  text: string
  by: number
  atMs: number
}

/** Fasteners of one kind from one step: how many came out, how many are back. */
export interface LedgerEntry {
  kind: string
  takenAt: string
  item: string
  slot: Sentence
  out: number
  in: number
  /** Whether anybody counted what came back: zero is a count too. */
  backCounted?: boolean
}

export interface TrayItem {
  item: string
  slot: Sentence
  stepId: string
  by: number
  atMs: number
}

/** What a unit asked of its visit when its method was agreed on, and whether something was to come off it then that was on. */
export interface Asked {
  atMs: number
  steps: readonly Step[]
  opens: boolean
}

export interface UnitState {
  complaints: Complaint[]
  grades: Grades
  /** As the parts are after the work, where somebody looked. */
  gradesAfter: Grades
  findings: Finding[]
  /** How much of a finding there is, where somebody noted it. */
  findingExtent: FindingExtent
  /** Work besides that was ordered. */
  extras: Extra[]
  readings: { before?: Readings; after?: Readings }
  schools: Partial<Record<SchoolName, string>>
  choices: Partial<Record<Topic, string>>
  /** How somebody wants to wash, where they chose. */
  wash?: WashPlan
  /** The choices that were agreed. */
  agreed: Partial<Record<Topic, string>>
  /** The agreed steps; undefined before the method is agreed. */
  steps?: readonly Step[]
  agreedAtMs?: number
  /** What the unit asks of its visit; and each time that it was agreed on, since a step that is done was done by what held then. */
  visitSteps?: readonly Step[]
  visitAsked: Asked[]
  /** Steps that counted as done from then until something was to come off once more. */
  countedUntil: { stepId: string; doneAtMs: number; untilMs: number }[]
  progress: Record<string, StepState>
  tray: TrayItem[]
  ledger: LedgerEntry[]
  exceptions: LedgerException[]
  /** Whom steps were given to, by user id. */
  given: Record<string, number>
  pauses: Pause[]
  /** Products that were used, litres before they were thinned. */
  used: { stepId: string; productId: string; litres: number; by: number; atMs: number }[]
  photos: TakenPhoto[]
  /** Parts that were changed, or have to be ordered. */
  partsNoted: { item: string; need: PartNeed }[]
  /** Of the visit: who of the crew came when, and went. */
  people: { who: number; cameAtMs: number; wentAtMs?: number }[]
  notes: { text: string; atMs: number; by: number; eventId: string }[]
  signed?: { photoId: string; name: string; atMs: number }
  handedOver?: { verdict: Verdict; atMs: number; by: number; customerText?: string; notReached?: Part[] }
  /** Events that are on record but do not count, and why. */
  held: { eventId: string; because: Message[] }[]
}

export const emptyUnitState = (): UnitState => ({
  complaints: [],
  grades: {},
  gradesAfter: {},
  findings: [],
  findingExtent: {},
  extras: [],
  readings: {},
  schools: {},
  choices: {},
  agreed: {},
  progress: {},
  tray: [],
  ledger: [],
  exceptions: [],
  given: {},
  pauses: [],
  used: [],
  photos: [],
  partsNoted: [],
  visitAsked: [],
  countedUntil: [],
  people: [],
  notes: [],
  held: [],
})
