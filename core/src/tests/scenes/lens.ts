// What does a camera make of the light? Softness, shake, grain, sharpening, tone curve; all in place on red, green and blue, linear, 0..1.
import type { SceneWish } from './wish.ts'

const { PI, abs, ceil, cos, exp, max, min, round, sin, sqrt } = Math

export interface Light3 {
  readonly width: number
  readonly height: number
  /** Three values a pixel. */
  readonly values: Float32Array
}

/** Gaussian blur by rows and columns. */
export function blurred({ width, height, values }: Light3, sigma: number): Float32Array {
  if (sigma < 0.15) return values.slice()
  const reach = ceil(2.5 * sigma)
  const weights = Float64Array.from({ length: 2 * reach + 1 }, (_, at) => exp(-((at - reach) ** 2) / (2 * sigma * sigma)))
  const sum = weights.reduce((all, weight) => all + weight, 0)
  for (let at = 0; at < weights.length; at++) weights[at] /= sum
  let from = values
  for (const step of [3, 3 * width]) {
    const out = new Float32Array(values.length)
    const last = (step === 3 ? width : height) - 1
    for (let y = 0; y < height; y++)
      for (let x = 0; x < width; x++) {
        const place = step === 3 ? x : y
        const isInside = place >= reach && place <= last - reach
        const at = (y * width + x) * 3
        let r = 0
        let g = 0
        let b = 0
        for (let by = -reach; by <= reach; by++) {
          const source = at + (isInside ? by : min(last, max(0, place + by)) - place) * step
          const weight = weights[by + reach]
          r += from[source] * weight
          g += from[source + 1] * weight
          b += from[source + 2] * weight
        }
        out[at] = r
        out[at + 1] = g
        out[at + 2] = b
      }
    from = out
  }
  return from
}

/** Mean along a straight way of `lengthPx`: a hand that moved while the shutter was open. */
function shaken({ width, height, values }: Light3, lengthPx: number, direction: number): Float32Array {
  const steps = max(1, round(lengthPx * 1.5))
  const out = new Float32Array(values.length)
  for (let step = 0; step < steps; step++) {
    const along = (step / steps - 0.5) * lengthPx
    const [dx, dy] = [round(cos(direction) * along), round(sin(direction) * along)]
    for (let y = 0; y < height; y++)
      for (let x = 0; x < width; x++) {
        const from = (min(height - 1, max(0, y + dy)) * width + min(width - 1, max(0, x + dx))) * 3
        const at = (y * width + x) * 3
        for (let channel = 0; channel < 3; channel++) out[at + channel] += values[from + channel] / steps
      }
  }
  return out
}

/** Adds what stands out of a softer picture, `amount` times. */
function sharpened(light: Light3, amount: number, sigma: number): Float32Array {
  const soft = blurred(light, sigma)
  return light.values.map((value, at) => value + amount * (value - soft[at]))
}

/** So many steps of brightness are told apart: a fifth of a step of 8 bits in the darkest tones, where the curve is steepest. */
const shades = 16_384
const srgb = Float64Array.from({ length: shades + 1 }, (_, at) => {
  const value = at / shades
  return value <= 0.0031308 ? value * 12.92 : 1.055 * value ** (1 / 2.4) - 0.055
})

/** The picture as the camera stores it: 8 bits of sRGB (IEC 61966-2-1), after softness, shake, grain, sharpening and the maker's contrast. */
export function developed(light: Light3, camera: SceneWish['camera'], shakePx: number, random: () => number): Uint8ClampedArray<ArrayBuffer> {
  const { width, height } = light
  const soft = camera === 'night' ? 0.9 + 0.7 * random() : 0.3 + 0.7 * random()
  let values = blurred(light, soft)
  if (shakePx > 0) values = shaken({ width, height, values }, shakePx, random() * PI)
  const grain = camera === 'night' ? 0.02 + 0.03 * random() : 0.003 + 0.02 * random()
  const graph = () => random() + random() + random() - 1.5
  values = values.map((value) => value + graph() * 2 * grain * sqrt(max(0.02, abs(value))))
  if (camera === 'night') values = sharpened({ width, height, values: blurred({ width, height, values }, 0.8) }, 1 + 1.2 * random(), 1.6)
  if (camera === 'sharpened') values = sharpened({ width, height, values }, 0.5 + 0.9 * random(), 0.8 + 0.5 * random())
  const contrast = random() * 0.5
  const code = Float64Array.from({ length: shades + 1 }, (_, at) => {
    const own = srgb[at]
    return 255 * (own + contrast * (own * own * (3 - 2 * own) - own))
  })
  const data = new Uint8ClampedArray(width * height * 4)
  for (let pixel = 0; pixel < width * height; pixel++) {
    for (let channel = 0; channel < 3; channel++) data[pixel * 4 + channel] = code[round(shades * min(1, max(0, values[pixel * 3 + channel])))]
    data[pixel * 4 + 3] = 255
  }
  return data
}
