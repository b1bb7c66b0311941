// What would a camera see at a part whose soil is known? Sample photographs by a seeded renderer, with the truth beside them.
import { seeded } from '../../quantities/index.ts'
import type { SoilKind } from '../../lookover/index.ts'
import { perspectiveOf, type Point } from './perspective.ts'
import type { Raster, Region } from './raster.ts'
import { mapColumns, mapRows, straightWithinDeg, type Surface } from './surface.ts'

export interface SampleWish {
  readonly seed: number
  readonly surface: Surface
  /** Size of the picture, px. */
  readonly width: number
  readonly height: number
  /** Share of the region that soil covers, 0..1. */
  readonly coveredShare: number
  readonly kind: SoilKind
  /** Share of the fins that are bent, 0..1. */
  readonly bentShare: number
  /** Another camera and light on the same part: the part and its soil stay as the seed has them. */
  readonly shot?: number
}
export interface SampleTruth {
  readonly region: Region
  readonly coveredShare: number
  /** Covered share of each cell of {@link mapColumns} × {@link mapRows}, row by row from the part's upper left corner. */
  readonly map: Float32Array
  /** Share of the fins that can be seen which run within {@link straightWithinDeg} of their direction; 1 for blades. */
  readonly straightShare: number
  /** How far the fins lean from the upright of the region, degrees. */
  readonly finDirectionDeg: number
}
export interface Sample {
  readonly raster: Raster
  readonly truth: SampleTruth
}

// Looked up once: these are called in loops over millions of values.
const { PI, abs, atan, cos, exp, floor, imul, max, min, round, sin, sqrt, tan } = Math

/** How each kind of soil looks: colour in linear light, grain of its patches (periods over the region), stretch along the rows, softness of its edge, how much shines through, and its own roughness. */
const looks: Record<
  SoilKind,
  { rgb: readonly [number, number, number]; grain: number; stretch: number; soft: number; through: number; rough: number }
> = {
  dust: { rgb: [0.3, 0.28, 0.25], grain: 5, stretch: 1, soft: 0.05, through: 0.1, rough: 0.14 },
  'lint-hair': { rgb: [0.27, 0.26, 0.28], grain: 6, stretch: 2.5, soft: 0.03, through: 0.08, rough: 0.3 },
  grease: { rgb: [0.24, 0.16, 0.06], grain: 3, stretch: 0.8, soft: 0.06, through: 0.2, rough: 0.06 },
  biofilm: { rgb: [0.1, 0.13, 0.06], grain: 5, stretch: 0.7, soft: 0.05, through: 0.12, rough: 0.1 },
  pollen: { rgb: [0.5, 0.42, 0.12], grain: 7, stretch: 1, soft: 0.05, through: 0.12, rough: 0.14 },
  'fine-powder': { rgb: [0.62, 0.6, 0.57], grain: 4, stretch: 1, soft: 0.05, through: 0.08, rough: 0.07 },
  smoke: { rgb: [0.1, 0.075, 0.05], grain: 3, stretch: 1, soft: 0.07, through: 0.18, rough: 0.06 },
  salt: { rgb: [0.66, 0.67, 0.66], grain: 9, stretch: 1, soft: 0.03, through: 0.1, rough: 0.2 },
  insects: { rgb: [0.13, 0.09, 0.06], grain: 9, stretch: 1.2, soft: 0.03, through: 0.04, rough: 0.3 },
  'leaf-litter': { rgb: [0.22, 0.14, 0.06], grain: 5, stretch: 1.4, soft: 0.02, through: 0.02, rough: 0.26 },
}

/** Smooth noise over the plane, about -1..1: a lattice of random numbers, blended. */
function noiseOver(random: () => number): (x: number, y: number) => number {
  const lattice = Float32Array.from({ length: 4096 }, () => random() * 2 - 1)
  const at = (x: number, y: number) => lattice[(((x * 73) ^ (y * 1009)) >>> 0) & 4095]
  return (x, y) => {
    const [x0, y0] = [floor(x), floor(y)]
    const [dx, dy] = [x - x0, y - y0]
    const [sx, sy] = [dx * dx * (3 - 2 * dx), dy * dy * (3 - 2 * dy)]
    const top = at(x0, y0) + (at(x0 + 1, y0) - at(x0, y0)) * sx
    const bottom = at(x0, y0 + 1) + (at(x0 + 1, y0 + 1) - at(x0, y0 + 1)) * sx
    return top + (bottom - top) * sy
  }
}
const smooth = (from: number, to: number, value: number): number => {
  const share = min(1, max(0, (value - from) / (to - from)))
  return share * share * (3 - 2 * share)
}
/** Grid on which soil and bends are laid out before they are drawn. */
const gridU = 240
const gridV = 180
/** How much of its lean a fin gives back per row of the grid below a bend. */
const backShare = 0.02

/**
 * Draws one photograph. Same wish, same pixels.
 * The part: fins as thin bright edges before dark gaps, or blades round a drum; soil as patches of its kind; bends as leaning fins. The
 * camera: perspective, a lean, uneven and coloured light, exposure, a little blur and noise, the usual tone curve (sRGB, IEC 61966-2-1).
 */
export function samplePhoto(wish: SampleWish): Sample {
  const drawing = drawSample(wish)
  for (;;) {
    const step = drawing.next()
    if (step.done) return step.value
  }
}

/** The same row by row, for callers that have other things to do in between. */
export function* drawSample(wish: SampleWish): Generator<undefined, Sample> {
  const part = seeded(wish.seed)
  const camera = seeded(imul(wish.seed, 31) + 1013 * ((wish.shot ?? 0) + 1))
  const between = (random: () => number, least: number, most: number) => least + (most - least) * random()
  const look = looks[wish.kind]
  const isFins = wish.surface === 'fins'

  // The camera stands where it stands: corners of the part on the picture, px.
  const { width, height } = wish
  const lean = between(camera, -0.08, 0.08)
  const margin = between(camera, 0.04, 0.12)
  const corner = (x: number, y: number): Point => {
    const [cx, cy] = [(x - 0.5) * (1 - 2 * margin), (y - 0.5) * (1 - 2 * margin)]
    const jitter = () => between(camera, -0.03, 0.03)
    return {
      x: (0.5 + cx * cos(lean) - (cy * sin(lean) * height) / width + jitter()) * width,
      y: (0.5 + (cx * sin(lean) * width) / height + cy * cos(lean) + jitter()) * height,
    }
  }
  const corners = [corner(0, 0), corner(1, 0), corner(1, 1), corner(0, 1)] as const
  const perspective = perspectiveOf(corners)
  const aspect = (width / height) * 1

  // The part, in units of its own height.
  const pitchPx = isFins ? between(part, 6, 13) : between(part, 34, 70)
  const count = isFins ? (width * 0.85) / pitchPx : (height * 0.85) / pitchPx
  const finLean = isFins ? between(part, -0.05, 0.05) : 0
  const patches = noiseOver(part)
  const detail = noiseOver(part)
  const bends = noiseOver(part)
  const rough = noiseOver(part)
  const drift = [between(part, -0.6, 0.6), between(part, -0.6, 0.6)]
  const soilAt = (u: number, v: number) => {
    const [x, y] = [(u * look.grain * aspect) / look.stretch, v * look.grain]
    return patches(x, y) + 0.5 * detail(x * 2.1, y * 2.1) + 0.22 * detail(x * 5.3 + 40, y * 5.3) + drift[0] * (u - 0.5) + drift[1] * (v - 0.5)
  }
  const bendAt = (u: number, v: number) => bends(u * 3 * aspect + 90, v * 7) + 0.3 * bends(u * 9 * aspect, v * 12 + 70)
  const threshold = (at: (u: number, v: number) => number, share: number) => {
    if (share <= 0) return Infinity
    if (share >= 1) return -Infinity
    const values = new Float32Array(gridU * gridV)
    for (let row = 0; row < gridV; row++)
      for (let column = 0; column < gridU; column++) values[row * gridU + column] = at((column + 0.5) / gridU, (row + 0.5) / gridV)
    values.sort()
    return values[min(values.length - 1, floor((1 - share) * values.length))]
  }
  const soilFrom = threshold(soilAt, wish.coveredShare)
  const bentFrom = isFins ? threshold(bendAt, wish.bentShare) : Infinity
  const bendTan = tan((between(part, 18, 38) * PI) / 180) * (part() < 0.5 ? -1 : 1)
  // Bent fins lean: their shift grows down the bend and comes back below it. Summed down each column of a grid.
  const shift = new Float32Array((gridU + 1) * (gridV + 1))
  const leaning = new Float32Array((gridU + 1) * (gridV + 1))
  if (isFins && wish.bentShare > 0)
    for (let column = 0; column <= gridU; column++)
      for (let row = 1; row <= gridV; row++) {
        const bent = smooth(bentFrom - 0.05, bentFrom + 0.05, bendAt(column / gridU, row / gridV))
        const at = row * (gridU + 1) + column
        const above = shift[at - gridU - 1]
        shift[at] = above * (1 - backShare * (1 - bent)) + (bent * bendTan) / gridV / aspect
        leaning[at] = (shift[at] - above) * gridV * aspect
      }
  const onGrid = (grid: Float32Array, u: number, v: number) => {
    const [x, y] = [min(gridU - 1e-3, max(0, u * gridU)), min(gridV - 1e-3, max(0, v * gridV))]
    const [x0, y0] = [floor(x), floor(y)]
    const at = y0 * (gridU + 1) + x0
    const [dx, dy] = [x - x0, y - y0]
    return (grid[at] * (1 - dx) + grid[at + 1] * dx) * (1 - dy) + (grid[at + gridU + 1] * (1 - dx) + grid[at + gridU + 2] * dx) * dy
  }

  // The light.
  const warm = between(camera, -0.28, 0.28)
  const tint = between(camera, -0.08, 0.08)
  const gain = [exp(warm), exp(tint), exp(-warm)]
  const exposure = between(camera, 0.55, 1.25)
  const spot = { x: between(camera, 0.25, 0.75), y: between(camera, 0.25, 0.75), fall: between(camera, 0.2, 1.1) }
  const grainy = between(camera, 0.004, 0.022)
  const metal = isFins ? between(part, 0.55, 0.75) : between(part, 0.16, 0.4)
  const gap = isFins ? between(part, 0.07, 0.16) : between(part, 0.03, 0.06)
  const edge = isFins ? between(part, 0.36, 0.5) : between(part, 0.4, 0.52)
  const tubes = round(between(part, 3, 6))

  /** A drum turns away from the light above and below. */
  const roundAt = (v: number) => (isFins ? 1 : 0.35 + 0.65 * sin(PI * (0.12 + 0.76 * v)))
  const surfaceAt = (u: number, v: number, sharp: number): number => {
    if (isFins) {
      const phase = (u + (finLean * v) / aspect - onGrid(shift, u, v)) * count
      const t = phase - floor(phase)
      const open = smooth(edge / 2 - sharp, edge / 2 + sharp, abs(t - 0.5))
      const tube = 0.75 + 0.5 * smooth(0.1, 0.3, abs(((v * tubes) % 1) - 0.5))
      return metal + (gap * tube - metal) * open
    }
    const phase = v * count
    const t = phase - floor(phase)
    const open = smooth(edge - sharp, edge + sharp, t) * smooth(1 + sharp, 1 - sharp, t)
    const round = roundAt(v)
    const disc = smooth(0.003, 0.006, abs(((u * 3 + 0.31) % 1) - 0.5) / 3)
    return (metal * (0.6 + 0.4 * t) * (1 - open) + gap * open) * round * disc + metal * 0.8 * round * (1 - disc)
  }

  const linear = new Float32Array(width * height * 3)
  let covered = 0
  let inside = 0
  const coveredIn = new Float32Array(mapColumns * mapRows)
  const seenIn = new Float32Array(mapColumns * mapRows)
  let seen = 0
  let straight = 0
  const pixelPhase = isFins ? count / (width * 0.85) : count / (height * 0.85)
  for (let y = 0; y < height; y++) {
    yield
    for (let x = 0; x < width; x++) {
      const { x: u, y: v } = perspective.back(x + 0.5, y + 0.5)
      const at = (y * width + x) * 3
      let [r, g, b] = [0.5, 0.49, 0.46]
      const off = max(-u, u - 1, -v, v - 1)
      if (off > 0) {
        // The housing round it: a shadow line, and ribs that do not look like fins.
        const dark = off < 0.012 ? 0.12 : 1
        const shade = dark * (0.85 + 0.1 * patches(u * 3, v * 3))
        ;[r, g, b] = [r * shade, g * shade, b * shade]
      } else {
        const bare = surfaceAt(u, v, max(0.1, pixelPhase * 0.6))
        const density = wish.coveredShare <= 0 ? 0 : wish.coveredShare >= 1 ? 1 : smooth(soilFrom - look.soft, soilFrom + look.soft, soilAt(u, v))
        const alpha = density * (1 - look.through)
        const lump = (1 + look.rough * (rough(u * 55 * aspect, v * 55) + 0.7 * rough(u * 130 * aspect, v * 130))) * roundAt(v)
        r = bare + (look.rgb[0] * lump - bare) * alpha
        g = bare + (look.rgb[1] * lump - bare) * alpha
        b = bare * 0.99 + (look.rgb[2] * lump - bare) * alpha
        inside++
        const cell = min(mapRows - 1, floor(v * mapRows)) * mapColumns + min(mapColumns - 1, floor(u * mapColumns))
        seenIn[cell]++
        if (density > 0.5) {
          covered++
          coveredIn[cell]++
        } else {
          seen++
          if (abs(atan(onGrid(leaning, u, v))) * (180 / PI) <= straightWithinDeg) straight++
        }
      }
      const [fx, fy] = [x / width - spot.x, y / height - spot.y]
      const light = exposure / (1 + spot.fall * 2 * (fx * fx + fy * fy))
      linear[at] = r * light * gain[0]
      linear[at + 1] = g * light * gain[1]
      linear[at + 2] = b * light * gain[2]
    }
  }
  const blurred = blur(linear, width, height, between(camera, 0, 0.45))
  const data = new Uint8ClampedArray(width * height * 4)
  for (let pixel = 0; pixel < width * height; pixel++) {
    for (let channel = 0; channel < 3; channel++) {
      const value = blurred[pixel * 3 + channel]
      const noisy = value + (camera() + camera() + camera() - 1.5) * 2 * grainy * sqrt(max(0.02, value))
      data[pixel * 4 + channel] = 255 * (noisy <= 0.0031308 ? max(0, noisy) * 12.92 : 1.055 * min(1, noisy) ** (1 / 2.4) - 0.055)
    }
    data[pixel * 4 + 3] = 255
  }
  return {
    raster: { width, height, data },
    truth: {
      region: corners.map(({ x, y }) => ({ x: x / width, y: y / height })) as Region,
      coveredShare: covered / inside,
      map: coveredIn.map((value, cell) => (seenIn[cell] > 0 ? value / seenIn[cell] : 0)),
      straightShare: seen === 0 ? 1 : straight / seen,
      finDirectionDeg: (atan(finLean) * 180) / PI,
    },
  }
}

/** Each pixel mixed with its four neighbours by `share` of itself. */
function blur(values: Float32Array, width: number, height: number, share: number): Float32Array {
  const out = new Float32Array(values.length)
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++)
      for (let channel = 0; channel < 3; channel++) {
        const at = (y * width + x) * 3 + channel
        const left = x > 0 ? at - 3 : at
        const right = x < width - 1 ? at + 3 : at
        const up = y > 0 ? at - width * 3 : at
        const down = y < height - 1 ? at + width * 3 : at
        out[at] = values[at] * (1 - share) + ((values[left] + values[right] + values[up] + values[down]) / 4) * share
      }
  return out
}
