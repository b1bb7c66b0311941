// Once it is known about where bare metal is, each block is looked at again: against the bare metal around it, and against what covers.
import { featureNames, type BlockFeatures } from './features.ts'
import { smoothed } from './texture.ts'

const { hypot, log, max, min } = Math

/** Names of what a second look adds, in order. */
export const secondNames = [
  'covered at first',
  'covered at first around',
  'covered at first in the neighbourhood',
  'covered at first in all',
  'edges against those of bare metal around',
  'the same per brightness squared',
  'brightness against bare metal around',
  'brightness against what covers around',
  'darkest over a pitch against that of bare metal',
  'darkest over a pitch against that of what covers',
  'edges of no direction against those of bare metal',
  'colour off bare metal around',
  'colour off what covers around',
  'colour of what covers off that of bare metal',
  'bare metal nearby',
] as const

/** Passes of smoothing over which bare metal and soil count as around a block. */
const around = 14
/** Weight of the whole part in what is around: where nothing bare is near, all of it stands in. */
const whole = 0.02

/** Black, and no edges at all: below these, logarithms say nothing. */
const least = { edges: 1e-9, light: 6e-4, rough: 1e-10 } as const

/** All of the first features, and those that compare with bare metal as `covered` (0..1 a place) has it; one row a place. */
export function lookedAgain(features: BlockFeatures, colours: Float32Array, covered: Float32Array): Float32Array {
  const { places, columns, rows, values, energy, brightness, undirected, lowest } = features
  const count = places.length
  // The grid of inner blocks.
  const [wide, tall] = [columns - 2, rows - 2]
  const spread = (own: Float32Array, times: number) => smoothed(own, wide, tall, times)
  const near = spread(covered, 1)
  const wider = spread(covered, 6)
  const all = covered.reduce((sum, value) => sum + value, 0) / count
  const logs = (own: Float32Array, from: number) => own.map((value) => log(max(from, value)))
  const edges = logs(energy, least.edges)
  const light = logs(brightness, least.light)
  const dark = logs(lowest, least.light)
  const rough = logs(undirected, least.rough)
  const [red, blue] = [0, 1].map((channel) => Float32Array.from({ length: count }, (_, at) => colours[2 * at + channel]))
  /** Means around each place by weight, with a little of the mean over the whole part. */
  const meansBy = (weight: Float32Array) => {
    const near = spread(weight, around)
    const sum = weight.reduce((total, value) => total + value, 0) + 1e-6
    return (own: Float32Array) => {
      const overAll = own.reduce((total, value, at) => total + value * weight[at], 0) / sum
      const weighted = spread(
        own.map((value, at) => value * weight[at]),
        around,
      )
      return weighted.map((value, at) => (value + whole * overAll) / (near[at] + whole))
    }
  }
  const bareWeight = covered.map((value) => (1 - value) ** 3)
  const ofBare = meansBy(bareWeight)
  const ofSoil = meansBy(covered.map((value) => value ** 3))
  const [bareEdges, bareLight, bareDark, bareRough, bareRed, bareBlue] = [edges, light, dark, rough, red, blue].map(ofBare)
  const [soilLight, soilDark, soilRed, soilBlue] = [light, dark, red, blue].map(ofSoil)
  const nearby = spread(bareWeight, around)
  const firstCount = featureNames.length
  const width = firstCount + secondNames.length
  const out = new Float32Array(count * width)
  const held = (value: number) => max(-4, min(4, value))
  for (let at = 0; at < count; at++) {
    for (let feature = 0; feature < firstCount; feature++) out[at * width + feature] = values[at * firstCount + feature]
    out.set(
      [
        covered[at],
        near[at],
        wider[at],
        all,
        held(edges[at] - bareEdges[at]),
        held(edges[at] - 2 * light[at] - bareEdges[at] + 2 * bareLight[at]),
        held(light[at] - bareLight[at]),
        held(light[at] - soilLight[at]),
        held(dark[at] - bareDark[at]),
        held(dark[at] - soilDark[at]),
        held(rough[at] - bareRough[at]),
        hypot(red[at] - bareRed[at], blue[at] - bareBlue[at]),
        hypot(red[at] - soilRed[at], blue[at] - soilBlue[at]),
        hypot(soilRed[at] - bareRed[at], soilBlue[at] - bareBlue[at]),
        nearby[at],
      ],
      at * width + firstCount,
    )
  }
  return out
}
