// The whole firm in one file: what leaves here can be read anywhere, and reads back to the same state.
import { wordingSchema } from './wording.ts'
import { z } from 'zod'
import { closed } from '../schemas/index.ts'
import { identifier, measuresSchema, shownName } from '../quantities/index.ts'
import { houseRulesSchema } from '../method/index.ts'
import { eventSchema } from '../run/index.ts'
import { crewMemberSchema } from '../plan/index.ts'
import { firmRatesSchema } from '../upkeep/index.ts'
import { languages } from '../words/index.ts'
import { messageRecordSchema } from './messages.ts'
import { quoteBodySchema, quoteStates } from './quotes.ts'
import { stockMoveSchema } from './stock.ts'
import { daySchema, minuteSchema, revisionSchema, roles, siteFormSchema, storesRecordSchema, unitFormSchema } from './records.ts'

const id = z.uuid()
const personId = z.int().min(1)
/** An id stands once in a list; what stands there twice word for word, a schema can tell as well. */
const onceEach = { uniqueItems: true }

/** Everything but passwords, sessions, and the pictures themselves, which are files beside it. */
export const bundleContentSchema = closed({
  format: z.literal('yastik.bundle/1'),
  madeAt: z.iso.datetime(),
  firm: closed({
    name: shownName,
    houseRules: houseRulesSchema,
    wording: wordingSchema.optional(),
    products: storesRecordSchema.shape.products.meta(onceEach),
    equipment: storesRecordSchema.shape.equipment.meta(onceEach),
    foulingRates: firmRatesSchema.nullable(),
  }),
  people: z
    .array(
      closed({
        id: personId,
        name: shownName,
        signIn: z.string().trim().min(1).max(80),
        role: z.literal(roles),
        trained: crewMemberSchema.shape.trained.unwrap(),
        measures: measuresSchema.nullable(),
        language: z.literal(languages).optional(),
        liftKg: crewMemberSchema.shape.liftKg,
        pacePercent: crewMemberSchema.shape.pacePercent,
        /** Since when they get in no more. */
        endedAt: z.iso.datetime().optional(),
      }),
    )
    .max(1000)
    .meta(onceEach),
  sites: z.array(closed({ id, form: siteFormSchema, retiredAt: z.iso.datetime().optional() })).meta(onceEach),
  units: z.array(closed({ id, siteId: id, form: unitFormSchema, retiredAt: z.iso.datetime().optional() })).meta(onceEach),
  jobs: z
    .array(
      closed({
        id,
        siteId: id,
        onDate: daySchema,
        startMin: minuteSchema.optional(),
        crewIds: z.array(personId).max(20),
        unitIds: z.array(id).min(1).max(60),
        /** Where it was moved, cancelled, or came from a calendar. */
        revision: revisionSchema.optional(),
        cancelledAt: z.iso.datetime().optional(),
        calendarUid: z.string().max(255).optional(),
        events: z.array(eventSchema),
      }),
    )
    .meta(onceEach),
  photos: z.array(
    closed({
      id,
      jobId: id,
      unitId: id,
      byUser: personId,
      kind: z.literal(['jpeg', 'png', 'webp']),
      width: z.int(),
      height: z.int(),
      bytes: z.int(),
      sentSha256: identifier,
    }),
  ),
  // What the office did; bundles that were made before it was kept are without.
  quotes: z
    .array(
      closed({
        id,
        siteId: id,
        state: z.literal(quoteStates),
        madeOn: daySchema,
        validUntil: daySchema,
        total: z.number(),
        body: quoteBodySchema,
        chosen: z.string().nullable(),
        jobId: id.nullable(),
        savedBy: z.string(),
      }),
    )
    .optional(),
  messages: z
    .array(
      closed({
        ...messageRecordSchema.omit({ siteName: true, replies: true }).shape,
        quoteId: id.nullable(),
        replies: z.array(closed({ id: z.string().max(200), text: z.string(), at: z.iso.datetime() })),
      }),
    )
    .optional(),
  stops: z.array(closed({ address: z.string().max(200), stoppedOn: daySchema })).optional(),
  lots: z.array(closed({ productId: identifier, lot: z.string().max(40), labelDate: daySchema.nullable(), litres: z.number() })).optional(),
  moves: z
    .array(
      closed({
        ...stockMoveSchema.omit({ name: true, job: true }).shape,
        jobId: id.nullable(),
        unitId: id.nullable(),
      }),
    )
    .optional(),
})
export type BundleContent = z.infer<typeof bundleContentSchema>

/** The file: its content, and last the SHA-256 of the content as JSON without spaces. */
export const bundleSchema = closed({ ...bundleContentSchema.shape, checksum: z.string().regex(/^[0-9a-f]{64}$/) })
export type Bundle = z.infer<typeof bundleSchema>

/** What was read in: how much of each. */
export const bundleReceiptSchema = closed({
  sites: z.int(),
  units: z.int(),
  jobs: z.int(),
  events: z.int(),
  people: z.int(),
  /** People who were not here: each sets a password by a code that is shown this once. */
  codes: z.array(closed({ signIn: z.string(), name: z.string(), code: z.string(), until: z.iso.datetime() })),
  /** Photographs whose pictures are not here. */
  photosWithoutPicture: z.int(),
})
export type BundleReceipt = z.infer<typeof bundleReceiptSchema>
