// What is a due cleaning worth, before anybody has looked? The price of work and product at an ordinary unit of its family.
import { knownHouseRules, type HouseRules } from '../method/index.ts'
import type { Equipment, Product } from '../products/index.ts'
import { allGrades, estimate } from '../quantities/index.ts'
import type { Family } from '../units/index.ts'
import { gradesWith } from '../upkeep/index.ts'
import { planTotals } from './compare.ts'
import type { JobFile } from './jobFile.ts'
import { contextOf } from './planJob.ts'
import { planUnit } from './planUnit.ts'
import { visitPlanOf } from './visitPlan.ts'

/** Cleanings that a customer pays a visit for. */
export const paidWork = ['deep-clean', 'light-clean'] as const
export type PaidWork = (typeof paidWork)[number]
/** Grade of coil and wheel at which each is done. */
const usualGrade = { 'deep-clean': estimate(3, 'grade'), 'light-clean': estimate(1, 'grade') }

/** Minutes from the door to the van with two people, and money for work and product in the firm's money; travel and minimum charge belong to a visit. */
export function standardWork(
  family: Family,
  what: PaidWork,
  houseRules: HouseRules,
  products: readonly Product[],
  equipment: readonly Equipment[],
): { minutes: number; money: number } {
  const job: JobFile = {
    format: 'yastik.job/1',
    site: { name: 'standard', setting: 'home', waterOnSite: true, foulDrainOnSite: true },
    crew: [{ name: 'first', trained: ['wheel-removal', 'electrics', 'roof'] }, { name: 'second' }],
    units: [{ id: 'standard', family, design: {}, complaints: [], grades: gradesWith(family, allGrades[usualGrade[what].value]) }],
    houseRules,
    products: [...products],
    equipment: [...equipment],
  }
  const context = contextOf(job)
  const planned = planUnit(job.units[0], context)
  const { onSite } = visitPlanOf([planned], job.crew, context.equipment)
  return { minutes: onSite, money: planTotals(planned, knownHouseRules(houseRules)).money }
}
