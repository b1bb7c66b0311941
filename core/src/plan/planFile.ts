// What comes out of a plan? The open plan file, as a schema.
import { z } from 'zod'
import { closed } from '../faults/index.ts'
import { complaintSchema, diagnosisSchema, findingSchema } from '../lookover/index.ts'
import { referees, schools, standings, topicSchema, type SchoolName } from '../method/index.ts'
import { extras, stepSchema } from '../procedure/index.ts'
import { partSchema } from '../units/index.ts'
import { dryingWays } from '../wash/index.ts'

const amount = z.number()

export const comparisonSchema = closed({
  minutes: amount.optional(),
  money: amount.optional(),
  waterL: amount.optional(),
  risk: z.string().optional(),
  reach: z.string().optional(),
})
export type Comparison = z.infer<typeof comparisonSchema>

export const decisionSchema = closed({
  topic: topicSchema,
  choice: z.string(),
  rule: z.string(),
  because: z.array(z.string()),
  /** The house rule that decided, where one did. */
  school: z.literal(Object.keys(schools) as [SchoolName, ...SchoolName[]]).optional(),
  /** What the rules would rather have taken, were it not barred here. */
  better: z.string().optional(),
  /** `instead`: what it would change, where it is possible. */
  turnedDown: z.array(closed({ choice: z.string(), because: z.string(), standing: z.literal(standings), instead: comparisonSchema.optional() })),
})
export type PlannedDecision = z.infer<typeof decisionSchema>

export const unitPlanSchema = closed({
  id: z.string(),
  diagnosis: z.array(diagnosisSchema),
  decisions: z.array(decisionSchema),
  referrals: z.array(closed({ to: z.literal(referees), because: z.string() })),
  /** What the customer is told in writing. */
  customerText: z.string(),
  steps: z.array(stepSchema),
  mixes: z.array(
    closed({ productId: z.string(), part: partSchema, dilution: amount, productL: amount, waterL: amount, passes: z.int(), cost: amount.optional() }),
  ),
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
    cleanSplitK: amount,
    cleanCoolingKw: amount,
    /** Where the shares come from; from nothing they say nothing. */
    basedOn: z.literal(['readings', 'grades', 'nothing']).optional(),
  }),
  notReached: z.array(closed({ part: partSchema, because: z.string() })),
  due: z.array(
    closed({
      what: z.literal(['filter', 'fine-filter', 'pan-treatment', 'light-clean', 'deep-clean']),
      weeks: amount,
      low: amount.optional(),
      high: amount.optional(),
      because: z.string().optional(),
    }),
  ),
  /** Nothing that was seen or said is left without an answer. */
  findings: z.array(closed({ finding: findingSchema, leadsTo: z.array(z.string()) })),
  complaints: z.array(closed({ complaint: complaintSchema, answer: z.string() })),
  /** What would do more: a second person, another day, something bought; with what it changes where that is known. */
  offers: z.array(
    closed({
      what: z.string(),
      because: z.string(),
      extra: z.literal(extras).optional(),
      minutes: amount.optional(),
      money: amount.optional(),
    }),
  ),
})
export type UnitPlan = z.infer<typeof unitPlanSchema>

export const planFileSchema = closed({
  format: z.literal('yastik.plan/1'),
  units: z.array(unitPlanSchema),
  timeline: closed({
    finishMin: amount,
    lowerBoundMin: amount,
    tasks: z.array(
      closed({ unitId: z.string(), step: z.string(), startMin: amount, endMin: amount, who: z.array(z.string()), equipment: z.array(z.string()) }),
    ),
  }),
  kit: z.array(closed({ item: z.string(), quantity: amount, unit: z.string(), why: z.string() })),
  price: closed({ lines: z.array(closed({ what: z.string(), amount })), total: amount }),
  warnings: z.array(z.string()),
})
export type PlanFile = z.infer<typeof planFileSchema>
