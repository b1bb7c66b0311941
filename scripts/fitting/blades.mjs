// Wheels: one network of convolutions, and how far the share is off by what it is unsure of.
import { existsSync } from 'node:fs'
import { surelyHidden } from '../../core/dist/proof/photo/analyse.js'
import { mostSteps, netOf } from '../../core/dist/proof/photo/keptNet.js'
import { seenBy } from '../../core/dist/proof/photo/plateNet.js'
import { meanBy, unsureOf } from '../../core/dist/proof/photo/seen.js'
import { bladesReading } from '../../core/dist/proof/photo/weights/blades.js'
import { inRoot } from '../lib/paths.mjs'
import { run } from '../lib/run.mjs'
import { giveUp, say } from '../lib/say.mjs'
import { fittedNet, layers } from './net.mjs'
import { said, short, shortSpread, spreadFitted } from './spread.mjs'
import { pictureOf } from './wheelPictures.mjs'

const epochs = 14
const seed = 11
/** Every so many passes it is said how well wheels are read that it is not fitted to. */
const sayEvery = 4

const two = (steps) => (steps + mostSteps).toString(36).padStart(2, '0')

/** Weights, one after the other, as they are kept. */
function kept(weights) {
  let at = 0
  const byName = layers.map(({ name, size, into, out }) => {
    const own = weights.slice(at, at + size * size * into * out)
    at += own.length
    const bias = [...weights.slice(at, at + out)].map(short)
    at += out
    const mosts = Array.from({ length: out }, (_, channel) =>
      own.reduce((most, value, index) => (index % out === channel ? Math.max(most, Math.abs(value)) : most), 1e-9),
    )
    const steps = mosts.map((most) => Number((most / mostSteps).toPrecision(6)))
    const text = Array.from(own, (value, index) => two(Math.max(-mostSteps, Math.min(mostSteps, Math.round(value / steps[index % out])))))
    return [name, { size, into, out, steps, bias, weights: text.join('') }]
  })
  const { fine, half, block, whole, wholeAgain, out, ...dilated } = Object.fromEntries(byName)
  return { fine, half, block, whole, dilated: Object.values(dilated), wholeAgain, out }
}

async function picturesOf(trials) {
  const pictures = []
  for (const trial of trials) pictures.push(await pictureOf(trial))
  return pictures.filter((picture) => picture !== undefined)
}

const toldBy = (net, pictures) =>
  pictures.map((picture) => {
    const { covered } = seenBy(net, picture)
    const { sizes, share } = picture
    return { told: meanBy(sizes, covered), share, unsure: unsureOf({ sizes, covered }) }
  })
const spreadOf = (told) => shortSpread(spreadFitted(told.map(({ told, share, unsure }) => ({ error: Math.abs(told - share), unsure }))))

/** @param plan {fit, calibrate, hidden}: trials @returns a reading, as core/src/proof/photo/weights/blades.ts has it */
export async function bladesFitted({ fit, calibrate, hidden }) {
  if (!existsSync(inRoot('scripts/fitting/node_modules'))) {
    say('installing what the network is fitted with')
    if ((await run('npm', ['ci', '--prefix', inRoot('scripts/fitting'), '--no-audit', '--no-fund', '--loglevel=error'])) !== 0)
      giveUp('npm ci failed')
  }
  const apart = await picturesOf(calibrate)
  const reader = new URL('./wheelPictures.mjs', import.meta.url).href
  const weights = await fittedNet([...fit, ...hidden, ...hidden], reader, epochs, seed, (weights, epoch, loss) => {
    const reads = epoch % sayEvery === 0 || epoch === epochs ? `: ${said(toldBy(netOf(kept(weights)), apart))}` : ''
    say(`blades, pass ${epoch} of ${epochs}, off by ${loss.toFixed(4)}${reads}`)
  })
  const net = kept(weights)
  const hiddenIn = (picture) =>
    meanBy(
      picture.sizes,
      seenBy(netOf(net), picture).hidden.map((value) => (value > surelyHidden.value ? 1 : 0)),
    )
  const blocked = await picturesOf(hidden)
  say(`blades, hidden, told/true: ${blocked.map((own) => `${hiddenIn(own).toFixed(2)}/${meanBy(own.sizes, own.hidden).toFixed(2)}`).join(' ')}`)
  return { net, spread: spreadOf(toldBy(netOf(net), apart)) }
}

/** The reading that there is, with its spread taken anew. */
export async function bladesSpread({ calibrate }) {
  const told = toldBy(netOf(bladesReading.net), await picturesOf(calibrate))
  say(`blades: ${said(told)}`)
  return { ...bladesReading, spread: spreadOf(told) }
}
