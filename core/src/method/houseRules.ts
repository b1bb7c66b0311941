// Where trades people differ, which school does the firm follow, and which limits and rates does it set?
import { z } from 'zod'
import { closed } from '../schemas/index.ts'
import { amountUpTo, estimate, share } from '../quantities/index.ts'

export const schools = {
  rinseSchool: ['self-rinsing', 'rinse', 'dry'],
  wheelSchool: ['remove', 'in-place'],
  agentSchool: ['trade', 'household'],
  drainSchool: ['vacuum-first', 'flush-first'],
  dryingSchool: ['fan-run', 'long-air-dry'],
} as const
export type SchoolName = keyof typeof schools
export type Schools = { [S in SchoolName]: (typeof schools)[S][number] }

export const houseRulesSchema = closed({
  rinseSchool: z.literal(schools.rinseSchool).optional(),
  wheelSchool: z.literal(schools.wheelSchool).optional(),
  agentSchool: z.literal(schools.agentSchool).optional(),
  drainSchool: z.literal(schools.drainSchool).optional(),
  dryingSchool: z.literal(schools.dryingSchool).optional(),
  roofWindLimitMs: amountUpTo(40).optional(),
  liftLimitKg: amountUpTo(200).optional(),
  hourlyRate: amountUpTo(10_000).optional(),
  minimumCharge: amountUpTo(100_000).optional(),
  travelCharge: amountUpTo(100_000).optional(),
  furtherUnitDiscount: share.optional(),
  languages: z.array(z.string().max(20)).max(10).optional(),
  currency: z.string().max(8).optional(),
  timeZone: z.string().max(60).optional(),
  taxShare: share.optional(),
  /** Whom a customer calls, as it stands in a report. */
  callUs: z.string().trim().max(120).optional(),
  /** Whether units are left running when people go, until they are dry inside. */
  leaveToDry: z.boolean().optional(),
  /** What an hour of a person costs the firm itself. */
  hourCost: amountUpTo(10_000).optional(),
  /** Whether the customer pays for minutes in which nobody works. */
  chargeWaiting: z.boolean().optional(),
  /** Up to this amount cleaning products have no line of their own: the work has them in it. */
  productsFoldedBelow: amountUpTo(10_000).optional(),
  /** From this share of the price of a new unit on it is asked whether cleaning is worth it. */
  worthShare: share.optional(),
  /** Corrections of step times from the firm's own runs: by step, times the start value. */
  stepTimes: z.record(z.string().max(80), z.number().min(0.5).max(2)).optional(),
})
export type HouseRules = z.infer<typeof houseRulesSchema>
/** What a firm may leave open: nothing is reckoned with it. */
type OpenRule = 'languages' | 'currency' | 'timeZone' | 'taxShare' | 'callUs'
export type KnownHouseRules = Required<Omit<HouseRules, OpenRule>> & Pick<HouseRules, OpenRule>

const roofWindLimit = estimate(8, 'm/s')
const liftLimit = estimate(23, 'kg for one person')

/** House rules of a firm that has set none. */
export const startHouseRules: KnownHouseRules = {
  rinseSchool: 'rinse',
  wheelSchool: 'remove',
  agentSchool: 'trade',
  drainSchool: 'vacuum-first',
  dryingSchool: 'fan-run',
  roofWindLimitMs: roofWindLimit.value,
  liftLimitKg: liftLimit.value,
  hourlyRate: 60,
  minimumCharge: 80,
  travelCharge: 25,
  furtherUnitDiscount: 0.1,
  leaveToDry: true,
  hourCost: 30,
  chargeWaiting: false,
  productsFoldedBelow: 5,
  worthShare: 0.5,
  stepTimes: {},
}

export const knownHouseRules = (rules: HouseRules = {}): KnownHouseRules => ({
  ...startHouseRules,
  ...Object.fromEntries(Object.entries(rules).filter(([, value]) => value !== undefined)),
})
