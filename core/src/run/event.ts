// What can happen at a unit? Append-only events with an id made on the device, the device's clock, and who.
import { z } from 'zod'
import { closed } from '../schemas/index.ts'
import { amountUpTo, gradeSchema, identifier, shownName } from '../quantities/index.ts'
import { complaintSchema, extents, findingSchema, photoMeasureSchema, readingsSchema, soilKindSchema } from '../lookover/index.ts'
import { partSchema } from '../units/index.ts'
import { schools, topicSchema, type SchoolName } from '../method/index.ts'
import { extras, stepSchema } from '../procedure/index.ts'
import { washPlanSchema } from '../wash/index.ts'

/** Verdicts of a proof. */
export const verdicts = ['proved', 'partly', 'not-proved'] as const
export type Verdict = (typeof verdicts)[number]

/** What becomes of a part that is worn or broken. */
export const partNeeds = ['changed', 'to-order'] as const
export type PartNeed = (typeof partNeeds)[number]

const unitId = identifier
const stepId = identifier
const present = z.boolean()
const userId = amountUpTo(2 ** 52)
const words = z.string().trim().min(1).max(500)
const schoolNames = Object.keys(schools) as [SchoolName, ...SchoolName[]]

/** What an event says, by type. */
export const happeningSchema = z.discriminatedUnion('type', [
  closed({ type: z.literal('complaint-set'), unitId, complaint: complaintSchema, present }),
  closed({
    type: z.literal('grade-set'),
    unitId,
    part: partSchema,
    grade: gradeSchema.nullable(),
    kinds: z.array(soilKindSchema).max(10),
    /** As it is after the work; without it, as it was found. */
    when: z.literal('after').optional(),
  }),
  closed({ type: z.literal('finding-set'), unitId, finding: findingSchema, present, extent: z.literal(extents).optional() }),
  /** Work besides the unit's own cleaning that the customer ordered, or did not want after all. */
  closed({ type: z.literal('extra-chosen'), unitId, extra: z.literal(extras), present }),
  closed({ type: z.literal('reading-taken'), unitId, when: z.literal(['before', 'after']), readings: readingsSchema }),
  closed({
    type: z.literal('school-chosen'),
    unitId,
    school: z.literal(schoolNames),
    value: z.string().max(40),
    because: z.string().max(500).optional(),
  }),
  closed({
    type: z.literal('choice-made'),
    unitId,
    topic: topicSchema,
    choice: z.string().max(40).nullable(),
    because: z.string().max(500).optional(),
  }),
  /** How somebody wants to wash; `null` is as the plan has it. */
  closed({ type: z.literal('wash-chosen'), unitId, wash: washPlanSchema.nullable() }),
  closed({
    type: z.literal('method-agreed'),
    unitId,
    decisions: z.array(closed({ topic: topicSchema, choice: z.string().max(40), rule: z.string().max(60) })).max(30),
    steps: z.array(stepSchema).min(1).max(120),
    /** What this unit asks of its visit; an earlier version had that among its steps. */
    visitSteps: z.array(stepSchema).max(40).optional(),
  }),
  closed({ type: z.literal('step-begun'), unitId, stepId }),
  /** Who of the crew is to do it, by user id; `null` is whoever is free. */
  closed({ type: z.literal('step-given'), unitId, stepId, to: userId.nullable() }),
  /** Left out on purpose: only steps that the plan calls optional. */
  closed({ type: z.literal('step-skipped'), unitId, stepId, because: words }),
  closed({ type: z.literal('paused'), unitId, because: words.optional() }),
  closed({ type: z.literal('resumed'), unitId }),
  closed({ type: z.literal('gate-confirmed'), unitId, stepId }),
  closed({
    type: z.literal('fasteners-counted'),
    unitId,
    stepId,
    kind: z.string().max(60),
    count: z.int().min(0).max(200),
    direction: z.literal(['out', 'in']),
  }),
  closed({ type: z.literal('step-done'), unitId, stepId }),
  /** What was left of a stage, with one tap: steps that ask for nothing but a tick, in the order of the work. */
  closed({ type: z.literal('steps-done'), unitId, stepIds: z.array(stepId).min(2).max(40) }),
  /** A wait is over before its least: somebody says, by name, that it is dry to the touch. */
  closed({ type: z.literal('wait-ended'), unitId, stepId, said: z.literal('dry-to-the-touch') }),
  /** The owner's written word that a wait may be shorter, also one that nobody else may shorten. */
  closed({ type: z.literal('wait-shortened'), unitId, stepId, text: words }),
  /** The photograph that a step asks for was not taken, and why. */
  closed({ type: z.literal('photo-left-out'), unitId, stepId, because: words }),
  /** What was really used of a product at a step, litres before it was thinned; the last word at a step counts. */
  closed({ type: z.literal('product-used'), unitId, stepId, productId: identifier, litres: amountUpTo(1000) }),
  /** A part besides soil: it was changed on this visit, or has to be ordered; `null` takes the word back. */
  closed({ type: z.literal('part-noted'), unitId, item: shownName, need: z.literal(partNeeds).nullable() }),
  closed({ type: z.literal('note'), unitId, text: z.string().trim().min(1).max(2000) }),
  /** The picture itself is stored beside the log, under this id. */
  closed({
    type: z.literal('photo-taken'),
    unitId,
    photoId: z.uuid(),
    stepId: stepId.optional(),
    /** Of a part as it was found, or after the work. */
    of: closed({ part: partSchema, when: z.literal(['before', 'after']) }).optional(),
    /** Of the unit's nameplate. */
    plate: z.literal(true).optional(),
  }),
  /** What was read off a photograph; the grade that follows is set by a person. */
  closed({ type: z.literal('photo-measured'), unitId, photoId: z.uuid(), measure: photoMeasureSchema }),
  /** The customer has signed; the signature is a picture as photographs are. */
  closed({ type: z.literal('signed'), unitId, photoId: z.uuid(), name: shownName }),
  /** The owner's word that the unit may go on although `short` fasteners of this kind stay out. */
  closed({
    type: z.literal('exception-written'),
    unitId,
    item: z.string().max(80),
    kind: z.string().max(60),
    short: z.int().min(1).max(200),
    text: words,
  }),
  /** What was not reached, for the forecast; and the text that the customer was given, so that a later change of rules or stores does not change what was said. */
  closed({
    type: z.literal('handed-over'),
    unitId,
    verdict: z.literal(verdicts),
    customerText: z.string().max(8000).optional(),
    notReached: z.array(partSchema).max(12).optional(),
  }),
  /** Somebody of the crew came to the visit, or went before its end. */
  closed({ type: z.literal('came'), unitId, who: userId }),
  closed({ type: z.literal('went'), unitId, who: userId }),
  closed({ type: z.literal('undone'), unitId, eventId: z.uuid() }),
])
export type Happening = z.infer<typeof happeningSchema>

/** What can happen to the visit itself, which goes by `visit` instead of a unit's id. */
export const visitHappenings: ReadonlySet<Happening['type']> = new Set([
  'step-begun',
  'step-given',
  'step-skipped',
  'gate-confirmed',
  'step-done',
  'steps-done',
  'wait-ended',
  'wait-shortened',
  'photo-left-out',
  'product-used',
  'paused',
  'resumed',
  'note',
  'came',
  'went',
  'undone',
])

/** Ids of the steps that it says are done. */
export function stepsDone(happening: Happening): readonly string[] {
  if (happening.type === 'step-done') return [happening.stepId]
  return happening.type === 'steps-done' ? happening.stepIds : []
}

/** Clocks that are farther off than ten years are no clocks. */
const farthestMs = 10 * 366 * 86_400_000

/** The picture that an event speaks of, if any: it is stored before the event. */
export const photoIdOf = (happening: Happening): string | undefined =>
  happening.type === 'photo-taken' || happening.type === 'signed' ? happening.photoId : undefined

export const eventSchema = closed({
  id: z.uuid(),
  /** Device clock, milliseconds since 1970. */
  atMs: z.int().min(0).max(8_640_000_000_000_000),
  /** Who, by user id. */
  by: userId,
  /** By how much the device's clock ran ahead of the server's when this was measured last, ms; negative is behind. */
  aheadMs: z.int().min(-farthestMs).max(farthestMs).optional(),
  happening: happeningSchema,
})
export type JobEvent = z.infer<typeof eventSchema>

/** When it happened by the server's clock, as far as the device knew it: devices with clocks that differ agree on waits. */
export const timeOf = ({ atMs, aheadMs = 0 }: JobEvent): number => atMs - aheadMs
