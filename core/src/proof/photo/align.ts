// Where is the part of one photograph on another one of it? Before is soiled and after is not, so only what soil leaves counts: the outline,
// where plates begin, and what stands around the part.
import { estimate } from '../../quantities/index.ts'
import { coarseOf } from './coarse.ts'
import { liesRoughly, marksAround, middleOf, moved, settledOn, type Mark, type Outline, type Quad } from './outline.ts'
import { perspectiveOf } from './perspective.ts'
import { usualRegion, type Raster, type Region } from './raster.ts'
import type { Surface } from './surface.ts'

const { exp, hypot, PI } = Math

/** Columns of the picture in which the part is searched, and in which it is settled, with how many go on to the next and steps in cells. */
const searchColumns = 64
const stages = [
  { columns: 64, from: 14, steps: [2.5, 0.6] },
  { columns: 128, from: 8, steps: [2.5, 0.6] },
  { columns: 256, from: 4, steps: [2.5, 0.5] },
  { columns: 448, from: 2, steps: [2, 0.25] },
] as const
/** Corners on the first photograph are settled onto its clearest edge in these. */
const ownStages = [
  { columns: 256, steps: [4, 0.25] },
  { columns: 448, steps: [4, 0.25] },
] as const
/** Share of the places of each side that counts: nearly all of them tell where its corners are, fewer find it where something lies over a side. */
const [nearlyAll, mostOfThem] = [0.95, 0.8]
/** A person sets corners no farther from the edge than this, shares of the picture. */
const mostOff = 0.05
/** Large plates run along the upper and the lower side of a wheel; fins are too fine to be taken for a side. */
const bladeSides = [0, 2]
const marksColumns = 256
/** How far the second camera may be off the first: turns in degrees, sizes, and shifts in shares of the picture. */
const turnsDeg = [-12, -8, -4, 0, 4, 8, 12]
const sizes = Array.from({ length: 11 }, (_, at) => exp((at - 5) * 0.1))
const mostShift = 0.4
const middleWithin = [0.2, 0.8] as const
/** Cells between the places that are tried; how many of the best are looked through, and how far apart they have to be, shares of the picture. */
const searchStep = 1.5
const lookedThrough = 4000
const apart = 0.035
const same = 0.01
/** Sides of a drum bulge by about so much of their length. */
const usualBulge = 0.06
/** Better by this, they do. */
const surelyDrum = 0.05
/** Below this the outline is not one: something else was found. */
const leastFit = estimate(1.5, 'of two')

export interface Aligned {
  /** The part on the second photograph. */
  readonly region: Region
  /** How well its outline lies there, 0..2, and up to one more for what stands around it. */
  readonly fit: number
}

/**
 * The region of a second photograph that shows the same part, or piece of it, as `region` of the first; undefined where the part is not found with
 * its outline. Corners that a person set a little within or outside of the part's edge are put as far from it. Both taken from about the same
 * place: turned by up to 12°, from 0.6 to 1.6 times as near.
 */
export function alignedRegion(before: Raster, region: Region, after: Raster, surface: Surface): Aligned | undefined {
  const own = outlineOf(before, region, surface)
  if (!own) return undefined
  // What stands around a drum is not in the plane of its rims.
  const marks = bulges(own) ? [] : marksAround(coarseOf(before, marksColumns), own)
  const found = foundOn(after, own, marks, surface)
  if (!found) return undefined
  const { back } = perspectiveOf(own.quad)
  const { at } = perspectiveOf(found.outline.quad)
  const [a, b, c, d] = region.map(({ x, y }) => {
    const { x: u, y: v } = back(x, y)
    return at(u, v)
  })
  return { region: [a, b, c, d], fit: found.fit }
}

interface Found {
  readonly outline: Outline
  readonly fit: number
}
const bulges = (outline: Outline): boolean => outline.bulges.some((bulge) => bulge > 0)

/** The outline of the part on the photograph on which a person set corners: near them, or around them where they are on a piece of the part. */
function outlineOf(picture: Raster, region: Region, surface: Surface): Outline | undefined {
  const near = edgeNear(picture, region, surface)
  if (near.fit >= leastFit.value) return near.outline
  // A part that was photographed as a whole fills most of the picture, whatever piece of it the corners are on.
  const [straight, drum] = [0, usualBulge].map((bulge) =>
    bulge > 0 && surface === 'fins' ? undefined : foundOn(picture, { quad: usualRegion, bulges: [bulge, bulge] }, [], surface),
  )
  const around = drum && drum.fit > (straight?.fit ?? 0) + surelyDrum ? drum : straight
  if (!around) return undefined
  const { back } = perspectiveOf(around.outline.quad)
  const { x, y } = middleOf(region)
  const middle = back(x, y)
  return middle.x > 0 && middle.x < 1 && middle.y > 0 && middle.y < 1 ? around.outline : undefined
}

/** The clearest edge near the corners that a person set: straight, or bulging where a drum is told by that. */
function edgeNear(picture: Raster, region: Region, surface: Surface): Found {
  const pictures = ownStages.map(({ columns, steps }) => ({ coarse: coarseOf(picture, columns), steps }))
  const settledFrom = (bulge: number) =>
    pictures.reduce<Found>(
      ({ outline }, { coarse, steps }) =>
        settledOn(coarse, outline, {
          steps,
          counted: nearlyAll,
          tall: picture.height / picture.width,
          bulging: bulge > 0,
          marks: [],
          alongPlates: [],
          most: mostOff,
        }),
      { outline: { quad: region, bulges: [bulge, bulge] }, fit: 0 },
    )
  const straight = settledFrom(0)
  if (surface === 'fins') return straight
  const drum = settledFrom(usualBulge)
  return drum.fit > straight.fit + surelyDrum ? drum : straight
}

/** Where an outline like this one lies on a picture; undefined where it does not. */
function foundOn(picture: Raster, like: Outline, marks: readonly Mark[], surface: Surface): Found | undefined {
  return soughtOn(picture, like, marks, surface, nearlyAll) ?? soughtOn(picture, like, marks, surface, mostOfThem)
}
function soughtOn(picture: Raster, like: Outline, marks: readonly Mark[], surface: Surface, counted: number): Found | undefined {
  const bulging = bulges(like)
  const settling = { tall: picture.height / picture.width, bulging, marks, alongPlates: surface === 'blades' && !bulging ? bladeSides : [] }
  let found = searched(picture, like.quad).map((quad): Found => ({ outline: { quad, bulges: like.bulges }, fit: 0 }))
  for (const { columns, from, steps } of stages) {
    const coarse = coarseOf(picture, columns)
    const settled = found
      .slice(0, from)
      .map(({ outline }) => settledOn(coarse, outline, { ...settling, steps, counted }))
      .sort((a, b) => b.fit - a.fit)
    // Several end in the same place: one of them goes on.
    found = settled.filter(({ outline }, at) => settled.slice(0, at).every((better) => between(better.outline.quad, outline.quad) > same))
  }
  const best = found.at(0)
  return best && best.fit >= leastFit.value ? best : undefined
}

/** Where the quad may be on the picture, shifted, turned and scaled: the best places that are apart from each other. */
function searched(picture: Raster, quad: Quad): Quad[] {
  const coarse = coarseOf(picture, searchColumns)
  const tall = picture.height / picture.width
  const tried: { quad: Quad; fit: number }[] = []
  const [nearest, farthest] = middleWithin
  for (const scale of sizes)
    for (const turnDeg of turnsDeg) {
      const shape = moved(quad, { scale, turn: (turnDeg * PI) / 180 }, tall)
      const middle = middleOf(shape)
      for (let dy = -mostShift; dy <= mostShift; dy += searchStep / coarse.rows)
        for (let dx = -mostShift; dx <= mostShift; dx += searchStep / coarse.columns) {
          const [x, y] = [middle.x + dx, middle.y + dy]
          if (x < nearest || x > farthest || y < nearest || y > farthest) continue
          const [a, b, c, d] = shape
          const shifted: Quad = [
            { x: a.x + dx, y: a.y + dy },
            { x: b.x + dx, y: b.y + dy },
            { x: c.x + dx, y: c.y + dy },
            { x: d.x + dx, y: d.y + dy },
          ]
          tried.push({ quad: shifted, fit: liesRoughly(coarse, shifted) })
        }
    }
  tried.sort((one, other) => other.fit - one.fit)
  const kept: Quad[] = []
  for (const { quad: own } of tried.slice(0, lookedThrough)) {
    if (kept.every((other) => between(other, own) > apart)) kept.push(own)
    if (kept.length === stages[0].from) break
  }
  return kept
}

/** Mean distance from corner to corner, shares of the picture. */
const between = (one: Quad, other: Quad): number => one.reduce((sum, { x, y }, at) => sum + hypot(x - other[at].x, y - other[at].y) / 4, 0)
