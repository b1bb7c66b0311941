// What stands before the camera, who holds it, and how? A scene is one part, its soil, a light and a camera, all drawn by chance from a seed.
import { seeded } from '../../quantities/index.ts'
import type { Surface } from '../../proof/photo/surface.ts'

/** How soil lies: in patches that reach from fin to fin, in strands, as leaves and lint on top, as foam of a cleaner, or thin on the edges alone. */
export const soilings = ['patches', 'strands', 'patches and strands', 'leaves', 'foam', 'film'] as const
export type Soiling = (typeof soilings)[number]
/** What the light does. */
export const lights = ['even', 'glare', 'flash', 'veil'] as const
export type Light = (typeof lights)[number]
/** What the camera does with it. */
export const cameras = ['plain', 'night', 'sharpened', 'shaken'] as const
export type CameraWay = (typeof cameras)[number]
/** What lies before the part. */
export const obstacles = ['none', 'hand', 'tool'] as const
export type Obstacle = (typeof obstacles)[number]

export interface SceneWish {
  readonly seed: number
  readonly surface: Surface
  /** Size of the picture, px. */
  readonly width: number
  readonly height: number
  /** Share of the part that soil covers, 0..1, about. */
  readonly coveredShare: number
  readonly soiling: Soiling
  readonly light: Light
  readonly camera: CameraWay
  readonly obstacle: Obstacle
  /** Distance from fin to fin, or blade to blade, on the picture, px, about. */
  readonly pitchPx: number
  /** How many places somebody knocked in. */
  readonly dents: number
  readonly wet: boolean
  /** Soil of any colour, nearly without grain: as nobody saw it, but as others may draw it. */
  readonly dyed: boolean
  /** The camera was held so many quarter turns off. */
  readonly quarterTurns: 0 | 1 | 2 | 3
  /** Another photograph of the same part, with its own camera, light and soil, by number. Without it the scene is photographed once. */
  readonly shot?: number
}

const usual = { width: 960, height: 720 }

const oneOf = <Kind>(random: () => number, kinds: readonly Kind[], weights: readonly number[]): Kind => {
  let left = random() * weights.reduce((sum, weight) => sum + weight, 0)
  for (const [at, weight] of weights.entries()) {
    left -= weight
    if (left < 0) return kinds[at]
  }
  return kinds[0]
}

/**
 * A scene that can be read, by chance: every light, camera and soiling with its weight, upright, held still, and with nothing before the part. What is
 * `fixed` stays as it is given.
 */
export function wishOf(seed: number, surface: Surface, fixed: Partial<SceneWish> = {}): SceneWish {
  const random = seeded(Math.imul(seed, 7919) + (surface === 'fins' ? 17 : 71))
  const pitchPx = surface === 'fins' ? 5.4 + 10 * random() ** 1.5 : (0.045 + 0.07 * random()) * (fixed.height ?? usual.height)
  const soiling = oneOf(random, soilings, surface === 'fins' ? [4, 2, 3, 1.5, 0.5, 0.4] : [5, 1, 2, 0.3, 0, 0.4])
  const nearlyClean = random() < 0.25
  const coveredShare = nearlyClean ? random() * 0.1 : random() * 0.88
  return {
    seed,
    surface,
    ...usual,
    coveredShare: soiling === 'strands' || soiling === 'film' ? coveredShare * 0.5 : coveredShare,
    soiling,
    light: oneOf(random, lights, [4, 2, 1.5, 1]),
    camera: oneOf(random, cameras, [5, 1.3, 1.5, 0]),
    obstacle: 'none',
    pitchPx,
    dents: random() < 0.5 ? 0 : 1 + Math.floor(random() * 4),
    wet: random() < 0.1,
    dyed: false,
    quarterTurns: 0,
    ...fixed,
  }
}
