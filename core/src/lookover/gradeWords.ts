// How does each grade look on a part of this kind?
import type { Grade } from '../quantities/index.ts'
import type { Part } from '../units/index.ts'
import { says, type Message } from '../words/index.ts'

const coil = [
  says('lookover.coil.bare-metal-all-gaps'),
  says('lookover.coil.under-10-covered'),
  says('lookover.coil.10-35-covered-gaps'),
  says('lookover.coil.35-70-covered-gaps'),
  says('lookover.coil.over-70-covered-light'),
] as const
const wheel = [
  says('lookover.wheel.blade-tips-sharp'),
  says('lookover.wheel.haze-leading-edge'),
  says('lookover.wheel.ridge-under-1-mm'),
  says('lookover.wheel.cups-up-half-full'),
  says('lookover.wheel.cups-full-clumps-thrown'),
] as const
const water = [
  says('lookover.water.dry-clear-water-flows'),
  says('lookover.water.film-flows'),
  says('lookover.water.slime-spots-flows-slowly'),
  says('lookover.water.slime-sheet-water-stands'),
  says('lookover.water.overflows-blocked'),
] as const
const surface = [
  says('lookover.surface.clean'),
  says('lookover.surface.film'),
  says('lookover.surface.coat-surface-still-visible'),
  says('lookover.surface.mat'),
  says('lookover.surface.surface-visible'),
] as const

/** What a part of this kind looks like at each grade. */
export function gradeLooks(part: Part): Readonly<Record<Grade, Message>> {
  if (part === 'wheel' || part === 'rearFan') return wheel
  if (part === 'pan' || part === 'drainLine' || part === 'basePan') return water
  if (part === 'housing' || part === 'outlet') return surface
  return coil
}
