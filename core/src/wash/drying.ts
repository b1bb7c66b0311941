// How long does a part take to dry?
import { saturatedAt, wetBulbC, type AirState } from '../air/index.ts'
import { estimate, published } from '../quantities/index.ts'
import type { Part } from '../units/index.ts'

/** Water left on a part once it has drained. */
const drainedFilm = {
  plastic: estimate(50, 'g/m²'),
  coil: estimate(150, 'g/m²'),
  felt: estimate(400, 'g/m²'),
}
/** Air speed over the part. */
const airSpeedMs = { 'still-air': estimate(0.15, 'm/s'), fan: estimate(2, 'm/s'), 'unit-fan': estimate(1.2, 'm/s') }
const jurges = {
  atRest: published(5.7, 'W/(m² K)', 'Jürges 1924, smooth plate below 5 m/s'),
  perMs: published(3.8, 'W/(m² K) per m/s', 'Jürges 1924, smooth plate below 5 m/s'),
}
const lewisNumber = published(0.87, '-', 'water vapour in air at 25 °C')
const airCpJKgK = 1006

export type DryingWay = keyof typeof airSpeedMs
export const dryingWays = Object.keys(airSpeedMs) as DryingWay[]

const filmOf = (part: Part, filter: 'washable' | 'disposable') =>
  part === 'coilFace' || part === 'coilBack'
    ? drainedFilm.coil
    : part === 'filter' && filter === 'disposable'
      ? drainedFilm.felt
      : drainedFilm.plastic

/**
 * Minutes until the film has evaporated at the room's air: mass transfer by the Lewis relation
 * h_m = h_c / (ρ c_p Le^(2/3)), driven by the vapour density at the wet-bulb surface over that of the room.
 * Infinity in saturated air.
 */
export function dryingMinutes(part: Part, way: DryingWay, room: AirState, filter: 'washable' | 'disposable' = 'washable'): number {
  const dryAirDensity = 1 / room.volumeM3Kg
  const heatTransfer = jurges.atRest.value + jurges.perMs.value * airSpeedMs[way].value
  const massTransfer = heatTransfer / (dryAirDensity * airCpJKgK * lewisNumber.value ** (2 / 3))
  const drivingKgM3 = drivingDensity(room)
  if (drivingKgM3 <= 0) return Infinity
  return filmOf(part, filter).value / 1000 / (massTransfer * drivingKgM3) / 60
}

/** The wet bulb is found by iteration, and a plan asks for the same room many times. */
const known = new WeakMap<AirState, number>()

/** Vapour density at the wet-bulb surface over that of the room, kg/m³. */
function drivingDensity(room: AirState): number {
  const before = known.get(room)
  if (before !== undefined) return before
  const surface = saturatedAt(wetBulbC(room), room.pressurePa)
  const density = surface.humidityRatio / surface.volumeM3Kg - room.humidityRatio / room.volumeM3Kg
  known.set(room, density)
  return density
}
