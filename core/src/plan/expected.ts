// What does the unit do now, and what should it do when it is clean?
import { airflowShare, coilAt, type AirState } from '../air/index.ts'
import { gradeOf, isGraded, seenFrom } from '../lookover/index.ts'
import { usualHoursPerDay, type Facts } from '../method/index.ts'
import { clamp, estimate, round } from '../quantities/index.ts'
import type { UnitPlan } from './planFile.ts'

/** Hours of cooling a year at ten hours a day in the season, and the share of rated power that is taken meanwhile; and how far a year's cost may lie from that. */
const seasonHours = { hours: estimate(1200, 'h a year'), at: estimate(10, 'h a day') }
const partLoad = estimate(0.35, 'share of rated power')
const costSpread = { low: estimate(0.6, 'times'), high: estimate(1.6, 'times') }
/** Below this share of its cooling a unit runs all day: longer it cannot. */
const leastShare = estimate(0.2, 'share of clean cooling')
const airPath = ['filter', 'coilFace', 'coilBack', 'wheel'] as const

/** Shares of clean airflow and cooling, condensate, and the yearly cost of fouling where the price of electricity is known. Readings beat grades. */
export function expectedOf({ design, lookOver, site, hoursPerDay, condensateLDay }: Facts, room: AirState): UnitPlan['expected'] {
  const byGrades = airflowShare({
    filter: gradeOf(lookOver, 'filter'),
    coilFace: gradeOf(lookOver, 'coilFace'),
    coilBack: gradeOf(lookOver, 'coilBack'),
    wheel: gradeOf(lookOver, 'wheel'),
  })
  const conditions = {
    ratedCoolingKw: design.ratedCoolingKw,
    ratedAirflowM3h: design.ratedAirflowM3h,
    returnAir: room,
    outdoorC: site.outdoorAir?.dryBulbC,
  }
  const clean = coilAt(conditions)
  const measured = lookOver.readings && seenFrom(lookOver, design, { altitudeM: site.altitudeM, outdoorC: site.outdoorAir?.dryBulbC })
  const airShare = measured?.airMeasured ? measured.airShare : byGrades
  const coolingShareNow =
    measured?.splitK !== undefined && measured.splitK <= 0
      ? 0
      : measured?.coolingShare === undefined
        ? coilAt(conditions, byGrades).totalKw / clean.totalKw
        : clamp(measured.coolingShare, 0, mostShare.value)
  const hours = (seasonHours.hours.value * (hoursPerDay ?? usualHoursPerDay.value)) / seasonHours.at.value
  const price = site.electricityPricePerKwh
  const extraShare = Math.max(0, 1 / Math.max(leastShare.value, coolingShareNow) - 1)
  return {
    airflowShareNow: round(clamp(airShare, 0, mostShare.value), 3),
    coolingShareNow: round(coolingShareNow, 3),
    basedOn: measured ? 'readings' : airPath.some((part) => isGraded(lookOver, part)) ? 'grades' : 'nothing',
    condensateLPerDay: round(condensateLDay, 1),
    cleanSplitK: round(clean.splitK, 1),
    cleanCoolingKw: round(clean.totalKw, 2),
    ...(price === undefined || design.heatsOnly ? {} : costOf(extraShare * hours * (design.ratedPowerW / 1000) * partLoad.value * price)),
  }
}

const costOf = (perYear: number) => ({
  fouledCostPerYear: round(perYear, 2),
  fouledCostLow: round(perYear * costSpread.low.value, 2),
  fouledCostHigh: round(perYear * costSpread.high.value, 2),
})

/** Readings may show more than the model's clean unit; past this they are doubted elsewhere. */
const mostShare = estimate(2, 'share of clean')
