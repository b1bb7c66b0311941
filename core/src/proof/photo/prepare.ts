// From a photograph and the corners of a part to features of its blocks: the pitch, the part upright, then what can be said of each block.
import { estimate } from '../../quantities/index.ts'
import { coloursOf } from './colour.ts'
import { featuresOf, type BlockFeatures, type Fineness } from './features.ts'
import { perspectiveOf } from './perspective.ts'
import { pitchOf, unrolled, type Pitch } from './pitch.ts'
import type { Raster, Region } from './raster.ts'
import type { Surface } from './surface.ts'
import { brightnessWithin, straightened } from './texture.ts'
import { nothingSeen, unclear } from './unclear.ts'

const leastClearness = 1
/** A part lies on its side where the other direction repeats so many times as clearly, and this one less than plates do. */
const asideClearer = 1.5
const surelyClear = 3
const leastRegionPx = 64
/** Plates as near as this and no clearer than {@link surelyClear} may be multiples of finer ones that are blurred away. */
const blurredBelow = estimate(10, 'px from plate to plate')
/** Plates whose edges are as faint as this, where they are clearest, have been smeared over each other. */
const faintest = estimate(0.008, 'edge energy per brightness squared')
/** The same where they hardly repeat either. */
const faint = estimate(0.02, 'edge energy per brightness squared')
/** Below this, soil between two plates is less than a pixel or two: what was fitted begins at 5.4 px. */
const finestPx = estimate(5, 'px from plate to plate')
/** Fins are many and fine, a block is a pitch wide; blades are few and large, theirs are a quarter of one. */
const fineness: Readonly<Record<Surface, Fineness>> = {
  fins: { perPitch: 8, block: 8, near: 1, wide: 5 },
  blades: { perPitch: 16, block: 4, near: 4, wide: 20 },
}

export interface Prepared {
  readonly features: BlockFeatures
  /** How much of the region each place is, against one in its middle. */
  readonly sizes: Float32Array
  /** Two values a place: red and blue against green. */
  readonly colours: Float32Array
  /** Distance from plate to plate on the picture, px. */
  readonly pitchPx: number
  /** Plates between the corners. */
  readonly plates: number
}

/**
 * Features of a part. Blades run from left to right: they are laid on their side, so that all that follows sees plates from top to bottom.
 * @throws Fault `photo-unclear`: the corners do not make a region, it is too small, or shows nothing that repeats.
 */
export function prepared(raster: Raster, region: Region, surface: Surface): Prepared {
  const corners = region.map(({ x, y }) => ({ x: x * raster.width, y: y * raster.height })) as Region
  checkRegion(corners)
  const [a, b, c, d] = corners
  const laid: Region = surface === 'fins' ? corners : [a, d, c, b]
  const perspective = perspectiveOf(laid)
  const pitch = pitchOf(raster, perspective, surface)
  // The other side is looked at only where this one is not clear.
  const aside = pitch.clearness < surelyClear ? pitchOf(raster, perspectiveOf([laid[1], laid[2], laid[3], laid[0]]), surface).clearness : 0
  checkPitch(pitch, aside, surface)
  const { pitchPx, arc } = pitch
  const [widthPx, heightPx] = sizeOf(laid)
  const perValue = pitchPx / fineness[surface].perPitch
  const columns = Math.max(32, Math.round((widthPx * (arc === 0 ? 1 : arc / Math.sin(arc))) / perValue))
  const rows = Math.max(32, Math.round(heightPx / perValue))
  const flat = straightened(brightnessWithin(raster, corners), perspective, columns, rows, Math.max(1, Math.round(perValue)), (share) =>
    unrolled(share, arc),
  )
  const features = featuresOf(flat, fineness[surface], pitchPx)
  if (features.clearestEdges < (pitch.clearness < surelyClear ? faint : faintest).value) throw blurred(surface)
  // Where each block lies on the region, and how much of it: less towards the rims of a drum.
  const places = features.places.map(({ at, u, v }) => ({ at, u: unrolled(u, arc), v }))
  const sizes = Float32Array.from(features.places, ({ u }) => Math.cos((2 * u - 1) * arc))
  return {
    features: { ...features, places },
    sizes,
    colours: coloursOf(raster, perspective, places, features.columns, features.rows),
    pitchPx,
    plates: columns / fineness[surface].perPitch,
  }
}

const blurred = (surface: Surface) =>
  unclear(
    `the ${surface} can hardly be told apart: too far away, shaken or out of focus`,
    'a sharp photograph from closer; where nearly all is covered, grade it by eye',
  )

/** @throws Fault `photo-unclear`: nothing repeats, it repeats along the other side of the region, or too finely. */
function checkPitch({ pitchPx, clearness }: Pitch, aside: number, surface: Surface): void {
  if (aside > Math.max(asideClearer * clearness, leastClearness))
    throw unclear(
      `the ${surface} run ${surface === 'fins' ? 'from side to side' : 'from top to bottom'} between these corners`,
      `corners from the upper left one of the part as it sits: ${surface === 'fins' ? 'fins from top to bottom' : 'blades from left to right'}`,
    )
  if (clearness < leastClearness) throw nothingSeen(surface)
  if (pitchPx < blurredBelow.value && clearness < surelyClear) throw blurred(surface)
  if (pitchPx < finestPx.value)
    throw unclear(
      `the ${surface} are ${pitchPx.toFixed(1)} px apart on the picture, too fine to tell soil between them`,
      `${surface} at least ${finestPx.value} px apart: take it from closer, in several pieces if need be`,
    )
}

function checkRegion(corners: Region): void {
  const turn = (a: number) => {
    const [p, q, r] = [corners[a], corners[(a + 1) % 4], corners[(a + 2) % 4]]
    return (q.x - p.x) * (r.y - q.y) - (q.y - p.y) * (r.x - q.x)
  }
  if (![0, 1, 2, 3].every((at) => turn(at) > 0))
    throw unclear('the four corners do not make a region', 'corners from top left clockwise, none inside the triangle of the others')
  const sides = [0, 1, 2, 3].map((at) => Math.hypot(corners[(at + 1) % 4].x - corners[at].x, corners[(at + 1) % 4].y - corners[at].y))
  if (Math.min(...sides) < leastRegionPx) throw unclear(`the region is ${Math.round(Math.min(...sides))} px across`, `at least ${leastRegionPx} px`)
}

/** Width and height of the part on the picture, px: means of opposite sides. */
function sizeOf(corners: Region): [number, number] {
  const side = (a: number, b: number) => Math.hypot(corners[a].x - corners[b].x, corners[a].y - corners[b].y)
  return [(side(0, 1) + side(2, 3)) / 2, (side(0, 3) + side(1, 2)) / 2]
}
