// What goes into a plan? The open job file, as a schema.
import { z } from 'zod'
import { closed } from '../schemas/index.ts'
import { altitudeM, amountUpTo, celsius, identifier, positiveUpTo, share, shownName } from '../quantities/index.ts'
import { designSchema, families, familySchema, partsOf } from '../units/index.ts'
import { complaintsSchema, findingExtentSchema, findingsSchema, gradesSchema, readingsSchema } from '../lookover/index.ts'
import { equipmentSchema, productSchema } from '../products/index.ts'
import { choicesOf, houseRulesSchema, topics, type Topic } from '../method/index.ts'
import { extras, leastPacePercent, mostPacePercent, skills, visitId } from '../procedure/index.ts'
import { surroundings } from '../upkeep/index.ts'
import { washPlanSchema } from '../wash/index.ts'

export const settings = ['home', 'office', 'food', 'health', 'lodging', 'vehicle', 'workshop', 'equipment-room'] as const

export const siteSchema = closed({
  name: shownName,
  setting: z.literal(settings),
  surroundings: z.array(z.literal(surroundings)).max(8).optional(),
  altitudeM: altitudeM.optional(),
  outdoorAir: closed({
    dryBulbC: celsius,
    relativeHumidity: share,
    windMs: amountUpTo(60).optional(),
    rainMmH: amountUpTo(300).optional(),
  }).optional(),
  waterOnSite: z.boolean(),
  foulDrainOnSite: z.boolean(),
  /** What the van brings where there is no tap, L. */
  carriedWaterL: amountUpTo(2000).optional(),
  sensitiveOccupants: z.boolean().optional(),
  electricityPricePerKwh: amountUpTo(100).optional(),
  /** What an ordinary new unit costs there, built in, in the firm's money. */
  newUnitPrice: positiveUpTo(1_000_000).optional(),
})
export type Site = z.infer<typeof siteSchema>

export const crewMemberSchema = closed({
  name: shownName,
  liftKg: positiveUpTo(200).optional(),
  trained: z.array(z.literal(skills)).max(3).optional(),
  /** What they take of the firm's own minutes, %. */
  pacePercent: z.number().min(leastPacePercent).max(mostPacePercent).optional(),
})

const choicesShape = Object.fromEntries(topics.map((topic) => [topic, z.literal(choicesOf[topic] as readonly string[]).optional()])) as Record<
  Topic,
  z.ZodOptional<z.ZodLiteral<string>>
>

/** What other programs are told of what `checkJob` sees to besides: parts are those of the family. */
const partsByFamily = {
  allOf: families.map((family) => ({
    if: { properties: { family: { const: family } } },
    then: { properties: { grades: { propertyNames: { enum: partsOf[family] } } } },
  })),
}

/** What contradicts itself, as other programs are told of it. */
const fixedAndSliding = { properties: { slideOut: { const: true }, removable: { const: false } }, required: ['slideOut', 'removable'] }

export const unitJobSchema = closed({
  id: identifier.meta({ not: { const: visitId } }),
  family: familySchema,
  name: shownName.optional(),
  design: designSchema.meta({ dependentRequired: { faceSlantMm: ['faceWidthMm'] }, not: fixedAndSliding }),
  complaints: complaintsSchema,
  grades: gradesSchema,
  findings: findingsSchema.optional(),
  findingExtent: findingExtentSchema.optional(),
  /** For people; no rule reads them. */
  maker: shownName.optional(),
  model: shownName.optional(),
  serialNumber: shownName.optional(),
  readings: readingsSchema.optional(),
  monthsSinceClean: amountUpTo(600).optional(),
  hoursPerDay: amountUpTo(24).optional(),
  /** Breaker, or battery and shore lead: units with the same text are isolated and powered together. */
  supply: shownName.optional(),
  /** Heads on one outdoor unit are read and isolated together. */
  outdoorUnit: shownName.optional(),
  /** Choices made by hand for this job, by topic; kept where no bar and no safety rule speaks against them. */
  choices: closed(choicesShape).optional(),
  /** Work besides that the customer ordered. */
  extras: z.array(z.literal(extras)).max(extras.length).optional(),
  /** How somebody wants to wash: flow, minutes, pauses. */
  wash: washPlanSchema.optional(),
}).meta(partsByFamily)
export type UnitJob = z.infer<typeof unitJobSchema>

export const mostUnits = 60
/** An id stands once in a list; what stands there twice word for word, a schema can tell as well. */
const onceEach = { uniqueItems: true }
export const jobFileSchema = closed({
  format: z.literal('yastik.job/1'),
  site: siteSchema,
  crew: z.array(crewMemberSchema).min(1).max(4),
  units: z.array(unitJobSchema).min(1).max(mostUnits).meta(onceEach),
  houseRules: houseRulesSchema.optional(),
  products: z.array(productSchema).max(200).meta(onceEach).optional(),
  equipment: z.array(equipmentSchema).max(200).meta(onceEach).optional(),
})
export type JobFile = z.infer<typeof jobFileSchema>
