// What an owner can look up of who did what, and which other programs get in.
import { z } from 'zod'
import { closed } from '../schemas/index.ts'
import { shownName } from '../quantities/index.ts'
import { daySchema } from './records.ts'

/** What is put on record. */
export const auditKinds = [
  'signed-in',
  'sign-in-failed',
  'password-wrong',
  'password-set',
  'second-factor-set',
  'second-factor-dropped',
  'sessions-ended',
  'refused',
  'exported',
  'imported',
  'person-added',
  'person-changed',
  'person-reset',
  'security-changed',
  'labels-changed',
  'house-rules-changed',
  'wording-changed',
  'token-made',
  'token-ended',
  'calendar-made',
  'calendar-ended',
  'customer-taken-out',
  'customer-erased',
  'retention-changed',
  'cleared',
  'retired',
  'in-use-again',
  'taken-back',
] as const
export type AuditKind = (typeof auditKinds)[number]

export const auditEntrySchema = closed({
  id: z.int(),
  at: z.iso.datetime(),
  /** Who; empty where the server did it by itself. */
  by: z.string(),
  /** Address that it came from. */
  from: z.string(),
  what: z.literal(auditKinds),
  /** Which person, file or thing. */
  about: z.string(),
  before: z.record(z.string(), z.unknown()).nullable(),
  after: z.record(z.string(), z.unknown()).nullable(),
})
export type AuditEntry = z.infer<typeof auditEntrySchema>
export const auditPageSchema = closed({ entries: z.array(auditEntrySchema), next: z.string().nullable() })
export type AuditPage = z.infer<typeof auditPageSchema>

/** What a program may do: look, or change as well. */
export const tokenScopes = ['read', 'write'] as const
/** What a program reaches: each endpoint that programs may call is of one of these. */
export const tokenAreas = ['visits', 'sites', 'logbook', 'exports', 'office'] as const
export type TokenArea = (typeof tokenAreas)[number]
/** Longest that a token holds, days. */
export const longestToken = 366
export const tokenFormSchema = closed({
  name: shownName,
  scope: z.literal(tokenScopes),
  areas: z.array(z.literal(tokenAreas)).min(1).max(tokenAreas.length),
  endsOn: daySchema,
})
export const tokenRecordSchema = closed({
  id: z.uuid(),
  ...tokenFormSchema.shape,
  madeBy: z.string(),
  madeAt: z.iso.datetime(),
  usedAt: z.iso.datetime().nullable(),
})
export type TokenRecord = z.infer<typeof tokenRecordSchema>
/** The token itself is shown this once. */
export const tokenMadeSchema = closed({ record: tokenRecordSchema, token: z.string() })
