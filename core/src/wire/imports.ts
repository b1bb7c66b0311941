// What came in at once, and what becomes of it where somebody takes it back.
import { sentenceSchema } from '../words/index.ts'
import { z } from 'zod'
import { closed } from '../schemas/index.ts'

export const importKinds = ['sites', 'visits'] as const
export const importRecordSchema = closed({
  id: z.uuid(),
  kind: z.literal(importKinds),
  madeAt: z.iso.datetime(),
  madeBy: z.string(),
  /** How many of each: sites, units; planned, moved, cancelled. */
  counts: z.record(z.string(), z.int()),
  takenBackAt: z.iso.datetime().nullable(),
})
export type ImportRecord = z.infer<typeof importRecordSchema>

/** What was taken back; what something happened to since stays, and says why. */
export const takenBackSchema = closed({
  takenBack: z.int(),
  kept: z.array(closed({ what: sentenceSchema(400), because: sentenceSchema(400) })),
  keptInAll: z.int(),
})
export type TakenBack = z.infer<typeof takenBackSchema>
