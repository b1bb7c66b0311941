// What does the unit do now, and what should it do when it is clean?
import { airflowShare, coilAt, type AirState } from '../air/index.ts'
import { gradeOf } from '../lookover/index.ts'
import { usualHoursPerDay, type Facts } from '../method/index.ts'
import { round } from '../quantities/index.ts'
import type { UnitPlan } from './planFile.ts'

const daysPerYear = 365

/** Shares of clean airflow and cooling, condensate, and the yearly cost of fouling where the price of electricity is known. */
export function expectedOf({ design, lookOver, site, hoursPerDay, condensateLDay }: Facts, room: AirState): UnitPlan['expected'] {
  const share = airflowShare({
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
  const coolingShareNow = coilAt(conditions, share).totalKw / clean.totalKw
  const hours = (hoursPerDay ?? usualHoursPerDay.value) * daysPerYear
  const price = site.electricityPricePerKwh
  return {
    airflowShareNow: round(share, 3),
    coolingShareNow: round(coolingShareNow, 3),
    condensateLPerDay: round(condensateLDay, 1),
    cleanSplitK: round(clean.splitK, 1),
    cleanCoolingKw: round(clean.totalKw, 2),
    ...(price === undefined || design.heatsOnly
      ? {}
      : { fouledCostPerYear: round((1 / coolingShareNow - 1) * hours * (design.ratedPowerW / 1000) * price, 2) }),
  }
}
