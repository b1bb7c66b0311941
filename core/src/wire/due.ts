// What travels of what falls due: by unit, by visit, and what the forecast of a unit rests on.
import { z } from 'zod'
import { closed } from '../schemas/index.ts'
import { amountUpTo } from '../quantities/index.ts'
import { familySchema } from '../units/index.ts'
import { dueKinds, firmRatesSchema, surroundings, visitSchema } from '../upkeep/index.ts'
import { holdReasons, messageStates } from './messages.ts'
import { daySchema, recordId, visitFoundSchema } from './records.ts'

const dueDay = { what: z.literal(dueKinds), dueOn: daySchema, lowOn: daySchema.nullable(), highOn: daySchema.nullable() }
/** What else is said of work that falls due. */
const advice = {
  /** Work and product at an ordinary unit of its family, in the firm's money; null for what no visit is paid for. */
  worth: z.number().nullable(),
  /** The first day of the cooling season, where the work is better done before it. */
  before: daySchema.nullable(),
  /** For roof units: days of the coming ones on which somebody may go up; null where nobody knows the weather. */
  roofDays: z.array(daySchema).nullable(),
  /** Why the customer is not written to, and what became of the last reminder. */
  hold: z.literal(holdReasons).nullable(),
  reminded: closed({ state: z.literal(messageStates), at: z.iso.datetime() }).nullable(),
}
/** What falls due at each unit, soonest first. */
export const duePageSchema = closed({
  entries: z.array(
    closed({
      unitId: recordId,
      unitName: z.string(),
      siteId: recordId,
      siteName: z.string(),
      family: familySchema,
      ...dueDay,
      lastCleanedAt: z.iso.datetime().nullable(),
      /** Of the next visit that is planned for it. */
      plannedOn: daySchema.nullable(),
      ...advice,
    }),
  ),
  next: z.string().nullable(),
  rates: firmRatesSchema,
})
export type DuePage = z.infer<typeof duePageSchema>

/** So many weeks ahead is looked: at what is overdue, within four weeks, within a quarter. */
export const dueHorizons = [0, 4, 13] as const
/** What falls due by visit: one entry a site, with all that is due there by then. */
export const dueVisitsSchema = closed({
  entries: z.array(
    closed({
      siteId: recordId,
      siteName: z.string(),
      address: z.string(),
      /** Of what somebody has to come for. */
      dueOn: daySchema,
      units: z.array(closed({ unitId: recordId, unitName: z.string(), family: familySchema, dues: z.array(closed(dueDay)).min(1) })),
      ...advice,
      /** Visits there that are planned from today on. */
      planned: z.array(closed({ jobId: recordId, onDate: daySchema, unitIds: z.array(recordId) })),
      /** Who was there last; nobody where nobody was. */
      lastCrewIds: z.array(z.int()),
    }),
  ),
  next: z.string().nullable(),
})
export type DueVisits = z.infer<typeof dueVisitsSchema>
/** Light and deep cleanings that are due by now, within four weeks and within thirteen, each counted once, and what they are worth. */
export const dueWorthSchema = z.array(closed({ weeks: z.literal(dueHorizons), cleanings: z.int(), money: z.number() }))
export type DueWorth = z.infer<typeof dueWorthSchema>
/** What the forecast of a unit rests on: the device reckons it, and what-ifs, itself. */
export const unitOutlookSchema = closed({
  unitId: recordId,
  unitName: z.string(),
  siteName: z.string(),
  /** `seen` is missing for visits that were summed up before it was kept. */
  visits: z.array(closed({ ...visitSchema.shape, jobId: recordId, at: z.iso.datetime(), seen: visitFoundSchema.optional() })),
  surroundings: z.array(z.literal(surroundings)),
  hoursPerDay: amountUpTo(24),
  lossIndex: z.number(),
  rates: firmRatesSchema,
  dues: z.array(closed(dueDay)),
})
export type UnitOutlook = z.infer<typeof unitOutlookSchema>
