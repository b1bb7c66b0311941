// What is a due cleaning worth, before anybody has looked? The price of work and product at an ordinary unit of its family.
import { knownHouseRules, type HouseRules } from '../method/index.ts'
import type { Equipment, Product } from '../products/index.ts'
import { allGrades, estimate } from '../quantities/index.ts'
import type { Family } from '../units/index.ts'
import { gradesWith } from '../upkeep/index.ts'
import { planTotals } from './compare.ts'
import { planUnit } from './planUnit.ts'

/** Cleanings that a customer pays a visit for. */
export const paidWork = ['deep-clean', 'light-clean'] as const
export type PaidWork = (typeof paidWork)[number]
/** Grade of coil and wheel at which each is done. */
const usualGrade = { 'deep-clean': estimate(3, 'grade'), 'light-clean': estimate(1, 'grade') }

/** Hands-on and waiting minutes, and money for work and product in the firm's money; travel and minimum charge belong to a visit. */
export function standardWork(
  family: Family,
  what: PaidWork,
  houseRules: HouseRules,
  products: readonly Product[],
  equipment: readonly Equipment[],
): { minutes: number; money: number } {
  const rules = knownHouseRules(houseRules)
  const { plan } = planUnit(
    { id: 'standard', family, design: {}, complaints: [], grades: gradesWith(family, allGrades[usualGrade[what].value]) },
    {
      site: { name: 'standard', setting: 'home', waterOnSite: true, foulDrainOnSite: true },
      crew: [{ trained: ['wheel-removal', 'electrics', 'roof'] }, {}],
      houseRules: rules,
      products,
      equipment,
    },
  )
  const { minutes, money } = planTotals(plan, rules)
  return { minutes, money }
}
