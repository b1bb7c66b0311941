// How large is the coil's face?
import { estimate } from '../quantities/index.ts'
import type { Design } from './design.ts'

/** Face area where nothing was measured. */
export const areaPerKwM2 = estimate(0.06, 'm² face per kW of rated cooling')

/** Coil face area, m²: measured width times the sum of slant heights, else from rated cooling. */
export function coilAreaM2(design: Pick<Design, 'faceWidthMm' | 'faceSlantMm'> & { ratedCoolingKw: number }): number {
  const { faceWidthMm, faceSlantMm, ratedCoolingKw } = design
  if (faceWidthMm && faceSlantMm) return (faceWidthMm / 1000) * (faceSlantMm.reduce((sum, slant) => sum + slant, 0) / 1000)
  return areaPerKwM2.value * ratedCoolingKw
}
