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

/** Minutes from the door to the van with two people, those that a further such unit of the same visit adds, and money for work and product in the firm's money; travel and minimum charge belong to a visit. */
export function standardWork(
  family: Family,
  what: PaidWork,
  houseRules: HouseRules,
  products: readonly Product[],
  equipment: readonly Equipment[],
): { minutes: number; furtherMinutes: number; money: number } {
  const job: JobFile = {
    format: 'yastik.job/1',
    site: { name: 'standard', setting: 'home', waterOnSite: true, foulDrainOnSite: true },
    crew: [{ name: 'first', trained: ['wheel-removal', 'electrics', 'roof'] }, { name: 'second' }],
    units: [{ id: 'standard', family, design: {}, complaints: [], grades: gradesWith(family, allGrades[usualGrade[what].value]) }],
    houseRules,
    products: [...products],
    equipment: [...equipment],
  }
  const onSiteOf = (units: JobFile['units']) => {
    const context = contextOf({ ...job, units })
    const planned = units.map((unit) => planUnit(unit, context))
    return { planned, onSite: visitPlanOf(planned, job.crew, context.equipment, standardEffort).onSite }
  }
  const [unit] = job.units
  const { planned, onSite } = onSiteOf([unit])
  const { onSite: ofTwo } = onSiteOf([unit, { ...unit, id: 'further' }])
  return { minutes: onSite, furtherMinutes: Math.max(0, ofTwo - onSite), money: planTotals(planned[0], knownHouseRules(houseRules)).money }
}

/** Enough to tell a quarter of an hour. */
const standardEffort = 400

/** Minutes from the door to the van of a visit to several units, the longest of them first. */
export const standardVisitMinutes = (works: readonly Pick<ReturnType<typeof standardWork>, 'minutes' | 'furtherMinutes'>[]): number => {
  const first = works.reduce((longest, work) => (work.minutes > longest.minutes ? work : longest), works[0] ?? { minutes: 0, furtherMinutes: 0 })
  return works.reduce((sum, work) => sum + (work === first ? 0 : work.furtherMinutes), first.minutes)
}
