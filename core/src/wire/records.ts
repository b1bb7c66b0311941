// Which shapes travel between browser and server?
import { z } from 'zod'
import { orFault } from '../faults/index.ts'
import { closed } from '../schemas/index.ts'
import { amountUpTo, currencies, isTimeZone, gradeSchema, measuresSchema, shownName } from '../quantities/index.ts'
import { designSchema, familySchema, partSchema } from '../units/index.ts'
import { equipmentSchema, productSchema } from '../products/index.ts'
import { houseRulesSchema } from '../method/index.ts'
import { findingsSchema, soilKindSchema } from '../lookover/index.ts'
import { instrumentReadingSchema } from '../proof/index.ts'
import { eventSchema, partNeeds, verdicts } from '../run/index.ts'
import { firmRatesSchema, surroundings, visitSchema } from '../upkeep/index.ts'
import { remindersSchema } from './messages.ts'
import { crewMemberSchema, mostUnits, siteSchema } from '../plan/index.ts'
import { languages, says, sentenceSchema } from '../words/index.ts'

const [firstDay, lastDay] = ['2000-01-01', '2099-12-31']
export const recordId = z.uuid()
const version = z.int().min(1)
/** A calendar day, `2026-05-31`, in a time in which this can have happened or be planned. */
export const daySchema = z.iso
  .date({ abort: true })
  .refine(
    (day) => day >= firstDay && day <= lastDay,
    orFault(says('fault.day.far'), says('fault.days', { from: { day: firstDay }, to: { day: lastDay } })),
  )

/** A time of day, minutes from midnight. */
/** How often a visit was changed, as its entry in a calendar counts it (SEQUENCE). */
export const mostRevision = 1_000_000_000
export const revisionSchema = z.int().min(0).max(mostRevision)
export const minuteSchema = z.int().min(0).max(1439)

export const signInSchema = closed({
  signIn: z.string().trim().min(1).max(80),
  password: z.string().min(1).max(200),
  /** Of the second factor, where one is set: from the device, or one of the codes for its loss. */
  code: z.string().trim().max(40).optional(),
})

export const roles = ['owner', 'technician'] as const
export const meSchema = closed({
  id: z.int(),
  name: z.string(),
  role: z.literal(roles),
  firm: z.string(),
  /** Whose clocks and money count: of the house rules; nothing where the firm named none. */
  place: houseRulesSchema.pick({ timeZone: true, currency: true, taxShare: true }),
  measures: measuresSchema,
  /** In which the person reads; null where they chose none: then as their device is set. */
  language: z.literal(languages).nullable(),
  /** Whether instruments, or stand-ins for them, can be read. */ instruments: z.boolean(),
  /** Whether a second factor is set; and whether the firm asks for one that is not. */
  secondFactor: z.literal(['set', 'unset', 'needed']),
})
export type Me = z.infer<typeof meSchema>

export const languageSchema = closed({ language: z.literal(languages) })

/** What a person fills in about a site. */
export const siteFormSchema = closed({
  site: siteSchema,
  address: z.string().trim().max(300),
  contact: z.string().trim().max(200),
  /** How one gets in, and what to mind: keys, gate code, parking, the dog. */
  access: z.string().trim().max(300).optional(),
  /** In which units the customer reads figures in reports; metric where nothing is said. */
  customerUnits: z.literal(['metric', 'us']).optional(),
  /** In which language the customer reads reports, and what is said at handing over; English where nothing is said. */
  customerLanguage: z.literal(languages).optional(),
  /** Where the customer agreed to be written to; without it nobody writes. */
  reminders: remindersSchema.optional(),
})
export type SiteForm = z.infer<typeof siteFormSchema>
export const siteSaveSchema = closed({ ...siteFormSchema.shape, version })

/** What stands on the nameplate. For people: no rule reads it. */
export const plateSchema = closed({
  maker: shownName.optional(),
  model: shownName.optional(),
  serialNumber: shownName.optional(),
  /** Not on the plate, but noted with it: what it is isolated with, and the outdoor unit that it hangs on. */
  supply: shownName.optional(),
  outdoorUnit: shownName.optional(),
  /** When it was last cleaned before this firm came, as the people there say: with what is found then it tells how fast it fouls. */
  othersCleanedOn: daySchema.optional(),
})
export type Plate = z.infer<typeof plateSchema>
/** What a person fills in about a unit. */
export const unitFormSchema = closed({
  name: shownName,
  family: familySchema,
  design: designSchema,
  hoursPerDay: amountUpTo(24).optional(),
  ...plateSchema.shape,
})
export type UnitForm = z.infer<typeof unitFormSchema>
export const unitSaveSchema = closed({ ...unitFormSchema.shape, version })

/** Several alike units at once, as in a corridor of sleeve units. */
export const alikeUnitsSchema = closed({
  names: z
    .array(shownName)
    .min(1)
    .max(mostUnits)
    .refine(
      (names) => new Set(names.map((name) => name.toLowerCase())).size === names.length,
      orFault(says('fault.twice.name'), says('fault.twice.name-allowed')),
    ),
  family: familySchema,
  design: designSchema,
  hoursPerDay: amountUpTo(24).optional(),
  // Each has a serial number of its own.
  ...plateSchema.omit({ serialNumber: true }).shape,
})

/** Since when nobody goes there any more; its past stays. */
const retiredAt = z.iso.datetime().nullable()
/** Retires something, or takes it into use again. */
export const retireSchema = closed({ retired: z.boolean() })
export const unitRecordSchema = closed({
  id: recordId,
  siteId: recordId,
  ...unitSaveSchema.shape,
  lastCleanedAt: z.iso.datetime().nullable(),
  retiredAt,
  /** Of its nameplate, the last that was taken, and on which visit. */
  platePhoto: closed({ photoId: recordId, jobId: recordId }).nullable(),
})
export type UnitRecord = z.infer<typeof unitRecordSchema>

export const siteRecordSchema = closed({ id: recordId, ...siteSaveSchema.shape, retiredAt, units: z.array(unitRecordSchema) })
export type SiteRecord = z.infer<typeof siteRecordSchema>

/** Sites as a list shows them, by name. */
export const siteQuerySchema = closed({
  /** Part of a site's name or address, or of the name of one of its units. */
  find: z.string().trim().min(1).max(80).optional(),
  /** Those that are retired, instead of those in use. */
  retired: z.stringbool({ truthy: ['true'], falsy: ['false'] }).optional(),
  after: z.string().max(300).optional(),
})
export type SiteQuery = z.infer<typeof siteQuerySchema>
export const sitePageSchema = closed({
  entries: z.array(
    closed({
      id: recordId,
      name: z.string(),
      address: z.string(),
      setting: siteSchema.shape.setting,
      surroundings: z.array(z.literal(surroundings)),
      units: z.array(z.string()),
      lastCleanedAt: z.iso.datetime().nullable(),
    }),
  ),
  next: z.string().nullable(),
})
export type SitePage = z.infer<typeof sitePageSchema>

export const jobFormSchema = closed({
  siteId: recordId,
  unitIds: z.array(recordId).min(1).max(60),
  onDate: daySchema,
  crewIds: z.array(z.int()).min(1).max(4),
  /** When it is to begin, minutes from midnight by the firm's clocks; null where no time is said. */
  startMin: minuteSchema.nullable().optional(),
})

export type JobForm = z.infer<typeof jobFormSchema>

/** A visit is put on another day or time, or given to others: over the revision that was seen. A time of which nothing is said stays. */
export const jobMoveSchema = closed({ ...jobFormSchema.pick({ onDate: true, crewIds: true, startMin: true }).shape, revision: revisionSchema })
export const jobCancelSchema = jobMoveSchema.pick({ revision: true })

export const stages = ['look-over', 'method', 'at-the-unit', 'proof', 'handed-over'] as const
export const jobUnitSchema = closed({
  unitId: recordId,
  name: z.string(),
  family: familySchema,
  stage: z.literal(stages),
  done: z.int(),
  steps: z.int(),
  verdict: z.literal(verdicts).nullable(),
  worstGrade: z.int().nullable(),
})
export const jobCardSchema = closed({
  id: recordId,
  siteId: recordId,
  siteName: z.string(),
  address: z.string(),
  contact: z.string(),
  access: z.string(),
  onDate: daySchema,
  startMin: minuteSchema.nullable(),
  crew: z.array(z.string()),
  crewIds: z.array(z.int()),
  /** Grows whenever the visit is moved, cancelled or planned again. */
  revision: z.int(),
  cancelled: z.boolean(),
  units: z.array(jobUnitSchema),
})
export type JobCard = z.infer<typeof jobCardSchema>

export const crewRecordSchema = closed({ id: z.int(), ...crewMemberSchema.shape })
export type CrewRecord = z.infer<typeof crewRecordSchema>
/** People of the firm as a plan takes them: by name, with what they are trained for and may lift, where something is said of it. */
export const crewOfPlan = (
  people: readonly {
    readonly name: string
    readonly trained?: CrewRecord['trained']
    readonly liftKg?: number | null
    readonly pacePercent?: number | null
  }[],
): Omit<CrewRecord, 'id'>[] =>
  people.map(({ name, trained = [], liftKg, pacePercent }) => ({
    name,
    ...(trained.length > 0 ? { trained: [...trained] } : {}),
    ...(typeof liftKg === 'number' ? { liftKg } : {}),
    ...(typeof pacePercent === 'number' ? { pacePercent } : {}),
  }))

/** Everything that a job needs on the device. */
export const jobRecordSchema = closed({
  id: recordId,
  onDate: daySchema,
  /** Grows whenever the visit is moved, cancelled or planned again. */
  revision: z.int(),
  cancelled: z.boolean(),
  site: siteRecordSchema,
  unitIds: z.array(recordId),
  crew: z.array(crewRecordSchema),
  people: z.array(closed({ id: z.int(), name: z.string() })),
  houseRules: houseRulesSchema,
  products: z.array(productSchema),
  equipment: z.array(equipmentSchema),
  events: z.array(eventSchema),
  /** What is remembered of the units, for what falls due after this visit; visits of other jobs alone. */
  memory: closed({
    rates: firmRatesSchema,
    units: z.array(
      closed({
        unitId: recordId,
        visits: z.array(visitSchema),
        surroundings: z.array(z.literal(surroundings)),
        hoursPerDay: amountUpTo(24),
        fineFilter: z.boolean(),
        lossIndex: z.number(),
      }),
    ),
  }).optional(),
  /** What the customer accepted, where the visit came of a quote. */
  quoted: closed({ quoteId: recordId, name: sentenceSchema(300), total: z.number() }).optional(),
  /** Place of the newest of them in the job’s log: from there on the stream goes on. */
  seq: z.int().min(0),
})
export type JobRecord = z.infer<typeof jobRecordSchema>

/** A photograph that is kept. */
export const photoRecordSchema = closed({ id: recordId, unitId: recordId, width: z.int(), height: z.int(), bytes: z.int() })
export type PhotoRecord = z.infer<typeof photoRecordSchema>
/** Larger ones are turned down: on the device at once, and on the server. */
export const photoLimits = { megabytes: 25, megapixels: 40, sidePx: 16_000 } as const

/** The server's clock. */
export const clockSchema = closed({ nowMs: z.int() })

/** Events are checked one by one, so that one bad one does not hold up the others. */
export const eventBatchSchema = closed({ events: z.array(z.unknown()).min(1).max(1000) })
export const eventReceiptSchema = closed({
  accepted: z.array(z.string()),
  refused: z.array(closed({ id: z.string(), because: sentenceSchema(1000) })),
})
export type EventReceipt = z.infer<typeof eventReceiptSchema>

/** What a stream of instruments says. */
export const instrumentMessageSchema = closed({ readings: z.array(instrumentReadingSchema) })

/** What a stream of a job says: events that were stored since. */
export const streamMessageSchema = closed({ events: z.array(eventSchema) })
export type StreamMessage = z.infer<typeof streamMessageSchema>

/** What a firm sets has to be known here; a job file may name others. */
const settledRulesSchema = houseRulesSchema
  .refine(({ timeZone }) => timeZone === undefined || isTimeZone(timeZone), {
    path: ['timeZone'],
    ...orFault(says('fault.house.time-zone'), says('fault.house.time-zone-allowed')),
  })
  .refine(({ currency }) => currency === undefined || currencies().includes(currency), {
    path: ['currency'],
    ...orFault(says('fault.house.currency'), says('fault.house.currency-allowed')),
  })
export const houseRulesRecordSchema = closed({ rules: settledRulesSchema, version })
export type HouseRulesRecord = z.infer<typeof houseRulesRecordSchema>

/** What the firm's finished runs say of step times. */
export const stepTimesRecordSchema = closed({
  units: z.int(),
  steps: z.array(closed({ stepId: z.string(), title: sentenceSchema(300), runs: z.int(), setAside: z.int(), factor: z.number() })),
  /** What each one takes of the firm's own minutes, %, by steps they did; who may be sent out. */
  people: z.array(closed({ id: z.int(), name: z.string(), runs: z.int(), setAside: z.int(), pacePercent: z.number() })),
})
export type StepTimesRecord = z.infer<typeof stepTimesRecordSchema>

const onceEach = <T extends { id: string }>(entries: readonly T[]) => new Set(entries.map(({ id }) => id)).size === entries.length
const idTwice = orFault(says('fault.twice.id'), says('fault.twice.id-allowed'))
/** What the firm's van holds: products with their labels, and equipment. */
export const storesRecordSchema = closed({
  products: z.array(productSchema).max(200).refine(onceEach, idTwice),
  equipment: z.array(equipmentSchema).max(200).refine(onceEach, idTwice),
  version,
})
export type StoresRecord = z.infer<typeof storesRecordSchema>

export const logEntrySchema = closed({
  jobId: recordId,
  unitId: recordId,
  unitName: z.string(),
  siteName: z.string(),
  onDate: daySchema,
  handedOverAt: z.iso.datetime(),
  by: z.string(),
  verdict: z.literal(verdicts),
  worstGrade: z.int().nullable(),
  scope: z.string(),
  coolingBeforeKw: z.number().nullable(),
  coolingAfterKw: z.number().nullable(),
})
export type LogEntry = z.infer<typeof logEntrySchema>
/** What the logbook is asked for. */
export const logQuerySchema = closed({
  /** Part of a unit's or a site's name. */
  find: z.string().trim().min(1).max(80).optional(),
  siteId: recordId.optional(),
  family: familySchema.optional(),
  soil: soilKindSchema.optional(),
  by: z.coerce.number().int().optional(),
  verdict: z.literal(verdicts).optional(),
  after: z.string().max(200).optional(),
})
export type LogQuery = z.infer<typeof logQuerySchema>
export const logPageSchema = closed({ entries: z.array(logEntrySchema), next: z.string().nullable() })
export type LogPage = z.infer<typeof logPageSchema>

/** What was seen and done on a visit, as the line of a unit's life shows it. */
export const visitFoundSchema = closed({
  grades: z.partialRecord(partSchema, gradeSchema),
  findings: findingsSchema,
  parts: z.array(closed({ item: z.string(), need: z.literal(partNeeds) })),
  /** Delivered cooling before and after, and what the clean unit would have given at the air of each, kW. */
  cooling: closed({
    beforeKw: z.number().optional(),
    cleanBeforeKw: z.number().optional(),
    afterKw: z.number().optional(),
    cleanAfterKw: z.number().optional(),
  }),
})
export type VisitFound = z.infer<typeof visitFoundSchema>
