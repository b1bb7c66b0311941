// How much air is left when filter, coil and wheel are soiled?
import { estimate, type Grade } from '../quantities/index.ts'

/** Airflow per kW of rated cooling where the maker's figure is not known. */
export const airflowPerKwM3h = estimate(165, 'm³/h per kW')

/** Covered share of a filter or coil by grade. */
export const coveredShareByGrade = [0, 0.05, 0.2, 0.45, 0.7].map((value) => estimate(value, 'share of face'))
/** What is left of the fan's pressure by grade of the wheel. */
export const wheelFactorByGrade = [1, 0.96, 0.86, 0.7, 0.5].map((value) => estimate(value, 'share of pressure'))
/** Filter's share of the clean system's resistance. */
export const filterResistanceShare = estimate(0.15, 'share of K0')
/** Coil's share of the clean system's resistance. */
export const coilResistanceShare = estimate(0.5, 'share of K0')
/** Slope of the fan curve, in units of the clean system's resistance. */
export const fanSlope = estimate(0.6, 'K0')

/** Grades of what stands in the way of the air. */
export interface AirPathGrades {
  filter: Grade
  coilFace: Grade
  coilBack: Grade
  wheel: Grade
}

/**
 * Share of the clean airflow that is left, 0..1.
 *
 * System resistance K/K0 = (1 − a − b) + a/(1 − φ_filter)² + b/(1 − φ_coil)² against a fan Δp = w·p0 − m·Q²:
 * Q/Q0 = sqrt(w (K0 + m) / (K + m)). The coil's φ is that of its worse face: the faces lie one behind the other.
 */
export function airflowShare(grades: AirPathGrades): number {
  const filterCovered = coveredShareByGrade[grades.filter].value
  const coilCovered = coveredShareByGrade[Math.max(grades.coilFace, grades.coilBack)].value
  const a = filterResistanceShare.value
  const b = coilResistanceShare.value
  const resistance = 1 - a - b + a / (1 - filterCovered) ** 2 + b / (1 - coilCovered) ** 2
  const m = fanSlope.value
  return Math.sqrt((wheelFactorByGrade[grades.wheel].value * (1 + m)) / (resistance + m))
}
