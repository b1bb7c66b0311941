// Fits a small network to rows of features: Adam on one picture after the other, so that the share of each whole picture counts as well as each place.
// Source: D. P. Kingma and J. Ba, “Adam: a method for stochastic optimization” (2015).
import { isMainThread, parentPort, Worker, workerData } from 'node:worker_threads'
import { normal, shuffled } from './chance.mjs'

const rowsPerPicture = 320
/** Weight of the whole share of a picture beside that of its places. */
const wholeWeight = 3
const decay = 1e-4
const [fastest, slowest] = [0.006, 0.0001]

/**
 * @param pictures {values: Float32Array rows of `wide` features, wanted: Float32Array 0..1 a row, sizes: weight of each row, count}[]
 * @returns weights as core/src/proof/photo/perceptron.ts takes them
 */
export function fitted(pictures, wide, units, epochs, random) {
  const { mean, deviation } = scaleOf(pictures, wide)
  const perUnit = wide + 1
  const outFrom = units * perUnit
  const weights = new Float64Array(outFrom + units + 1)
  for (let unit = 0; unit < units; unit++) {
    for (let at = 0; at < wide; at++) weights[unit * perUnit + 1 + at] = normal(random) / Math.sqrt(wide)
    weights[outFrom + 1 + unit] = normal(random) / Math.sqrt(units)
  }
  const [gradient, first, second] = [new Float64Array(weights.length), new Float64Array(weights.length), new Float64Array(weights.length)]
  const scaled = new Float64Array(rowsPerPicture * wide)
  const inner = new Float64Array(rowsPerPicture * units)
  const [said, wanted] = [new Float64Array(rowsPerPicture), new Float64Array(rowsPerPicture)]
  let step = 0
  for (let epoch = 0; epoch < epochs; epoch++) {
    const rate = slowest + fastest * 0.5 * (1 + Math.cos((Math.PI * epoch) / epochs))
    for (const picture of shuffled(pictures, random)) {
      const rows = Math.min(rowsPerPicture, picture.count)
      let [meanSaid, meanWanted] = [0, 0]
      for (let row = 0; row < rows; row++) {
        let from
        do from = Math.floor(random() * picture.count)
        while (random() > picture.sizes[from])
        for (let at = 0; at < wide; at++) scaled[row * wide + at] = (picture.values[from * wide + at] - mean[at]) / deviation[at]
        let sum = weights[outFrom]
        for (let unit = 0; unit < units; unit++) {
          let own = weights[unit * perUnit]
          for (let at = 0; at < wide; at++) own += weights[unit * perUnit + 1 + at] * scaled[row * wide + at]
          inner[row * units + unit] = Math.tanh(own)
          sum += weights[outFrom + 1 + unit] * inner[row * units + unit]
        }
        said[row] = 1 / (1 + Math.exp(-sum))
        wanted[row] = picture.wanted[from]
        meanSaid += said[row] / rows
        meanWanted += wanted[row] / rows
      }
      gradient.fill(0)
      for (let row = 0; row < rows; row++) {
        const off = (said[row] - wanted[row] + 2 * wholeWeight * (meanSaid - meanWanted) * said[row] * (1 - said[row])) / rows
        gradient[outFrom] += off
        for (let unit = 0; unit < units; unit++) {
          const own = inner[row * units + unit]
          gradient[outFrom + 1 + unit] += off * own
          const back = off * weights[outFrom + 1 + unit] * (1 - own * own)
          gradient[unit * perUnit] += back
          for (let at = 0; at < wide; at++) gradient[unit * perUnit + 1 + at] += back * scaled[row * wide + at]
        }
      }
      step++
      for (let at = 0; at < weights.length; at++) {
        const own = gradient[at] + decay * weights[at]
        first[at] = 0.9 * first[at] + 0.1 * own
        second[at] = 0.999 * second[at] + 0.001 * own * own
        weights[at] -= (rate * (first[at] / (1 - 0.9 ** step))) / (Math.sqrt(second[at] / (1 - 0.999 ** step)) + 1e-8)
      }
    }
  }
  return {
    mean: [...mean],
    deviation: [...deviation],
    units: Array.from({ length: units }, (_, unit) => [...weights.slice(unit * perUnit, (unit + 1) * perUnit)]),
    out: [...weights.slice(outFrom)],
  }
}

function scaleOf(pictures, wide) {
  const [mean, deviation] = [new Float64Array(wide), new Float64Array(wide)]
  const rows = pictures.reduce((sum, { count }) => sum + count, 0)
  for (const { values } of pictures) for (let at = 0; at < values.length; at++) mean[at % wide] += values[at] / rows
  for (const { values } of pictures) for (let at = 0; at < values.length; at++) deviation[at % wide] += (values[at] - mean[at % wide]) ** 2 / rows
  return { mean, deviation: deviation.map((value) => Math.sqrt(value) || 1) }
}

/** As {@link fitted}, on a core of its own; chance by a seed. */
export const fittedAside = (pictures, wide, units, epochs, seed) =>
  new Promise((done, failed) => {
    const rows = pictures.map(({ values, wanted, sizes, count }) => ({ values, wanted, sizes, count }))
    const worker = new Worker(new URL(import.meta.url), { workerData: { rows, wide, units, epochs, seed } })
    worker.once('message', done)
    worker.once('error', failed)
  })

if (!isMainThread && workerData?.rows) {
  const { seeded } = await import('@yastik/core/quantities')
  const { rows, wide, units, epochs, seed } = workerData
  parentPort.postMessage(fitted(rows, wide, units, epochs, seeded(seed)))
}
