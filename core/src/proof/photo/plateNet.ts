// A small network of convolutions that sees a part laid flat: where soil covers it, and where something lies before it. Each place is judged by what it
// looks like, by what is around it, and by the part as a whole: what bare metal looks like on this photograph shows on the part itself.
import { blockSide, type Flat } from './flat.ts'
import { luminance } from './texture.ts'

// Looked up once: these are called in loops over millions of values.
const { exp, log, max, min, sqrt } = Math

/** Weights of 3 × 3 places (`size` 3) or of one (1): [row][column][in][out], one after the other; a bias per channel out. */
export interface Layer {
  readonly size: 1 | 3
  readonly into: number
  readonly out: number
  readonly weights: Float32Array
  readonly bias: Float32Array
}

/** Channels of the input, in order. */
export const channelNames = [
  'brightness against the mean of the part',
  'brightness against what is around',
  'red against green, off the mean of the part',
  'blue against green, off the mean of the part',
  'blown out',
  'brightness',
] as const
/** Values about which a value is compared with what is around it: about a pitch and a half. */
const aroundSide = 19
const blownFrom = log(0.9)
/** Brings channels to about one. */
const scales = [1, 2, 3, 3, 1, 1 / 3] as const

/** Steps of the convolutions that see further and further, in blocks; after {@link wholeAgainAfter} of them the whole part is taken in once more. */
export const dilations = [1, 2, 4, 8, 2, 1] as const
export const wholeAgainAfter = 4

/** Layers: of all values, of half as many either way, of blocks; the whole part; further and further around; the whole part again; both answers. */
export interface PlateNet<Kind = Layer> {
  readonly fine: Kind
  readonly half: Kind
  readonly block: Kind
  readonly whole: Kind
  readonly dilated: readonly Kind[]
  readonly wholeAgain: Kind
  readonly out: Kind
}

/** What the network is shown of a part: {@link channelNames} a value. */
export function channelsOf({ width, height, light }: Flat): Float32Array {
  const size = width * height
  const bright = new Float32Array(size)
  const [red, blue] = [new Float32Array(size), new Float32Array(size)]
  let [meanBright, meanRed, meanBlue] = [0, 0, 0]
  for (let at = 0; at < size; at++) {
    const [r, g, b] = [light[3 * at], light[3 * at + 1], light[3 * at + 2]]
    bright[at] = log(luminance[0] * exp(r) + luminance[1] * exp(g) + luminance[2] * exp(b))
    red[at] = r - g
    blue[at] = b - g
    meanBright += bright[at] / size
    meanRed += red[at] / size
    meanBlue += blue[at] / size
  }
  const around = meansAround(bright, width, height)
  const out = new Float32Array(size * channelNames.length)
  for (let at = 0; at < size; at++) {
    const own = [bright[at] - meanBright, bright[at] - around[at], red[at] - meanRed, blue[at] - meanBlue, bright[at] > blownFrom ? 1 : 0, bright[at]]
    for (let channel = 0; channel < own.length; channel++) out[at * own.length + channel] = own[channel] * scales[channel]
  }
  return out
}

/** Means over squares of {@link aroundSide}, of as much of them as lies on the part. */
function meansAround(values: Float32Array, width: number, height: number): Float32Array {
  const half = (aroundSide - 1) / 2
  // Sums over everything above and to the left.
  const sums = new Float64Array((width + 1) * (height + 1))
  for (let y = 0; y < height; y++)
    for (let x = 0, line = 0; x < width; x++) {
      line += values[y * width + x]
      sums[(y + 1) * (width + 1) + x + 1] = sums[y * (width + 1) + x + 1] + line
    }
  const out = new Float32Array(width * height)
  for (let y = 0; y < height; y++) {
    const [top, bottom] = [max(0, y - half), min(height, y + half + 1)]
    for (let x = 0; x < width; x++) {
      const [left, right] = [max(0, x - half), min(width, x + half + 1)]
      const sum =
        sums[bottom * (width + 1) + right] - sums[top * (width + 1) + right] - sums[bottom * (width + 1) + left] + sums[top * (width + 1) + left]
      out[y * width + x] = sum / ((bottom - top) * (right - left))
    }
  }
  return out
}

/** Channels of each place, one place after the other, row by row. */
interface Sheet {
  readonly width: number
  readonly height: number
  readonly values: Float32Array
}

/**
 * A convolution: each place from nine, `dilation` apart, of every `stride`-th one. Beyond the rim there is nothing: 0. With a stride of two, places reach
 * to the right and below, as the layers were fitted.
 */
function convolved({ width, height, values }: Sheet, { size, into, out, weights, bias }: Layer, stride: 1 | 2, dilation: number): Sheet {
  const [wide, tall] = [width / stride, height / stride]
  const result = new Float32Array(wide * tall * out)
  // What there is around a place, and where its weights begin: half of what comes out of a layer is 0.
  const [own, from] = [new Float64Array(size * size * into), new Int32Array(size * size * into)]
  const first = size === 1 || stride === 2 ? 0 : -1
  for (let y = 0; y < tall; y++)
    for (let x = 0; x < wide; x++) {
      let count = 0
      for (let row = 0; row < size; row++) {
        const fromY = y * stride + (first + row) * dilation
        if (fromY < 0 || fromY >= height) continue
        for (let column = 0; column < size; column++) {
          const fromX = x * stride + (first + column) * dilation
          if (fromX < 0 || fromX >= width) continue
          const there = (fromY * width + fromX) * into
          const weight = (row * size + column) * into * out
          for (let channel = 0; channel < into; channel++) {
            const value = values[there + channel]
            if (value === 0) continue
            own[count] = value
            from[count++] = weight + channel * out
          }
        }
      }
      const at = (y * wide + x) * out
      let channel = 0
      // Four at a time stay out of memory while they are summed up.
      for (; channel + 4 <= out; channel += 4) {
        let [a, b, c, d] = [bias[channel], bias[channel + 1], bias[channel + 2], bias[channel + 3]]
        for (let index = 0; index < count; index++) {
          const value = own[index]
          const weight = from[index] + channel
          a += value * weights[weight]
          b += value * weights[weight + 1]
          c += value * weights[weight + 2]
          d += value * weights[weight + 3]
        }
        result[at + channel] = a
        result[at + channel + 1] = b
        result[at + channel + 2] = c
        result[at + channel + 3] = d
      }
      for (; channel < out; channel++) {
        let sum = bias[channel]
        for (let index = 0; index < count; index++) sum += own[index] * weights[from[index] + channel]
        result[at + channel] = sum
      }
    }
  return { width: wide, height: tall, values: result }
}

/** What is below 0 counts as 0. */
const positive = (sheet: Sheet): Sheet => ({ ...sheet, values: sheet.values.map((value) => (value > 0 ? value : 0)) })
const sum = (one: Sheet, other: Float32Array): Sheet => ({
  ...one,
  values: one.values.map((value, at) => value + other[at % other.length]),
})

/** Mean and deviation of each channel over the whole part, brought to as many channels by a layer. */
function wholeOf({ values }: Sheet, layer: Layer): Float32Array {
  const channels = layer.into / 2
  const places = values.length / channels
  const both = new Float32Array(layer.into)
  for (let channel = 0; channel < channels; channel++) {
    let [mean, square] = [0, 0]
    for (let at = channel; at < values.length; at += channels) mean += values[at] / places
    for (let at = channel; at < values.length; at += channels) square += (values[at] - mean) ** 2 / places
    both[channel] = mean
    both[channels + channel] = sqrt(square + 1e-4)
  }
  return convolved({ width: 1, height: 1, values: both }, layer, 1, 1).values
}

/** Chances of each block, row by row: that soil covers it, and that something lies before the part there. */
export interface BlocksSeen {
  readonly columns: number
  readonly rows: number
  readonly covered: Float32Array
  readonly hidden: Float32Array
}

/** What the network sees on a part. `tell` hears how much of it is done, 0..1: the three layers that begin take about half of the time. */
export function seenBy(net: PlateNet, flat: Flat, tell: (done: number) => void = () => {}): BlocksSeen {
  const { width, height } = flat
  const fine = positive(convolved({ width, height, values: channelsOf(flat) }, net.fine, 1, 1))
  const half = positive(convolved(fine, net.half, 2, 1))
  let own = positive(convolved(half, net.block, 2, 1))
  tell(0.5)
  own = positive(sum(own, wholeOf(own, net.whole)))
  for (const [at, dilation] of dilations.entries()) {
    own = sum(own, positive(convolved(own, net.dilated[at], 1, dilation)).values)
    if (at + 1 === wholeAgainAfter) own = sum(own, wholeOf(own, net.wholeAgain))
    tell(0.5 + (0.5 * (at + 1)) / dilations.length)
  }
  const { values } = convolved(own, net.out, 1, 1)
  const chance = (channel: number) => Float32Array.from({ length: values.length / 2 }, (_, at) => 1 / (1 + exp(-values[2 * at + channel])))
  return { columns: width / blockSide, rows: height / blockSide, covered: chance(0), hidden: chance(1) }
}
