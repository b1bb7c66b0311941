// People of a firm: who they are, how they get in, and what they are in with.
import { z } from 'zod'
import { refusedAs } from '../faults/index.ts'
import { closed } from '../schemas/index.ts'
import { shownName } from '../quantities/index.ts'
import { crewMemberSchema } from '../plan/index.ts'
import { roles } from './records.ts'

/** Fewer characters are no password. */
export const leastPassword = 12
export const longestPassword = 200
export const newPasswordSchema = z.string().min(leastPassword).max(longestPassword)
/** Signs of a code that is used once, as it is read out: groups of four, told apart when spoken. */
export const oneTimeCodeSchema = z
  .string()
  .transform((text) => text.toUpperCase().replace(/[^0-9A-Z]/g, ''))
  .pipe(z.string().length(16))

export const signInName = z
  .string()
  .trim()
  .min(1)
  .max(80)
  .regex(/^[\p{L}\p{N}@._+-]+$/u, refusedAs('fault.schema.sign-in-form'))

/** What an owner says of a person. */
export const personFormSchema = closed({
  name: shownName,
  role: z.literal(roles),
  trained: crewMemberSchema.shape.trained.unwrap(),
  /** What they may lift by themselves, kg; without it the house rule holds. */
  liftKg: crewMemberSchema.shape.liftKg,
  /** What they take of the firm's own minutes, %; without it 100. */
  pacePercent: crewMemberSchema.shape.pacePercent,
})
export type PersonForm = z.infer<typeof personFormSchema>
export const personAddSchema = closed({ ...personFormSchema.shape, signIn: signInName })
/** `active`: whether they get in and can be sent out; what they did stays on record. */
export const personSaveSchema = closed({ ...personFormSchema.shape, active: z.boolean() })

export const personRecordSchema = closed({
  id: z.int(),
  ...personSaveSchema.shape,
  signIn: z.string(),
  /** How they get in: by their password, by a code that they were given, or not at all before one is made. */
  way: z.literal(['password', 'code', 'none']),
  secondFactor: z.boolean(),
  /** When they were last in. */
  lastSeenAt: z.iso.datetime().nullable(),
})
export type PersonRecord = z.infer<typeof personRecordSchema>

/** A code that lets a person set a password, once; it is shown this one time. */
export const personCodeSchema = closed({ person: personRecordSchema, code: z.string(), until: z.iso.datetime() })
export type PersonCode = z.infer<typeof personCodeSchema>

/** Where somebody is signed in. */
export const sessionRecordSchema = closed({
  id: z.uuid(),
  device: z.string(),
  madeAt: z.iso.datetime(),
  usedAt: z.iso.datetime(),
  /** Whether it is the one that asks. */
  isThis: z.boolean(),
})
export type SessionRecord = z.infer<typeof sessionRecordSchema>
