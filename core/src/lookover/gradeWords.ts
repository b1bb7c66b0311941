// How does each grade look on a part of this kind?
import type { Grade } from '../quantities/index.ts'
import type { Part } from '../units/index.ts'

const coil = [
  'bare metal, all gaps open',
  'under 10 % covered',
  '10–35 % covered, gaps still visible',
  '35–70 % covered, gaps bridged',
  'over 70 % covered, no light passes',
] as const
const wheel = ['blade tips sharp', 'haze on the leading edge', 'ridge under 1 mm', 'cups up to half full', 'cups full, clumps thrown out'] as const
const water = [
  'dry or clear water, flows at once',
  'film, flows',
  'slime in spots, flows slowly',
  'slime sheet, or water that stands',
  'overflows or blocked',
] as const
const surface = ['clean', 'a film', 'a coat, surface still visible', 'a mat', 'nothing of the surface visible'] as const

/** What a part of this kind looks like at each grade. */
export function gradeLooks(part: Part): Readonly<Record<Grade, string>> {
  if (part === 'wheel' || part === 'rearFan') return wheel
  if (part === 'pan' || part === 'drainLine' || part === 'basePan') return water
  if (part === 'housing' || part === 'outlet') return surface
  return coil
}
