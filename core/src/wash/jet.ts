// How hard does a jet press on the fins, and do they stand it?
import { estimate, published, round } from '../quantities/index.ts'
import { says, type Message } from '../words/index.ts'

/** What aluminium fins stand across their edge before they lie down. */
export const finsStandKPa = estimate(6, 'kPa')
/** Pressure of a pump whose maker does not say. */
export const usualPumpBar = estimate(6, 'bar')
/** Nearer than this nobody holds a fan tip to fins. */
export const leastDistanceCm = estimate(20, 'cm')
/** Thickness of a fan jet at the tip, and how it widens on its way. */
const sheetMm = estimate(2, 'mm')
const widening = estimate(0.06, 'mm per mm')
const waterKgM3 = published(998, 'kg/m³', 'water at 20 °C')
const efficiency = estimate(0.85, 'share of the ideal speed')

export interface Jet {
  readonly pressureBar: number
  readonly flowLMin: number
  readonly distanceCm: number
  /** Angle of the fan, degrees; 0 is a pencil jet. */
  readonly fanDegrees: number
}
export interface JetOnFins {
  /** Mean pressure where it lands. */
  readonly kPa: number
  readonly speedMs: number
  readonly stands: boolean
  /** Why not; empty where it may be used. */
  readonly reasons: readonly Message[]
}

/**
 * Momentum of the jet over the area where it lands: F = ρ q v with v = φ·sqrt(2 p / ρ); area = width of the fan × thickness of its sheet
 * at that distance.
 * @throws RangeError where pressure, flow or distance is not above zero, or the angle lies outside 0..120.
 */
export function jetOnFins({ pressureBar, flowLMin, distanceCm, fanDegrees }: Jet): JetOnFins {
  for (const [name, value] of Object.entries({ pressureBar, flowLMin, distanceCm }))
    if (!(value > 0)) throw new RangeError(`${name} ${value} is not above zero`)
  if (!(fanDegrees >= 0 && fanDegrees <= 120)) throw new RangeError(`fanDegrees ${fanDegrees} is outside 0..120`)
  const speedMs = efficiency.value * Math.sqrt((2 * pressureBar * 1e5) / waterKgM3.value)
  const forceN = waterKgM3.value * (flowLMin / 60_000) * speedMs
  const thicknessM = (sheetMm.value + widening.value * distanceCm * 10) / 1000
  const widthM = Math.max(thicknessM, 2 * (distanceCm / 100) * Math.tan((fanDegrees * Math.PI) / 360))
  const kPa = forceN / (widthM * thicknessM) / 1000
  const reasons = [
    ...(fanDegrees < 15 ? [says('wash.jet.pencil')] : []),
    ...(distanceCm < leastDistanceCm.value ? [says('wash.jet.near', { least: { cm: leastDistanceCm.value } })] : []),
    ...(kPa > finsStandKPa.value ? [says('wash.jet.hard', { lands: { n: round(kPa, 1) }, stand: { n: finsStandKPa.value } })] : []),
  ]
  return { kPa, speedMs, stands: reasons.length === 0, reasons }
}
