// Can these readings be? What cannot is doubted aloud, asked again, and decides nothing.
import { airOf, coolingSeasonFromC, deliveredCooling, pressureAt } from '../air/index.ts'
import { estimate } from '../quantities/index.ts'
import { says, type Message } from '../words/index.ts'
import type { Readings } from './readings.ts'

/** What a unit is rated for, as somebody noted it, and where it is. */
export interface MeasuredUnit {
  readonly ratedCoolingKw?: number
  readonly ratedAirflowM3h?: number
  readonly heatsOnly?: boolean
  readonly altitudeM?: number
  readonly outdoorC?: number
}
interface NotedUnit {
  readonly design: Pick<MeasuredUnit, 'ratedCoolingKw' | 'ratedAirflowM3h' | 'heatsOnly'>
}
interface MeasuredAt {
  readonly altitudeM?: number
  readonly outdoorAir?: { readonly dryBulbC: number }
}
/** What readings of a unit are held against: what was noted of it, and of its site. What is only assumed doubts nothing. */
export const measuredUnit = ({ design }: NotedUnit, { altitudeM, outdoorAir }: MeasuredAt): MeasuredUnit => ({
  ratedCoolingKw: design.ratedCoolingKw,
  ratedAirflowM3h: design.ratedAirflowM3h,
  heatsOnly: design.heatsOnly,
  altitudeM,
  outdoorC: outdoorAir?.dryBulbC,
})

export interface Doubt {
  readonly where: 'supplyC' | 'supplyRh' | 'airflowM3h'
  readonly what: Message
  readonly allowed: Message
}

const mostAir = estimate(1.4, 'times the rated airflow')
const mostCooling = estimate(1.5, 'times the rated cooling')
const driestShare = estimate(0.1, 'relative humidity')
/** Drier than the return by more than the probes differ: they may be swapped. */
const drierShare = estimate(0.05, 'relative humidity')

/** A unit that heats at these readings: they tell nothing of its cooling. */
const heats = ({ returnC, supplyC }: Readings, { heatsOnly, outdoorC }: MeasuredUnit): boolean =>
  heatsOnly === true || (supplyC > returnC && outdoorC !== undefined && outdoorC < coolingSeasonFromC.value)

const notColder = ({ returnC, supplyC }: Readings): Doubt => ({
  where: 'supplyC',
  what: says('lookover.doubtfulReadings.supply-air-colder', { supply: { C: supplyC }, return: { C: returnC } }),
  allowed: says('lookover.doubtfulReadings.colder-allowed'),
})

/** Readings that no unit of this rating can give while it cools. */
export function impossibleReadings(readings: Readings, unit: MeasuredUnit): Doubt[] {
  const { returnC, returnRh, supplyC, supplyRh, airflowM3h } = readings
  const { ratedAirflowM3h, ratedCoolingKw } = unit
  const doubts: Doubt[] = []
  if (airflowM3h !== undefined && ratedAirflowM3h !== undefined && airflowM3h > mostAir.value * ratedAirflowM3h)
    doubts.push({
      where: 'airflowM3h',
      what: says('lookover.doubtfulReadings.much-air', { air: { M3h: airflowM3h }, rated: { M3h: ratedAirflowM3h } }),
      allowed: says('lookover.doubtfulReadings.much-air-allowed', { most: { M3h: mostAir.value * ratedAirflowM3h } }),
    })
  if (heats(readings, unit)) return doubts
  if (supplyC > returnC) doubts.push(notColder(readings))
  // No coil dries air that it does not cool; a few points are the probes'.
  else if (supplyC === returnC && supplyRh !== undefined && returnRh - supplyRh > driestShare.value)
    doubts.push({
      where: 'supplyRh',
      what: says('lookover.doubtfulReadings.supply-air-drier', { supply: { share: supplyRh }, return: { share: returnRh } }),
      allowed: says('lookover.doubtfulReadings.damper-allowed'),
    })
  if (doubts.length > 0 || airflowM3h === undefined || supplyRh === undefined) return doubts
  const pressurePa = pressureAt(unit.altitudeM ?? 0)
  const { totalKw } = deliveredCooling(airOf(returnC, returnRh, pressurePa), airOf(supplyC, supplyRh, pressurePa), airflowM3h)
  const most = ratedCoolingKw === undefined ? Infinity : mostCooling.value * ratedCoolingKw
  if (totalKw < 0)
    doubts.push({
      where: 'supplyRh',
      what: says('lookover.doubtfulReadings.below-nothing'),
      allowed: says('lookover.doubtfulReadings.below-nothing-allowed'),
    })
  else if (totalKw > most)
    doubts.push({
      where: 'supplyC',
      what: says('lookover.doubtfulReadings.much-cooling', { cooling: { Kw: totalKw }, rated: { Kw: ratedCoolingKw ?? 0 } }),
      allowed: says('lookover.doubtfulReadings.much-cooling-allowed', { most: { Kw: most } }),
    })
  return doubts
}

/** Readings of the air that decide something: those that can be, while the unit cools. */
export const believedAir = (readings: Readings, unit: MeasuredUnit): Readings | undefined =>
  heats(readings, unit) || impossibleReadings(readings, unit).length > 0 ? undefined : readings

/** What is asked again before these readings are taken: what cannot be, and probes that look swapped. */
export function doubtfulReadings(readings: Readings, unit: MeasuredUnit): Doubt[] {
  const { returnC, returnRh, supplyC, supplyRh } = readings
  const impossible = impossibleReadings(readings, unit)
  if (impossible.length > 0 || heats(readings, unit)) return impossible
  // A unit that does not cool at all reads so too: asked about, and believed.
  if (supplyC === returnC) return [notColder(readings)]
  if (supplyRh === undefined || supplyRh >= returnRh - drierShare.value) return []
  return [
    {
      where: 'supplyRh',
      what: says('lookover.doubtfulReadings.supply-air-drier', { supply: { share: supplyRh }, return: { share: returnRh } }),
      allowed: says('lookover.doubtfulReadings.damper-allowed'),
    },
  ]
}
