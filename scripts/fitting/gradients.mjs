// Gradients of the network's loss on pictures, by TensorFlow.js on WebAssembly, in a worker of net.mjs.
import { createRequire } from 'node:module'
import { parentPort, workerData } from 'node:worker_threads'
import { seeded } from '@yastik/core/quantities'
import { channelNames, channelsOf, dilations, wholeAgainAfter } from '../../core/dist/proof/photo/plateNet.js'
import { augmented } from './augmented.mjs'
import { allWeights, countOf, layers } from './net.mjs'

/** What the whole share counts beside the places, and what lies before the part beside what covers it. */
const [wholeSquare, wholeOff, hiddenWeight] = [6, 0.5, 0.5]

/** Works out gradients for whoever asks. */
async function serveGradients({ trials, reader, seed }) {
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
  /** A convolution with its gradients: the library has none for this backend, and strided slices are slow. */
  const convolve = (x, w, stride, dilation, isFirst) =>
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
        const gradientOfX = () =>
          stride === 1
            ? tf.conv2d(dy, turned, 1, 'same', 'NHWC', dilation)
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
        const [before, after] = stride === 1 ? [dilation, dilation] : [0, 2]
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
                ? tf.slice(padded, [row * dilation, column * dilation * into], [height, width * into])
                : everySecond(padded, wide, into, row, column, height, width)
            parts.push(tf.matMul(tf.transpose(tf.reshape(own, [height * width, into])), flatDy))
          }
        return [isFirst ? tf.zerosLike(x) : gradientOfX(), tf.reshape(tf.concat(parts, 0), w.shape)]
      }
      return { value: tf.conv2d(x, w, stride, 'same', 'NHWC', dilation), gradFunc }
    })(x, w)

  const wholeOf = (x) => {
    const mean = tf.mean(x, [1, 2], true)
    return tf.concat([mean, tf.sqrt(tf.add(tf.mean(tf.square(tf.sub(x, mean)), [1, 2], true), 1e-4))], 3)
  }
  const answersOf = (x, w) => {
    const through = (x, name, stride = 1, dilation = 1) => tf.add(convolve(x, w[name].weights, stride, dilation, name === 'fine'), w[name].bias)
    let own = tf.relu(through(x, 'fine'))
    own = tf.relu(through(own, 'half', 2))
    own = tf.relu(through(own, 'block', 2))
    own = tf.relu(tf.add(own, through(wholeOf(own), 'whole')))
    for (const [at, dilation] of dilations.entries()) {
      own = tf.add(own, tf.relu(through(own, `dilated${at}`, 1, dilation)))
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
    const gradients = new Float32Array(allWeights)
    let loss = 0
    for (let turn = 0; turn < count; turn++)
      tf.tidy(() => {
        const picture = augmented(next(), random)
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
        for (const gradient of grads) for (const one of gradient.dataSync()) gradients[to++] += one / count
      })
    parentPort.postMessage({ gradients, loss })
  })
}

await serveGradients(workerData)
