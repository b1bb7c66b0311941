// What is a step of the work?
import { z } from 'zod'
import { closed } from '../schemas/index.ts'
import { partSchema } from '../units/index.ts'
import { says, sentenceSchema, type Message } from '../words/index.ts'

export const phases = [
  'call',
  'look-over',
  'method',
  'isolate',
  'protect',
  'strip',
  'dry-clean',
  'apply',
  'dwell',
  'rinse',
  'wheel',
  'pan-and-drain',
  'dry',
  'rebuild',
  'prove',
  'hand-over',
  'upkeep',
] as const
export const phaseSchema = z.literal(phases)
export type Phase = (typeof phases)[number]

export const skills = ['wheel-removal', 'roof', 'electrics'] as const
export type Skill = (typeof skills)[number]
export const skillName = (skill: Skill): Message => says(`names.skill.${skill}`)

/** Work besides the unit's own cleaning that is offered and priced by itself. */
export const extras = ['outdoor-unit'] as const
export type Extra = (typeof extras)[number]

/** Who may end a wait before its least: whoever says by name that it is dry to the touch, or the owner alone, in writing. */
export const earlyEnds = ['dry-to-the-touch', 'owner'] as const
/** What a step is done by, where ticking it would prove nothing. */
export const doings = ['before-readings', 'after-readings', 'hand-over'] as const

export const stepSchema = closed({
  /** Unique in the unit. */
  id: z.string().max(80),
  phase: phaseSchema,
  title: sentenceSchema(300),
  /** The stage of the run that it belongs to; steps of earlier versions have none. */
  stage: sentenceSchema(60).optional(),
  /** How it is done, where the title is not enough. */
  how: sentenceSchema(600).optional(),
  part: partSchema.optional(),
  /** Hands-on minutes, as they usually are. */
  handsMin: z.number(),
  /** One in ten takes less, one in ten takes more. */
  lowMin: z.number().optional(),
  highMin: z.number().optional(),
  /** The start value, where the firm's own runs have corrected it. */
  startMin: z.number().optional(),
  /** Minutes that must, and may at most, pass after the hands-on part. */
  wait: closed({ leastMin: z.number(), mostMin: z.number().optional(), for: sentenceSchema(200) }).optional(),
  /** Steps of this unit that must have ended, their wait included. */
  after: z.array(z.string()),
  people: z.int(),
  equipment: z.array(z.string()),
  /** What of it stays in use until another step has ended, as a bag that hangs until it is taken down. */
  holds: closed({ equipment: z.array(z.string()), until: z.string().max(80) }).optional(),
  /** What is lost where it is left out; only steps that have this may be. */
  optional: sentenceSchema(200).optional(),
  /** Somebody trained for this has to do it. */
  skill: z.literal(skills).optional(),
  /** And besides for this: on a roof whatever else it asks for. */
  alsoSkill: z.literal(skills).optional(),
  /** What each of its people has to be able to lift, kg. */
  liftKg: z.number().optional(),
  mayEndEarly: z.literal(earlyEnds).optional(),
  doneBy: z.literal(doings).optional(),
  /** What to do where it does not come off. */
  stuck: sentenceSchema(600).optional(),
  /** What must be confirmed before it counts as done. */
  gate: sentenceSchema(600).optional(),
  /** Whether tray and fastener ledger must balance before it. */
  needsLedger: z.boolean().optional(),
  takesOff: z.string().optional(),
  putsBack: z.string().optional(),
  /** Place in the parts tray of what is taken off or put back. */
  slot: sentenceSchema(200).optional(),
  fasteners: z.array(closed({ kind: z.string(), count: z.int() })).optional(),
  /** What is used of which product, litres before it is thinned. */
  uses: z.array(closed({ productId: z.string(), name: z.string(), litres: z.number() })).optional(),
  photo: sentenceSchema(300).optional(),
  /** Whether the photograph is taken, or left out with a reason, before the step counts as done. */
  needsPhoto: z.boolean().optional(),
  cautions: z.array(sentenceSchema(600)),
  /** Wants its unit's supply on: not between its isolation and its power-on. */
  powered: z.boolean().optional(),
  /** Of a step of the visit: the units it serves, and what each of them but the first adds to it, minutes. */
  unitIds: z.array(z.string().max(80)).optional(),
  furtherMin: z.number().optional(),
})
export type Step = z.infer<typeof stepSchema>

/** Whether somebody may do a step: has every training that it asks for, and may lift a share of what is carried. */
export const mayDo = (
  { skill, alsoSkill, liftKg = 0 }: Pick<Step, 'skill' | 'alsoSkill' | 'liftKg'>,
  person: { trained?: readonly string[]; liftKg?: number },
): boolean =>
  [skill, alsoSkill].every((needed) => needed === undefined || (person.trained ?? []).includes(needed)) && (person.liftKg ?? Infinity) >= liftKg
