// What comes out of a plan? The open plan file, as a schema.
import { z } from 'zod'
import { closed } from '../schemas/index.ts'
import { complaintSchema, diagnosisSchema, findingSchema } from '../lookover/index.ts'
import { referees, schools, standings, topicSchema, type SchoolName } from '../method/index.ts'
import { extras, stepSchema } from '../procedure/index.ts'
import { partSchema } from '../units/index.ts'
import { dryingWays } from '../wash/index.ts'
import { sentenceSchema, tellBeside, toldSchema, type Say } from '../words/index.ts'

const amount = z.number()
/** In the plan a message; in a plan file its words, with the message beside them. */
const words = sentenceSchema(2000)

export const comparisonSchema = closed({
  minutes: amount.optional(),
  money: amount.optional(),
  waterL: amount.optional(),
  risk: words.optional(),
  reach: words.optional(),
})
export type Comparison = z.infer<typeof comparisonSchema>

export const decisionSchema = closed({
  topic: topicSchema,
  choice: z.string(),
  rule: z.string(),
  because: z.array(words),
  /** The house rule that decided, where one did. */
  school: z.literal(Object.keys(schools) as [SchoolName, ...SchoolName[]]).optional(),
  /** What the rules would rather have taken, were it not barred here. */
  better: z.string().optional(),
  /** `instead`: what it would change, where it is possible. */
  turnedDown: z.array(closed({ choice: z.string(), because: words, standing: z.literal(standings), instead: comparisonSchema.optional() })),
})
export type PlannedDecision = z.infer<typeof decisionSchema>

export const unitPlanSchema = closed({
  id: z.string(),
  diagnosis: z.array(diagnosisSchema),
  decisions: z.array(decisionSchema),
  referrals: z.array(closed({ to: z.literal(referees), because: words })),
  /** What the customer is told in writing. */
  customerText: sentenceSchema(8000),
  steps: z.array(stepSchema),
  /** Hands-on minutes of these steps; four times in five between low and high. */
  minutes: closed({ hands: amount, low: amount, high: amount }).optional(),
  mixes: z.array(
    closed({ productId: z.string(), part: partSchema, dilution: amount, productL: amount, waterL: amount, passes: z.int(), cost: amount.optional() }),
  ),
  /** How it dries by itself after people have left. */
  afterRun: closed({ minutes: amount, how: z.literal(['own-programme', 'fan-alone', 'none']), because: words }).optional(),
  washWater: closed({
    /** All water that is used at the unit; and what of it comes down where the unit hangs. */
    litres: amount,
    caughtL: amount.optional(),
    peakLevelShare: amount,
    overflowsAtMin: amount.nullable(),
    bucketChanges: z.int(),
    longestWashMin: amount,
    pausesAtMin: z.array(amount).optional(),
  }).optional(),
  drying: z.array(closed({ part: partSchema, minutes: amount, how: z.literal(dryingWays) })),
  expected: closed({
    airflowShareNow: amount,
    coolingShareNow: amount,
    condensateLPerDay: amount,
    fouledCostPerYear: amount.optional(),
    /** Between what it lies. */
    fouledCostLow: amount.optional(),
    fouledCostHigh: amount.optional(),
    cleanSplitK: amount,
    cleanCoolingKw: amount,
    /** Where the shares come from; from nothing they say nothing. */
    basedOn: z.literal(['readings', 'grades', 'nothing']).optional(),
  }),
  notReached: z.array(closed({ part: partSchema, because: words })),
  due: z.array(
    closed({
      what: z.literal(['filter', 'fine-filter', 'pan-treatment', 'light-clean', 'deep-clean']),
      weeks: amount,
      low: amount.optional(),
      high: amount.optional(),
      because: words.optional(),
    }),
  ),
  /** Nothing that was seen or said is left without an answer. */
  findings: z.array(closed({ finding: findingSchema, leadsTo: z.array(words) })),
  complaints: z.array(closed({ complaint: complaintSchema, answer: words })),
  /** What would do more: a second person, another day, something bought; with what it changes where that is known. */
  offers: z.array(
    closed({
      what: words,
      because: words,
      extra: z.literal(extras).optional(),
      minutes: amount.optional(),
      money: amount.optional(),
    }),
  ),
})
export type UnitPlan = z.infer<typeof unitPlanSchema>

const planSchema = closed({
  format: z.literal('yastik.plan/1'),
  units: z.array(unitPlanSchema),
  /** What is done once a visit, or once a supply; all hands-on minutes, and from the door to the van with what it is between four times in five. */
  visit: closed({ steps: z.array(stepSchema), hands: amount, onSite: amount, low: amount, high: amount }),
  timeline: closed({
    finishMin: amount,
    lowerBoundMin: amount,
    /** Time until the finish without what nobody stays for. */
    onSiteMin: amount.optional(),
    /** Share of the time until the finish in which somebody works, 0 to 1. */
    busyShare: amount.optional(),
    tasks: z.array(
      closed({ unitId: z.string(), step: z.string(), startMin: amount, endMin: amount, who: z.array(z.string()), equipment: z.array(z.string()) }),
    ),
  }),
  kit: z.array(closed({ item: words, quantity: amount, unit: words, why: words })),
  price: closed({ lines: z.array(closed({ what: words, amount })), total: amount }),
  warnings: z.array(words),
})
/** A plan, its sentences as messages. */
export type Plan = z.infer<typeof planSchema>

/** The file: a plan in words, with the messages beside them. */
export const planFileSchema = toldSchema(planSchema)
/** A plan as a file, in the language and measures of `say`. */
export const planFileOf = (plan: Plan, say: Say): unknown => tellBeside(planSchema, plan, say)
