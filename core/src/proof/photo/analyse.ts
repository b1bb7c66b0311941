// How much of a coil or wheel is covered, and how many fins are straight? Read off a photograph, with how sure that is.
import { clamp, estimate } from '../../quantities/index.ts'
import { says, type Message } from '../../words/index.ts'
import { bladesSeen } from './bladesSeen.ts'
import type { BlockFeatures } from './features.ts'
import { finsSeen } from './finsSeen.ts'
import { prepared } from './prepare.ts'
import type { Raster, Region } from './raster.ts'
import { meanBy, unsureOf, type PartSeen } from './seen.ts'
import { mapColumns, mapRows, straightWithinDeg, type Surface } from './surface.ts'
import { unclear } from './unclear.ts'
import { bladesReading } from './weights/blades.ts'
import { finsReading } from './weights/fins.ts'

/** What a photograph says of the part that it shows. */
export interface PhotoMeasured {
  /** Share of the region that soil covers, 0..1, and where it lies nine times in ten. */
  readonly coveredShare: number
  readonly low: number
  readonly high: number
  /** Share of the fins that can be seen which are straight, 0..1; undefined for blades, and where too few can be seen. */
  readonly straightShare?: number
  /** How far most fins lean from the upright of the region, degrees, clockwise; undefined for blades. */
  readonly finDirectionDeg?: number
  /** Distance from fin to fin on the picture, px. */
  readonly pitchPx: number
  /** Fins or blades between the corners: two photographs of one part show as many. */
  readonly plates: number
  /** What a person should know before they rely on it. */
  readonly notes: readonly Message[]
  /** The part from above, upright: covered share of each cell, row by row. */
  readonly map: { readonly columns: number; readonly rows: number; readonly covered: Float32Array }
}

/** Fewest blocks that say anything. */
const leastCells = 40
/**
 * Which blocks say how their fins stand: surely bare ones, and less sure ones amid fins of one direction, as pressed ones are. Where soil begins, its rim
 * leans as it likes. Fitted to both generators.
 */
const standsSurely = { bare: estimate(0.9, 'chance'), agreement: estimate(0.5, 'share of its edges') } as const
const standsAmid = { bare: estimate(0.6, 'chance'), agreement: estimate(0.6, 'share of the edges around') } as const
/** Directions that belong together when the one that most fins share is looked for, degrees. */
const nearDeg = 3
const nineInTen = 1.645
/** A band wider than this either way is no reading. */
const mostUnsure = estimate(0.09, 'covered share')
/** From here on it is said that something may lie before the part. */
const someHidden = estimate(0.05, 'share of the part')
/** Blown out: from where on it is said, and from where on nothing is read. */
const [someBlown, mostBlown] = [estimate(0.06, 'share of the part'), estimate(0.3, 'share of the part')]
/** Share of the work that is done when the features are there. */
const preparedAt = 0.6
/** A block counts as hidden from this chance on: many that might be do not add up to a hand. */
export const surelyHidden = estimate(0.6, 'chance')
const spreads = { fins: finsReading.spread, blades: bladesReading.spread } as const

/**
 * Measures a region of a photograph: brings the part upright and to a fixed number of values per fin or blade, sees by small networks where soil covers
 * it, and sums up.
 *
 * `tell` hears how much of the work is done, 0..1.
 * @throws Fault `photo-unclear`: the corners do not make a region, it is too small or too fine, on its side, blurred or blown out, shows nothing
 *   that repeats, or the reading is too unsure to be one.
 */
export function measurePhoto(raster: Raster, region: Region, surface: Surface, tell: (done: number) => void = () => {}): PhotoMeasured {
  const part = prepared(raster, region, surface)
  const { features, laid, plates } = part
  tell(preparedAt)
  if (features.places.length < leastCells) throw unclear(says('fault.photo.few', { surface }), says('fault.photo.few-allowed', { surface }))
  const tellOn = (share: number) => tell(preparedAt + (1 - preparedAt) * share)
  const seen = surface === 'fins' ? finsSeen(raster, part, tellOn) : bladesSeen(raster, laid, tellOn)
  const hiddenShare = meanBy(
    seen.sizes,
    seen.hidden.map((chance) => (chance > surelyHidden.value ? 1 : 0)),
  )
  const notes = checked(surface, hiddenShare, meanBy(part.sizes, features.blown))
  const { least, byUnsure } = spreads[surface]
  const off = least + byUnsure * unsureOf(seen)
  if (nineInTen * off > mostUnsure.value)
    throw unclear(says('fault.photo.unsure', { surface, points: { n: Math.round(100 * nineInTen * off) } }), says('fault.photo.unsure-allowed'))
  const coveredShare = clamp(meanBy(seen.sizes, seen.covered), 0, 1)
  return {
    coveredShare,
    // Behind what lies in the way it may be bare.
    low: clamp(coveredShare - nineInTen * off - (hiddenShare > someHidden.value ? hiddenShare : 0), 0, 1),
    high: clamp(coveredShare + nineInTen * off, 0, 1),
    ...(surface === 'fins' ? directions(features, seen.covered) : {}),
    pitchPx: laid.pitchPx,
    plates,
    notes,
    map: mapOf(seen),
  }
}

/**
 * What a person should know of a reading, in sentences.
 * @throws Fault `photo-unclear`: too much of the part is blown out.
 */
function checked(surface: Surface, hiddenShare: number, blownShare: number): Message[] {
  if (blownShare > mostBlown.value)
    throw unclear(says('fault.photo.glare', { surface, share: { share: blownShare } }), says('fault.photo.glare-allowed'))
  return [
    ...(hiddenShare > someHidden.value ? [says('proof.photo.smooth', { share: { share: hiddenShare } })] : []),
    ...(blownShare > someBlown.value ? [says('proof.photo.blown', { share: { share: blownShare } })] : []),
  ]
}

/** Direction of most fins that can be seen, and how many of them keep to it. */
function directions(
  { angles, agreement, agreementAround }: BlockFeatures,
  covered: Float32Array,
): { straightShare?: number; finDirectionDeg: number } {
  const shows = (at: number) =>
    (1 - covered[at] > standsSurely.bare.value && agreement[at] > standsSurely.agreement.value) ||
    (1 - covered[at] > standsAmid.bare.value && agreementAround[at] > standsAmid.agreement.value)
  const seen = angles.filter((_, at) => shows(at))
  // The direction that most share, by degrees, then the mean of those near it: bent ones must not pull.
  const byDegree = new Float64Array(180)
  for (const angle of seen) byDegree[(Math.floor((angle * 180) / Math.PI) + 180) % 180]++
  const around = (degree: number) => {
    let sum = 0
    for (let by = -nearDeg; by <= nearDeg; by++) sum += byDegree[(degree + by + 180) % 180]
    return sum
  }
  let most = 0
  for (let degree = 1; degree < 180; degree++) if (around(degree) > around(most)) most = degree
  const near = (from: number, reachDeg: number) =>
    seen.filter((angle) => {
      const difference = Math.abs(angle - from) % Math.PI
      return Math.min(difference, Math.PI - difference) <= (reachDeg * Math.PI) / 180
    })
  const sums = { cosine: 0, sine: 0 }
  for (const angle of near(((most + 0.5) * Math.PI) / 180, nearDeg)) {
    sums.cosine += Math.cos(2 * angle)
    sums.sine += Math.sin(2 * angle)
  }
  const main = 0.5 * Math.atan2(sums.sine, sums.cosine)
  const lean = ((((main + Math.PI / 2) % Math.PI) + Math.PI) % Math.PI) - Math.PI / 2
  const straight = near(main, straightWithinDeg).length
  return { ...(seen.length >= leastCells ? { straightShare: straight / seen.length } : {}), finDirectionDeg: (lean * 180) / Math.PI }
}

function mapOf({ places, covered }: PartSeen): PhotoMeasured['map'] {
  const [sum, weight] = [new Float32Array(mapColumns * mapRows), new Float32Array(mapColumns * mapRows)]
  // Each block reaches over the cells of the map next to it, so that none stays empty.
  for (const [at, { u, v }] of places.entries()) {
    const [x, y] = [Math.floor(u * mapColumns), Math.floor(v * mapRows)]
    for (let dy = -2; dy <= 2; dy++)
      for (let dx = -2; dx <= 2; dx++) {
        const [column, row] = [x + dx, y + dy]
        if (column < 0 || row < 0 || column >= mapColumns || row >= mapRows) continue
        const share = Math.exp(-3 * ((column + 0.5 - u * mapColumns) ** 2 + (row + 0.5 - v * mapRows) ** 2))
        sum[row * mapColumns + column] += share * covered[at]
        weight[row * mapColumns + column] += share
      }
  }
  return { columns: mapColumns, rows: mapRows, covered: sum.map((value, at) => (weight[at] > 0 ? value / weight[at] : 0)) }
}
