import { seeded } from '../../quantities/index.ts'
import type { Flat } from './flat.ts'
import { channelNames, channelsOf, dilations, seenBy, wholeAgainAfter, type Layer, type PlateNet } from './plateNet.ts'

const random = seeded(31)
const some = (count: number, size = 1) => Float32Array.from({ length: count }, () => size * (2 * random() - 1))
const layer = (size: 1 | 3, into: number, out: number): Layer => ({
  ...{ size, into, out },
  weights: some(size * size * into * out, 1.2 / Math.sqrt(size * size * into)),
  bias: some(out, 0.3),
})
const flatBy = (width: number, height: number, lightAt: (x: number, y: number) => readonly [number, number, number]): Flat => ({
  ...{ width, height },
  light: Float32Array.from({ length: width * height }, (_, at) => at).reduce(
    (light, at) => {
      light.set(lightAt(at % width, Math.floor(at / width)), at * 3)
      return light
    },
    new Float32Array(width * height * 3),
  ),
})
const anyFlat = (width: number, height: number) => flatBy(width, height, () => [-3 * random(), -3 * random(), -3 * random()])
const net: PlateNet = {
  fine: layer(3, channelNames.length, 3),
  half: layer(3, 3, 4),
  block: layer(3, 4, 5),
  whole: layer(1, 10, 5),
  dilated: dilations.map(() => layer(3, 5, 5)),
  wholeAgain: layer(1, 10, 5),
  out: layer(1, 5, 2),
}

/** What the network says, place by place from its definition: values by a function of place and channel. */
function plainly(own: PlateNet, flat: Flat): { covered: number; hidden: number }[] {
  type Field = { wide: number; tall: number; channels: number; at(x: number, y: number, channel: number): number }
  const keep = (field: Field): Field => {
    const values = Array.from({ length: field.tall }, (_, y) =>
      Array.from({ length: field.wide }, (_, x) => Array.from({ length: field.channels }, (_, channel) => field.at(x, y, channel))),
    )
    return { ...field, at: (x, y, channel) => values[y]?.[x]?.[channel] ?? 0 }
  }
  const convolved = (field: Field, { size, into, out, weights, bias }: Layer, stride = 1, dilation = 1): Field =>
    keep({
      ...{ wide: field.wide / stride, tall: field.tall / stride, channels: out },
      at: (x, y, to) => {
        let sum = bias[to]
        const first = size === 1 || stride === 2 ? 0 : -1
        for (let row = 0; row < size; row++)
          for (let column = 0; column < size; column++)
            for (let channel = 0; channel < into; channel++)
              sum +=
                weights[((row * size + column) * into + channel) * out + to] *
                field.at(x * stride + (first + column) * dilation, y * stride + (first + row) * dilation, channel)
        return sum
      },
    })
  const positive = (field: Field): Field => ({ ...field, at: (...place) => Math.max(0, field.at(...place)) })
  const plus = (one: Field, other: (x: number, y: number, channel: number) => number): Field =>
    keep({ ...one, at: (...place) => one.at(...place) + other(...place) })
  const wholeOf = (field: Field, { into, out, weights, bias }: Layer) => {
    const all = (channel: number) =>
      Array.from({ length: field.wide * field.tall }, (_, at) => field.at(at % field.wide, Math.floor(at / field.wide), channel))
    const means = Array.from({ length: into / 2 }, (_, channel) => all(channel).reduce((sum, value) => sum + value, 0) / all(channel).length)
    const deviations = means.map((mean, channel) =>
      Math.sqrt(all(channel).reduce((sum, value) => sum + (value - mean) ** 2, 0) / all(channel).length + 1e-4),
    )
    return Array.from({ length: out }, (_, to) =>
      [...means, ...deviations].reduce((sum, value, channel) => sum + value * weights[channel * out + to], bias[to]),
    )
  }
  const shown = channelsOf(flat)
  const count = channelNames.length
  let field: Field = {
    ...{ wide: flat.width, tall: flat.height, channels: count },
    at: (x, y, channel) => (x < 0 || y < 0 || x >= flat.width || y >= flat.height ? 0 : shown[(y * flat.width + x) * count + channel]),
  }
  field = positive(convolved(field, own.fine))
  field = positive(convolved(field, own.half, 2))
  field = positive(convolved(field, own.block, 2))
  const whole = wholeOf(field, own.whole)
  field = positive(plus(field, (_x, _y, channel) => whole[channel]))
  for (const [at, dilation] of dilations.entries()) {
    const further = positive(convolved(field, own.dilated[at], 1, dilation))
    field = plus(field, further.at)
    if (at + 1 === wholeAgainAfter) {
      const again = wholeOf(field, own.wholeAgain)
      field = plus(field, (_x, _y, channel) => again[channel])
    }
  }
  const said = convolved(field, own.out)
  const chance = (value: number) => 1 / (1 + Math.exp(-value))
  return Array.from({ length: said.wide * said.tall }, (_, at) => {
    const [x, y] = [at % said.wide, Math.floor(at / said.wide)]
    return { covered: chance(said.at(x, y, 0)), hidden: chance(said.at(x, y, 1)) }
  })
}

it('says of each block what its definition says', () => {
  const flat = anyFlat(48, 36)
  const seen = seenBy(net, flat)
  expect([seen.columns, seen.rows]).toEqual([12, 9])
  const plain = plainly(net, flat)
  for (const [at, { covered, hidden }] of plain.entries()) {
    expect(seen.covered[at]).toBeCloseTo(covered, 4)
    expect(seen.hidden[at]).toBeCloseTo(hidden, 4)
  }
  // It tells one block from another.
  expect(new Set([...seen.covered].map((value) => value.toFixed(3))).size).toBeGreaterThan(10)
})

describe('what the network is shown', () => {
  const channel = (flat: Flat, name: (typeof channelNames)[number]) =>
    channelsOf(flat).filter((_, at) => at % channelNames.length === channelNames.indexOf(name))
  const flat = anyFlat(40, 32)
  const brighter = { ...flat, light: flat.light.map((value) => value - 0.7) }
  const warmer = { ...flat, light: flat.light.map((value, at) => value + [0.3, 0, -0.2][at % 3]) }
  it.each(channelNames.slice(0, 4))('%s: exposure cancels', (name) => {
    const [one, other] = [channel(flat, name), channel(brighter, name)]
    expect(Math.max(...one.map((value, at) => Math.abs(value - other[at])))).toBeLessThan(1e-4)
    expect(Math.max(...one)).toBeGreaterThan(0.3)
  })
  it.each(['red against green, off the mean of the part', 'blue against green, off the mean of the part'] as const)(
    '%s: the colour of the light cancels',
    (name) => {
      const [one, other] = [channel(flat, name), channel(warmer, name)]
      expect(Math.max(...one.map((value, at) => Math.abs(value - other[at])))).toBeLessThan(1e-4)
    },
  )
  it('is told what is blown out', () => {
    const white = flatBy(32, 32, (x) => (x < 16 ? [0, 0, 0] : [-1, -1, -1]))
    expect([...channel(white, 'blown out')].filter((_, at) => at < 32)).toEqual([...Array<number>(16).fill(1), ...Array<number>(16).fill(0)])
  })
})
