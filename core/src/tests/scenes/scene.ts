// A photograph of a scene, by following rays from a pinhole camera to the part, and the truth beside it. Shares nothing with what reads it.
import { seeded } from '../../quantities/index.ts'
import type { Raster, Region } from '../../proof/photo/raster.ts'
import { mapColumns, mapRows, straightWithinDeg } from '../../proof/photo/surface.ts'
import { developed } from './lens.ts'
import { dropAt, grown, noise } from './noise.ts'
import { platesAt, type Plates } from './part.ts'
import { coverAt, coverOf, truthOf } from './soil.ts'
import type { SceneWish } from './wish.ts'

const { PI, abs, asin, atan, cos, exp, floor, hypot, max, min, sin, sqrt, tan } = Math

export interface SceneTruth {
  readonly region: Region
  readonly coveredShare: number
  /** Covered share of each cell of {@link mapColumns} × {@link mapRows}, row by row from the part's upper left corner. */
  readonly map: Float32Array
  /** Share of what can be seen that runs within {@link straightWithinDeg} of the fins' direction; 1 for blades. */
  readonly straightShare: number
  /** Share of the part that something else hides, and of each cell of the map. */
  readonly hiddenShare: number
  readonly hidden: Float32Array
}
export interface Scene {
  readonly raster: Raster
  readonly truth: SceneTruth
}

interface Dent {
  readonly x: number
  readonly y: number
  readonly wide: number
  readonly tall: number
  readonly push: number
}

/** Photographs the scene of a wish. Same wish, same pixels. */
export function sceneOf(wish: SceneWish): Scene {
  const part = seeded(Math.imul(wish.seed, 2654435761) + 97)
  /** Chance of what changes from photograph to photograph. */
  const random = wish.shot === undefined ? part : seeded(Math.imul(wish.seed, 40503) + 1013 * (wish.shot + 1))
  const betweenBy = (random: () => number) => (least: number, most: number) => least + (most - least) * random()
  const between = betweenBy(random)
  const ofPart = betweenBy(part)
  const { width, height, surface } = wish
  const isFins = surface === 'fins'
  const aspect = width / height

  // The camera: looks at the middle of the part from a little aside, from as far as fills the picture.
  const focal = between(0.85, 1.4) * width
  const fills = between(0.72, 0.9)
  const [pan, tilt, roll] = [between(-0.3, 0.3), between(-0.25, 0.25), between(-0.07, 0.07)]
  const [cp, sp, ct, st, cr, sr] = [cos(pan), sin(pan), cos(tilt), sin(tilt), cos(roll), sin(roll)]
  // Rows: where right, down and forward of the camera point in the room of the part.
  const right = [cp * cr + sp * st * sr, ct * sr, -sp * cr + cp * st * sr]
  const down = [-cp * sr + sp * st * cr, ct * cr, sp * sr + cp * st * cr]
  const ahead = [sp * ct, -st, cp * ct]
  const onPicture = (far: number, x: number, y: number, z: number) => {
    const from = [x + ahead[0] * far, y + ahead[1] * far, z + ahead[2] * far]
    const dot = (axis: readonly number[]) => axis[0] * from[0] + axis[1] * from[1] + axis[2] * from[2]
    const deep = dot(ahead)
    return { x: width / 2 + (focal * dot(right)) / deep, y: height / 2 + (focal * dot(down)) / deep }
  }
  const cornersFrom = (far: number, z: number) =>
    [
      [-0.5, -0.5],
      [0.5, -0.5],
      [0.5, 0.5],
      [-0.5, 0.5],
    ].map(([x, y]) => onPicture(far, x * aspect, y, z))
  // As near as fills the picture, but with all of the part on it.
  let distance = (focal * aspect) / (fills * width)
  while (cornersFrom(distance, 0).some(({ x, y }) => x < 4 || y < 4 || x > width - 4 || y > height - 4)) distance *= 1.03
  const eye = ahead.map((value) => -value * distance)

  // The part: fins from top to bottom on a plane, or blades from left to right round a drum that bulges towards the camera.
  const arc = ofPart(0.5, 0.95)
  const drum = 0.5 / sin(arc)
  const depthOfRim = drum * (1 - cos(arc))
  // Of several photographs of one part the wish means one that the part fills.
  const pitch = wish.pitchPx * (wish.shot === undefined ? distance / focal : aspect / (0.8 * width))
  const metal = ofPart(isFins ? 0.35 : 0.15, isFins ? 0.85 : 0.5)
  const plates: Plates = {
    edge: isFins ? ofPart(0.12, 0.42) : ofPart(0.25, 0.5),
    fall: isFins ? ofPart(0.5, 2.2) : ofPart(0.25, 0.8),
    metal,
    sides: [ofPart(0.45, 0.95), ofPart(0.35, 0.85)],
    behind: metal * ofPart(0.03, 0.28),
  }
  const [tintR, tintG, tintB] = [ofPart(0.94, 1), ofPart(0.95, 1), ofPart(0.9, 1.02)]
  const finLean = isFins ? tan(ofPart(-0.06, 0.06)) : 0
  const wavy = isFins ? ofPart(0, 0.25) * pitch : 0
  const tubes = ofPart(0.1, 0.2)
  const discs = ofPart(0.25, 0.4)
  const seeds = Array.from({ length: 8 }, () => floor(part() * 1e9))
  const dents: Dent[] = Array.from({ length: isFins ? wish.dents : 0 }, () => ({
    x: ofPart(-0.45, 0.45) * aspect,
    y: ofPart(-0.45, 0.45),
    wide: ofPart(0.04, 0.16),
    tall: ofPart(0.05, 0.2),
    push: ofPart(0.25, 0.7) * (part() < 0.5 ? -1 : 1),
  }))
  /** How far fins are pushed aside at a place; falls off like a bell, so that they never cross. */
  const pushed = (x: number, y: number) => {
    let sum = wavy > 0 ? wavy * noise(x * 5, y * 3, seeds[0]) : 0
    for (let at = 0; at < dents.length; at++) {
      const dent = dents[at]
      const dx = (x - dent.x) / dent.wide
      const dy = (y - dent.y) / dent.tall
      const square = dx * dx + dy * dy
      if (square < 9) sum += dent.push * dent.wide * exp(-square)
    }
    return sum
  }
  const slopeAt = (x: number, y: number) => (pushed(x, y + 0.004) - pushed(x, y - 0.004)) / 0.008

  // Soil, and how it looks.
  const cover = coverOf(wish, aspect, random)
  const foam = wish.soiling === 'foam'
  const tone = foam ? between(0.75, 0.95) : exp(between(Math.log(0.06), Math.log(0.7)))
  const hue = foam ? 0 : between(0, 0.5)
  const dye = seeded(wish.seed + 5)
  const warm = [1 + hue * 0.3, 1 - hue * between(0.4, 1.3)]
  const [soilR, soilB] = wish.dyed ? [0.3 + 1.3 * dye(), 0.3 + 1.3 * dye()] : warm
  const solid = between(0.86, 1)
  const rough = (foam ? between(0.03, 0.1) : between(0.05, 0.4)) * (wish.dyed ? 0.2 : 1)
  const grainPeriods = foam ? between(20, 60) : between(15, 120)
  const lies = between(0, 1)
  const film = wish.soiling === 'film' ? between(0.15, 0.5) : random() < 0.3 ? between(0, 0.25) : 0

  // Light: a lamp somewhere, what it throws back, haze before the lens.
  const lamp = { x: between(-0.6, 0.6) * aspect, y: between(-0.5, 0.5), near: between(0.6, 2.5), all: between(0.2, 0.8) }
  const flash =
    wish.light === 'flash' ? { x: between(-0.12, 0.12), y: between(-0.12, 0.12), falls: between(2, 6), hot: between(0.2, 1.2) } : undefined
  const veil = wish.light === 'veil' ? between(0.04, 0.16) : between(0, 0.02)
  const glares = Array.from({ length: wish.light === 'glare' ? 1 + floor(random() * 3) : 0 }, () => ({
    x: between(-0.5, 0.5) * aspect,
    y: between(-0.5, 0.5),
    wide: between(0.05, 0.22),
    tall: between(0.05, 0.4),
    strong: between(0.25, 1.6),
  }))
  const [dropsAcross, dropLight] = [between(20, 45), between(0.3, 1.5)]
  const [whiteR, whiteB] = [exp(between(-0.25, 0.25)), exp(between(-0.3, 0.3))]

  // Something before the part: fingers from the border, or a tool across it.
  const fingers = wish.obstacle === 'none' ? [] : obstacleOf(wish.obstacle, aspect, between, random)

  const values = new Float32Array(width * height * 3)
  // Plain numbers and counted loops from here on: this is done for each of millions of rays.
  const samples = 4
  const sampleX = [0.375, 0.125, 0.625, 0.875]
  const sampleY = [0.875, 0.375, 0.125, 0.625]
  const [eyeX, eyeY, eyeZ] = eye
  const [aheadX, aheadY, aheadZ] = ahead
  const [rightX, rightY, rightZ] = right
  const [downX, downY, downZ] = down
  let inside = 0
  let hidden = 0
  const [insideIn, hiddenIn] = [new Float32Array(mapColumns * mapRows), new Float32Array(mapColumns * mapRows)]
  for (let py = 0; py < height; py++)
    for (let px = 0; px < width; px++) {
      let r = 0
      let g = 0
      let b = 0
      // What changes slowly is looked up once a pixel, at its middle on the plane of the part.
      const mx = (px + 0.5 - width / 2) / focal
      const my = (py + 0.5 - height / 2) / focal
      const toPlane = -eyeZ / (aheadZ + rightZ * mx + downZ * my)
      let placeX = eyeX + (aheadX + rightX * mx + downX * my) * toPlane
      let placeY = eyeY + (aheadY + rightY * mx + downY * my) * toPlane
      const push = isFins ? pushed(placeX, placeY) : 0
      const leans = dents.length > 0 ? 1 + 0.5 * min(1, abs(slopeAt(placeX, placeY))) : 1
      // What lies thick throws light back by itself; film only dulls the metal.
      const dull = film > 0 ? 1 - 0.6 * min(1, film * max(0, 0.6 + grown(placeX * 4, placeY * 4, seeds[2], 2, 0.5))) : 1
      for (let sample = 0; sample < samples; sample++) {
        const cx = (px + sampleX[sample] - width / 2) / focal
        const cy = (py + sampleY[sample] - height / 2) / focal
        const dx = aheadX + rightX * cx + downX * cy
        const dy = aheadY + rightY * cx + downY * cy
        const dz = aheadZ + rightZ * cx + downZ * cy
        let far = -eyeZ / dz
        let beside = false
        if (!isFins) {
          // A drum along x whose foremost line is z = 0.
          const oz = eyeZ - drum
          const qa = dy * dy + dz * dz
          const qb = eyeY * dy + oz * dz
          const root = qb * qb - qa * (eyeY * eyeY + oz * oz - drum * drum)
          beside = root < 0
          if (!beside) far = (-qb - sqrt(root)) / qa
        }
        const x = eyeX + dx * far
        const y = beside ? 9 : eyeY + dy * far
        if (!isFins && sample === 0) {
          placeX = x
          placeY = y
        }
        const u = x / aspect + 0.5
        const v = y + 0.5
        if (u < 0 || v < 0 || u > 1 || v > 1) {
          // Housing, with a shadow where the part begins.
          const off = max(-u, u - 1, -v, v - 1)
          const shade = (off < 0.012 ? 0.08 : 0.5) * (1 + 0.1 * noise(x * 3, y * 3, seeds[1]))
          r += shade
          g += shade * 0.99
          b += shade * 0.96
          continue
        }
        let across: number
        let tangent: number
        if (isFins) {
          across = (x - finLean * y - push) / pitch
          tangent = dx / dz
        } else {
          const angle = asin(min(1, max(-1, y / drum)))
          across = (angle * drum) / pitch
          // Slant against the drum's own upright there.
          const ny = sin(angle)
          const nz = -cos(angle)
          tangent = (dy * -nz + dz * ny) / abs(dy * ny + dz * nz) + 0.25
        }
        const phase = across - floor(across)
        let bare = platesAt(plates, phase, tangent)
        if (isFins) {
          const tube = abs(((v / tubes) % 1) - 0.5)
          if (phase >= plates.edge) bare *= tube < 0.16 ? 1.35 : 0.95
          bare *= leans
        } else if (abs((u % discs) - discs / 2) < 0.006) bare = metal * 0.8
        const here = coverAt(cover, u, v)
        const alpha = here * solid
        const dulled = bare * dull * (1 - alpha)
        const soil = tone * (0.75 + 0.25 * here * lies) * alpha
        r += dulled * tintR + soil * soilR
        g += dulled * tintG + soil
        b += dulled * tintB + soil * soilB
      }
      const at = (py * width + px) * 3
      const u = placeX / aspect + 0.5
      const v = placeY + 0.5
      const within = u >= 0 && v >= 0 && u <= 1 && v <= 1
      const cell = min(mapRows - 1, max(0, floor(v * mapRows))) * mapColumns + min(mapColumns - 1, max(0, floor(u * mapColumns)))
      const here = within ? coverAt(cover, u, v) : 0
      // The grain of what lies thick.
      const lump = here > 0.05 ? 1 + rough * here * grown(placeX * grainPeriods, placeY * grainPeriods, seeds[3], 3, 0.6) : 1
      const ex = (px - width / 2) / width
      const ey = (py - height / 2) / width
      const vignette = 1 / (1 + ((ex * ex + ey * ey) * width * width) / (focal * focal)) ** 2
      let light = (lamp.all + 1 / (1 + ((placeX - lamp.x) ** 2 + (placeY - lamp.y) ** 2) / lamp.near ** 2)) * vignette
      let thrown = veil
      if (flash) {
        const square = (ex - flash.x) ** 2 + (ey - flash.y) ** 2
        light *= 0.25 + 2 / (1 + flash.falls * 4 * square)
        thrown += flash.hot * exp(-square * 90) * (1 - 0.75 * here)
      }
      for (let glare = 0; glare < glares.length; glare++) {
        const { x, y, wide, tall, strong } = glares[glare]
        thrown += strong * exp(-(((placeX - x) / wide) ** 2) - ((placeY - y) / tall) ** 2) * (1 - 0.75 * here)
      }
      if (wish.wet && within) thrown += dropAt(placeX * dropsAcross, placeY * dropsAcross, seeds[4]) * dropLight
      r = (r / samples) * lump * light + thrown
      g = (g / samples) * lump * light + thrown
      b = (b / samples) * lump * light + thrown
      for (let finger = 0; finger < fingers.length; finger++) {
        const shade = fingers[finger].shadeAt(placeX, placeY)
        if (shade === undefined) continue
        r = fingers[finger].rgb[0] * shade * light
        g = fingers[finger].rgb[1] * shade * light
        b = fingers[finger].rgb[2] * shade * light
        if (within) {
          hidden++
          hiddenIn[cell]++
        }
        break
      }
      if (within) {
        inside++
        insideIn[cell]++
      }
      values[at] = r * whiteR
      values[at + 1] = g
      values[at + 2] = b * whiteB
    }
  // Exposure: the camera brings most of the picture near white, some over it.
  const bright = values.filter((_, at) => at % 3 === 1).sort()[floor(width * height * 0.95)]
  const exposure = between(0.45, 1.05) / bright
  for (let at = 0; at < values.length; at++) values[at] *= exposure
  const shake = wish.camera === 'shaken' ? between(0.35, 1.2) * wish.pitchPx : 0
  const upright: Raster = { width, height, data: developed({ width, height, values }, wish.camera, shake, random) }

  // The truth.
  const { map, share } = truthOf(cover, mapColumns, mapRows)
  let [seen, straight] = [0, 0]
  if (isFins && dents.length > 0)
    for (let row = 0; row < 180; row++)
      for (let column = 0; column < 240; column++) {
        const [u, v] = [(column + 0.5) / 240, (row + 0.5) / 180]
        if (coverAt(cover, u, v) > 0.5) continue
        seen++
        if (abs(atan(slopeAt((u - 0.5) * aspect, v - 0.5))) * (180 / PI) <= straightWithinDeg) straight++
      }
  const region = cornersFrom(distance, isFins ? 0 : depthOfRim).map(({ x, y }) => ({ x: x / width, y: y / height })) as Region
  const truth = {
    coveredShare: share,
    map,
    straightShare: seen > 0 ? straight / seen : 1,
    hiddenShare: inside > 0 ? hidden / inside : 0,
    hidden: hiddenIn.map((count, at) => (insideIn[at] > 0 ? count / insideIn[at] : 0)),
  }
  return turned({ raster: upright, truth: { ...truth, region } }, wish.quarterTurns)
}

interface Finger {
  readonly rgb: readonly number[]
  /** Brightness at a place; undefined beside it. */
  shadeAt(x: number, y: number): number | undefined
}

/** Round bars in the way: fingers that come in side by side from one border, or one straight handle right across. */
function obstacleOf(kind: 'hand' | 'tool', aspect: number, between: (least: number, most: number) => number, random: () => number): Finger[] {
  const direction = between(0, 2 * PI)
  const [cx, cy] = [cos(direction), sin(direction)]
  const skin = exp(between(-1.4, -0.3))
  const rgb =
    kind === 'hand' ? [skin, skin * between(0.6, 0.75), skin * between(0.4, 0.6)] : [between(0.05, 0.6), between(0.05, 0.5), between(0.03, 0.4)]
  const bars = kind === 'hand' ? 2 + floor(random() * 3) : 1
  return Array.from({ length: bars }, (_, bar) => {
    const half = kind === 'hand' ? between(0.06, 0.09) : between(0.03, 0.07)
    const aside = (bar - (bars - 1) / 2) * 0.18 + between(-0.02, 0.02)
    const from = kind === 'hand' ? between(-0.15, 0.2) : -9
    return {
      rgb,
      shadeAt: (x, y) => {
        const along = x * cx + (y * aspect * cy) / aspect
        const across = -x * cy + y * cx - aside
        const tip = along < from ? from - along : 0
        const off = hypot(across, tip) / half
        return off >= 1 ? undefined : 0.4 + 0.6 * sqrt(1 - off * off)
      },
    }
  })
}

/** The picture turned clockwise by quarters; the corners stay from the upper left one of the picture on, as a person sets them who does not see it. */
function turned({ raster, truth }: Scene, quarters: SceneWish['quarterTurns']): Scene {
  let [{ width, height, data }, corners] = [raster, truth.region]
  for (let turn = 0; turn < quarters; turn++) {
    const out = new Uint8ClampedArray(data.length)
    for (let y = 0; y < height; y++)
      for (let x = 0; x < width; x++) {
        const [from, to] = [(y * width + x) * 4, (x * height + height - 1 - y) * 4]
        for (let channel = 0; channel < 4; channel++) out[to + channel] = data[from + channel]
      }
    data = out
    ;[width, height] = [height, width]
    const by = corners.map(({ x, y }) => ({ x: 1 - y, y: x }))
    corners = [by[3], by[0], by[1], by[2]] as Region
  }
  return { raster: { width, height, data }, truth: { ...truth, region: corners } }
}
