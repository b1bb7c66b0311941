// What would a camera see at a unit that nobody can stand before? The soil that is there now, drawn by the renderer of sample photographs.
import { seeded, type Grade } from '../../quantities/index.ts'
import type { SoilKind } from '../../lookover/index.ts'
import type { Part } from '../../units/index.ts'
import { surfaceOf, type SampleWish } from '../photo/index.ts'
import { soilNow, type Simulated } from './simulate.ts'

/** Covered share within which each grade lies, least and most: the middle of what the scale of grades says. */
const sharesOf: Readonly<Record<Grade, readonly [number, number]>> = {
  0: [0, 0.01],
  1: [0.04, 0.08],
  2: [0.16, 0.29],
  3: [0.44, 0.62],
  4: [0.76, 0.88],
}
/** Share of bent fins: what shipping and time leave, and with a finding of bent fins. */
const bentShares = { usual: 0.02, found: 0.2 }
const size = { width: 1200, height: 900 }

/** Where the part is on every picture of this camera is for the person to say. Undefined for parts that are not measured by photograph. */
export function simulatedShot(simulated: Pick<Simulated, 'seed' | 'soil' | 'state'>, part: Part, shot: number): SampleWish | undefined {
  const surface = surfaceOf(part)
  if (!surface) return undefined
  const seed = [...part].reduce((sum, letter) => Math.imul(sum, 31) + letter.charCodeAt(0), simulated.seed) >>> 0
  const random = seeded(seed)
  const [least, most] = sharesOf[soilNow(simulated)[part] ?? 0]
  const kinds: readonly SoilKind[] = simulated.state.grades[part]?.kinds ?? []
  return {
    seed,
    surface,
    ...size,
    coveredShare: least + (most - least) * random(),
    kind: kinds[0] ?? 'dust',
    bentShare: simulated.state.findings.includes('bent-fins') ? bentShares.found : bentShares.usual,
    shot,
  }
}
