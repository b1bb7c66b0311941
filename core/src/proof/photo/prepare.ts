// From a photograph and the corners of a part to features of its blocks: the pitch, the part upright, then what can be said of each block.
import { says } from '../../words/index.ts'
import { estimate, round } from '../../quantities/index.ts'
import { featuresOf, type BlockFeatures, type Fineness } from './features.ts'
import type { LaidOut } from './flat.ts'
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
  readonly laid: LaidOut
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
    laid: { perspective, arc, widthPx, heightPx, pitchPx },
    plates: columns / fineness[surface].perPitch,
  }
}

const blurred = (surface: Surface) => unclear(says('fault.photo.blurred', { surface }), says('fault.photo.blurred-allowed'))

/** @throws Fault `photo-unclear`: nothing repeats, it repeats along the other side of the region, or too finely. */
function checkPitch({ pitchPx, clearness }: Pitch, aside: number, surface: Surface): void {
  if (aside > Math.max(asideClearer * clearness, leastClearness))
    throw unclear(says('fault.photo.aside', { surface }), says('fault.photo.aside-allowed', { surface }))
  if (clearness < leastClearness) throw nothingSeen(surface)
  if (pitchPx < blurredBelow.value && clearness < surelyClear) throw blurred(surface)
  if (pitchPx < finestPx.value)
    throw unclear(
      says('fault.photo.fine', { surface, px: { n: round(pitchPx, 1) } }),
      says('fault.photo.fine-allowed', { surface, px: { n: finestPx.value } }),
    )
}

function checkRegion(corners: Region): void {
  const turn = (a: number) => {
    const [p, q, r] = [corners[a], corners[(a + 1) % 4], corners[(a + 2) % 4]]
    return (q.x - p.x) * (r.y - q.y) - (q.y - p.y) * (r.x - q.x)
  }
  if (![0, 1, 2, 3].every((at) => turn(at) > 0)) throw unclear(says('fault.photo.no-region'), says('fault.photo.no-region-allowed'))
  const sides = [0, 1, 2, 3].map((at) => Math.hypot(corners[(at + 1) % 4].x - corners[at].x, corners[(at + 1) % 4].y - corners[at].y))
  if (Math.min(...sides) < leastRegionPx)
    throw unclear(
      says('fault.photo.small', { px: { n: Math.round(Math.min(...sides)) } }),
      says('fault.photo.small-allowed', { px: { n: leastRegionPx } }),
    )
}

/** Width and height of the part on the picture, px: means of opposite sides. */
function sizeOf(corners: Region): [number, number] {
  const side = (a: number, b: number) => Math.hypot(corners[a].x - corners[b].x, corners[a].y - corners[b].y)
  return [(side(0, 1) + side(2, 3)) / 2, (side(0, 3) + side(1, 2)) / 2]
}
