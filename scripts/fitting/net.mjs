// Fits the network of convolutions that core/src/proof/photo/plateNet.ts runs. Slopes by TensorFlow.js (WebAssembly), on two cores, each with its share of
// the pictures; steps by Adam with decoupled decay.
// Source: I. Loshchilov and F. Hutter, “Decoupled weight decay regularization” (2019).
import { createRequire } from 'node:module'
import { isMainThread, parentPort, Worker, workerData } from 'node:worker_threads'
import { seeded } from '@yastik/core/quantities'
import { blockSide } from '../../core/dist/proof/photo/flat.js'
import { channelNames, channelsOf, reaches, wholeAgainAfter } from '../../core/dist/proof/photo/plateNet.js'

/** Channels of the layers: fine, half, block and all after it. */
const channels = { fine: 12, half: 24, block: 24 }
const conv = (name, size, into, out) => ({ name, size, into, out })
/** In the order in which the weights are kept. */
export const layers = [
  conv('fine', 3, channelNames.length, channels.fine),
  conv('half', 3, channels.fine, channels.half),
  conv('block', 3, channels.half, channels.block),
  conv('whole', 1, 2 * channels.block, channels.block),
  ...reaches.map((_, at) => conv(`reach${at}`, 3, channels.block, channels.block)),
  conv('wholeAgain', 1, 2 * channels.block, channels.block),
  conv('out', 1, channels.block, 2),
]
const countOf = ({ size, into, out }) => size * size * into * out
const all = layers.reduce((sum, layer) => sum + countOf(layer) + layer.out, 0)

const perStep = 8
/** Whatever the machine has: what is fitted follows from who has which pictures. */
const cores = 2
const [fastest, slowest] = [0.003, 0.00001]
const decay = 0.001
const longest = 1
/** What the whole share counts beside the places, and what lies before the part beside what covers it. */
const [wholeSquare, wholeOff, hiddenWeight] = [6, 0.5, 0.5]

function weightsToBegin(random) {
  const normal = () => Math.sqrt(-2 * Math.log(random() + 1e-12)) * Math.cos(2 * Math.PI * random())
  const weights = new Float32Array(all)
  let at = 0
  for (const layer of layers) {
    // What is added to what is there already begins small, the whole part for the second time with nothing.
    const share = layer.name.startsWith('reach') ? 0.5 : layer.name === 'wholeAgain' ? 0 : 1
    const deviation = share * Math.sqrt(2 / (layer.size ** 2 * layer.into))
    for (const end = at + countOf(layer); at < end; at++) weights[at] = deviation * normal()
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
    const worker = new Worker(new URL(import.meta.url), {
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
  const [first, second] = [new Float64Array(all), new Float64Array(all)]
  for (let step = 1, sum = 0; step <= steps; step++) {
    const shares = await answers({ weights, pictures: perStep / cores })
    const slope = new Float64Array(all)
    for (const { slopes, loss } of shares) {
      sum += loss / cores / stepsPerEpoch
      for (let at = 0; at < all; at++) slope[at] += slopes[at] / cores
    }
    const length = Math.sqrt(slope.reduce((total, value) => total + value * value, 0))
    const warm = Math.min(1, step / (0.05 * steps))
    const rate = warm * (slowest + (fastest - slowest) * 0.5 * (1 + Math.cos((Math.PI * step) / steps)))
    for (let at = 0; at < all; at++) {
      const own = slope[at] * Math.min(1, longest / length)
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

/** Works out slopes for whoever asks. */
async function serveSlopes({ trials, reader, seed }) {
  const require = createRequire(new URL('./package.json', import.meta.url))
  const tf = require('@tensorflow/tfjs')
  require('@tensorflow/tfjs-backend-wasm')
  await tf.setBackend('wasm')
  const random = seeded(seed)
  const { pictureOf } = await import(reader)
  const pictures = []
  for (const trial of trials) {
    const picture = await pictureOf(trial)
    if (picture) pictures.push(picture)
  }

  /** Every second value of rows and columns from one on, as rows of channels: `padded` [rows, columns · channels] has room for it. */
  const everySecond = (padded, columns, channels, row, column, height, width) => {
    const rows = tf.reshape(padded, [padded.shape[0] / 2, 2 * columns * channels])
    const ownRows = tf.slice(rows, [row >> 1, (row & 1) * columns * channels], [height, columns * channels])
    const pairs = tf.reshape(ownRows, [(height * columns) / 2, 2 * channels])
    const own = tf.reshape(tf.slice(pairs, [0, (column & 1) * channels], [pairs.shape[0], channels]), [height, (columns / 2) * channels])
    return tf.slice(own, [0, (column >> 1) * channels], [height, width * channels])
  }
  /** Values with nothing between them, in rows and columns. */
  const spreadOut = (dy) => {
    const [, height, width, channels] = dy.shape
    const besides = tf.reshape(tf.concat([dy, tf.zerosLike(dy)], 3), [height, 2 * width * channels])
    return tf.reshape(tf.concat([besides, tf.zerosLike(besides)], 1), [1, 2 * height, 2 * width, channels])
  }
  /** A convolution with its slopes: the library has none for this backend, and strided slices are slow. */
  const convolve = (x, w, stride, reach, isFirst) =>
    tf.customGrad((x, w, save) => {
      save([x, w])
      const gradFunc = (dy, [x, w]) => {
        const [size, , into, out] = w.shape
        const [, height, width] = dy.shape
        const flatDy = tf.reshape(dy, [height * width, out])
        if (size === 1) {
          const dw = tf.matMul(tf.transpose(tf.reshape(x, [height * width, into])), flatDy)
          return [tf.conv2d(dy, tf.transpose(w, [0, 1, 3, 2]), 1, 'same'), tf.reshape(dw, w.shape)]
        }
        const turned = tf.transpose(tf.reverse(w, [0, 1]), [0, 1, 3, 2])
        const slopesOfX = () =>
          stride === 1
            ? tf.conv2d(dy, turned, 1, 'same', 'NHWC', reach)
            : tf.conv2d(
                tf.pad(spreadOut(dy), [
                  [0, 0],
                  [2, 0],
                  [2, 0],
                  [0, 0],
                ]),
                turned,
                1,
                'valid',
              )
        const [before, after] = stride === 1 ? [reach, reach] : [0, 2]
        const [tall, wide] = [x.shape[1] + before + after, x.shape[2] + before + after]
        const padded = tf.reshape(
          tf.pad(x, [
            [0, 0],
            [before, after],
            [before, after],
            [0, 0],
          ]),
          [tall, wide * into],
        )
        const parts = []
        for (let row = 0; row < 3; row++)
          for (let column = 0; column < 3; column++) {
            const own =
              stride === 1
                ? tf.slice(padded, [row * reach, column * reach * into], [height, width * into])
                : everySecond(padded, wide, into, row, column, height, width)
            parts.push(tf.matMul(tf.transpose(tf.reshape(own, [height * width, into])), flatDy))
          }
        return [isFirst ? tf.zerosLike(x) : slopesOfX(), tf.reshape(tf.concat(parts, 0), w.shape)]
      }
      return { value: tf.conv2d(x, w, stride, 'same', 'NHWC', reach), gradFunc }
    })(x, w)

  const wholeOf = (x) => {
    const mean = tf.mean(x, [1, 2], true)
    return tf.concat([mean, tf.sqrt(tf.add(tf.mean(tf.square(tf.sub(x, mean)), [1, 2], true), 1e-4))], 3)
  }
  const answersOf = (x, w) => {
    const through = (x, name, stride = 1, reach = 1) => tf.add(convolve(x, w[name].weights, stride, reach, name === 'fine'), w[name].bias)
    let own = tf.relu(through(x, 'fine'))
    own = tf.relu(through(own, 'half', 2))
    own = tf.relu(through(own, 'block', 2))
    own = tf.relu(tf.add(own, through(wholeOf(own), 'whole')))
    for (const [at, reach] of reaches.entries()) {
      own = tf.add(own, tf.relu(through(own, `reach${at}`, 1, reach)))
      if (at + 1 === wholeAgainAfter) own = tf.add(own, through(wholeOf(own), 'wholeAgain'))
    }
    return tf.sigmoid(through(own, 'out'))
  }

  const lossOf = (chances, { covered, hidden, sizes, coveredSizes }) => {
    const [height, width] = chances.shape.slice(1)
    const plane = (values) => tf.tensor(values, [1, height, width])
    const [size, coveredSize, wanted, wantedHidden] = [sizes, coveredSizes, covered, hidden].map(plane)
    const off = (said, wanted, weight) => {
      const kept = tf.clipByValue(said, 1e-5, 1 - 1e-5)
      const likely = tf.add(tf.mul(wanted, tf.log(kept)), tf.mul(tf.sub(1, wanted), tf.log(tf.sub(1, kept))))
      return tf.neg(tf.div(tf.sum(tf.mul(weight, likely)), tf.sum(weight)))
    }
    const [said, saidHidden] = [0, 1].map((channel) => tf.reshape(tf.slice(chances, [0, 0, 0, channel], [1, height, width, 1]), [1, height, width]))
    const share = tf.div(tf.sum(tf.mul(coveredSize, tf.sub(said, wanted))), tf.sum(coveredSize))
    const whole = tf.add(tf.mul(wholeSquare, tf.minimum(tf.square(share), 0.05)), tf.mul(wholeOff, tf.sqrt(tf.add(tf.square(share), 1e-8))))
    return tf.add(tf.add(off(said, wanted, coveredSize), whole), tf.mul(hiddenWeight, off(saidHidden, wantedHidden, size)))
  }

  let order = []
  const next = () => {
    if (order.length === 0) order = pictures.map((_, at) => at).sort(() => random() - 0.5)
    return pictures[order.pop()]
  }
  parentPort.on('message', ({ start, weights, pictures: count }) => {
    if (start) return parentPort.postMessage({ count: pictures.length })
    const slopes = new Float32Array(all)
    let loss = 0
    for (let turn = 0; turn < count; turn++)
      tf.tidy(() => {
        const picture = changed(next(), random)
        const own = {}
        const tensors = []
        let at = 0
        for (const layer of layers) {
          const shape = [layer.size, layer.size, layer.into, layer.out]
          const part = { weights: tf.tensor(weights.slice(at, at + countOf(layer)), shape) }
          at += countOf(layer)
          part.bias = tf.tensor(weights.slice(at, at + layer.out))
          at += layer.out
          own[layer.name] = part
          tensors.push(part.weights, part.bias)
        }
        const x = tf.tensor(channelsOf(picture), [1, picture.height, picture.width, channelNames.length])
        const { value, grads } = tf.valueAndGrads(() => lossOf(answersOf(x, own), picture))(tensors)
        loss += value.dataSync()[0] / count
        let to = 0
        for (const slope of grads) for (const one of slope.dataSync()) slopes[to++] += one / count
      })
    parentPort.postMessage({ slopes, loss })
  })
}

/** The same picture as others might have taken it: turned about, of a smaller piece, in other light, with other grain. */
function changed(picture, random) {
  const { width, height, light } = picture
  const blocks = { columns: width / blockSide, rows: height / blockSide }
  const [flipX, flipY] = [random() < 0.5, random() < 0.5]
  const off = (count) => (random() < 0.5 ? 0 : Math.floor((random() * count) / 4))
  const [left, right, top, bottom] = [off(blocks.columns), off(blocks.columns), off(blocks.rows), off(blocks.rows)]
  const [columns, rows] = [blocks.columns - left - right, blocks.rows - top - bottom]
  const normal = () => Math.sqrt(-2 * Math.log(random() + 1e-12)) * Math.cos(2 * Math.PI * random())
  const exposure = 0.15 * normal()
  const gains = [0, 1, 2].map(() => exposure + 0.08 * normal())
  const contrast = random() < 0.3 ? 0.85 + 0.3 * random() : 1
  const grain = random() < 0.3 ? 0.03 : 0
  const [wide, tall] = [columns * blockSide, rows * blockSide]
  const out = new Float32Array(wide * tall * 3)
  for (let y = 0; y < tall; y++)
    for (let x = 0; x < wide; x++) {
      const from = ((top * blockSide + (flipY ? tall - 1 - y : y)) * width + left * blockSide + (flipX ? wide - 1 - x : x)) * 3
      for (let channel = 0; channel < 3; channel++)
        out[(y * wide + x) * 3 + channel] = (light[from + channel] + gains[channel]) * contrast + (grain > 0 ? grain * normal() : 0)
    }
  const cut = (values) => {
    const own = new Float32Array(columns * rows)
    for (let row = 0; row < rows; row++)
      for (let column = 0; column < columns; column++)
        own[row * columns + column] = values[(top + (flipY ? rows - 1 - row : row)) * blocks.columns + left + (flipX ? columns - 1 - column : column)]
    return own
  }
  const { covered, hidden, sizes, coveredSizes } = picture
  return {
    ...{ width: wide, height: tall, light: out },
    ...{ covered: cut(covered), hidden: cut(hidden), sizes: cut(sizes), coveredSizes: cut(coveredSizes) },
  }
}

if (!isMainThread && workerData?.reader) await serveSlopes(workerData)
