// Calendars that other programs fetch by themselves: a secret address each, for the whole firm's visits or for one person's.
import { z } from 'zod'
import { closed } from '../schemas/index.ts'

export const calendarFormSchema = closed({
  /** Whose visits; null for all of the firm. */
  personId: z.int().nullable(),
  /** Whether entries say the first name of whom to ask for: the owner alone may have it so. */
  showsContact: z.boolean(),
})
export type CalendarForm = z.infer<typeof calendarFormSchema>

export const calendarRecordSchema = closed({
  id: z.uuid(),
  ...calendarFormSchema.shape,
  /** Whose visits, by name; null for all of the firm. */
  person: z.string().nullable(),
  madeBy: z.string(),
  madeAt: z.iso.datetime(),
  usedAt: z.iso.datetime().nullable(),
})
export type CalendarRecord = z.infer<typeof calendarRecordSchema>
/** The address itself is shown this once. */
export const calendarMadeSchema = closed({ record: calendarRecordSchema, path: z.string() })
