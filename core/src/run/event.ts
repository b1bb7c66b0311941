// What can happen at a unit? Append-only events with an id made on the device, the device's clock, and who.
import { z } from 'zod'
import { closed } from '../faults/index.ts'
import { amountUpTo, gradeSchema, identifier } from '../quantities/index.ts'
import { complaintSchema, findingSchema, readingsSchema, soilKindSchema } from '../lookover/index.ts'
import { partSchema } from '../units/index.ts'
import { schools, topicSchema, type SchoolName } from '../method/index.ts'
import { stepSchema } from '../procedure/index.ts'

/** Verdicts of a proof. */
export const verdicts = ['proved', 'partly', 'not-proved'] as const
export type Verdict = (typeof verdicts)[number]

const unitId = identifier
const stepId = identifier
const present = z.boolean()
const schoolNames = Object.keys(schools) as [SchoolName, ...SchoolName[]]

/** What an event says, by type. */
export const happeningSchema = z.discriminatedUnion('type', [
  closed({ type: z.literal('complaint-set'), unitId, complaint: complaintSchema, present }),
  closed({ type: z.literal('grade-set'), unitId, part: partSchema, grade: gradeSchema.nullable(), kinds: z.array(soilKindSchema).max(10) }),
  closed({ type: z.literal('finding-set'), unitId, finding: findingSchema, present }),
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
  closed({
    type: z.literal('method-agreed'),
    unitId,
    decisions: z.array(closed({ topic: topicSchema, choice: z.string().max(40), rule: z.string().max(60) })).max(13),
    steps: z.array(stepSchema).min(1).max(120),
  }),
  closed({ type: z.literal('step-begun'), unitId, stepId }),
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
  closed({ type: z.literal('note'), unitId, text: z.string().trim().min(1).max(2000) }),
  /** With the text that the customer was given, so that a later change of rules or stores does not change what was said. */
  closed({ type: z.literal('handed-over'), unitId, verdict: z.literal(verdicts), customerText: z.string().max(5000).optional() }),
  closed({ type: z.literal('undone'), unitId, eventId: z.uuid() }),
])
export type Happening = z.infer<typeof happeningSchema>

export const eventSchema = closed({
  id: z.uuid(),
  /** Device clock, milliseconds since 1970. */
  atMs: z.int().min(0).max(8_640_000_000_000_000),
  /** Who, by user id. */
  by: amountUpTo(2 ** 52),
  happening: happeningSchema,
})
export type JobEvent = z.infer<typeof eventSchema>
