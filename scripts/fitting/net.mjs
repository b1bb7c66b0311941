// Fits the network of convolutions that core/src/proof/photo/plateNet.ts runs. Gradients by TensorFlow.js (WebAssembly), on two cores, each with its share of
// the pictures; steps by Adam with decoupled decay.
// Source: I. Loshchilov and F. Hutter, “Decoupled weight decay regularization” (2019).
import { Worker } from 'node:worker_threads'
import { seeded } from '@yastik/core/quantities'
import { channelNames, dilations } from '../../core/dist/proof/photo/plateNet.js'
import { normal } from './chance.mjs'

/** Channels of the layers: fine, half, block and all after it. */
const channels = { fine: 12, half: 24, block: 24 }
const conv = (name, size, into, out) => ({ name, size, into, out })
/** In the order in which the weights are kept. */
export const layers = [
  conv('fine', 3, channelNames.length, channels.fine),
  conv('half', 3, channels.fine, channels.half),
  conv('block', 3, channels.half, channels.block),
  conv('whole', 1, 2 * channels.block, channels.block),
  ...dilations.map((_, at) => conv(`dilated${at}`, 3, channels.block, channels.block)),
  conv('wholeAgain', 1, 2 * channels.block, channels.block),
  conv('out', 1, channels.block, 2),
]
export const countOf = ({ size, into, out }) => size * size * into * out
export const allWeights = layers.reduce((sum, layer) => sum + countOf(layer) + layer.out, 0)

const perStep = 8
/** Whatever the machine has: what is fitted follows from who has which pictures. */
const cores = 2
const [fastest, slowest] = [0.003, 0.00001]
const decay = 0.001
const longest = 1

function weightsToBegin(random) {
  const weights = new Float32Array(allWeights)
  let at = 0
  for (const layer of layers) {
    // What is added to what is there already begins small, the whole part for the second time with nothing.
    const share = layer.name.startsWith('dilated') ? 0.5 : layer.name === 'wholeAgain' ? 0 : 1
    const deviation = share * Math.sqrt(2 / (layer.size ** 2 * layer.into))
    for (const end = at + countOf(layer); at < end; at++) weights[at] = deviation * normal(random)
    at += layer.out
  }
  return weights
}

/**
 * @param trials what is drawn, as photoTrials.mjs has it; a share each is read by `pictureOf` of the module at `reader`
 * @param judge called after each pass with the weights as they are
 * @returns weights of all layers, one after the other: a layer's weights, then its bias
 */
export async function fittedNet(trials, reader, epochs, seed, judge) {
  const random = seeded(seed)
  const workers = Array.from({ length: cores }, (_, core) => {
    const worker = new Worker(new URL('./gradients.mjs', import.meta.url), {
      workerData: { trials: trials.filter((_, at) => at % cores === core), reader, seed: seed + core },
    })
    worker.once('error', (error) => {
      throw error
    })
    return worker
  })
  const answers = (message) =>
    Promise.all(workers.map((worker) => new Promise((done) => (worker.once('message', done), worker.postMessage(message)))))
  const counts = (await answers({ start: true })).map(({ count }) => count)
  const stepsPerEpoch = Math.floor(Math.min(...counts) / (perStep / cores))
  const steps = epochs * stepsPerEpoch
  const weights = weightsToBegin(random)
  const [first, second] = [new Float64Array(allWeights), new Float64Array(allWeights)]
  for (let step = 1, sum = 0; step <= steps; step++) {
    const shares = await answers({ weights, pictures: perStep / cores })
    const gradient = new Float64Array(allWeights)
    for (const { gradients, loss } of shares) {
      sum += loss / cores / stepsPerEpoch
      for (let at = 0; at < allWeights; at++) gradient[at] += gradients[at] / cores
    }
    const length = Math.sqrt(gradient.reduce((total, value) => total + value * value, 0))
    const warm = Math.min(1, step / (0.05 * steps))
    const rate = warm * (slowest + (fastest - slowest) * 0.5 * (1 + Math.cos((Math.PI * step) / steps)))
    for (let at = 0; at < allWeights; at++) {
      const own = gradient[at] * Math.min(1, longest / length)
      first[at] = 0.9 * first[at] + 0.1 * own
      second[at] = 0.999 * second[at] + 0.001 * own * own
      weights[at] -= rate * (first[at] / (1 - 0.9 ** step) / (Math.sqrt(second[at] / (1 - 0.999 ** step)) + 1e-8) + decay * weights[at])
    }
    if (step % stepsPerEpoch === 0) {
      await judge(weights, step / stepsPerEpoch, sum)
      sum = 0
    }
  }
  for (const worker of workers) await worker.terminate()
  return weights
}
