// Coils: three looks, each fitted to what the one before said; then how far the share is off by what the looks are unsure of.
import { Fault } from '@yastik/core/faults'
import { surelyHidden } from '../../core/dist/proof/photo/analyse.js'
import { coloursOf } from '../../core/dist/proof/photo/colour.js'
import { weighed } from '../../core/dist/proof/photo/perceptron.js'
import { prepared } from '../../core/dist/proof/photo/prepare.js'
import { lookedAgain } from '../../core/dist/proof/photo/secondLook.js'
import { meanBy, unsureOf } from '../../core/dist/proof/photo/seen.js'
import { finsReading } from '../../core/dist/proof/photo/weights/fins.js'
import { trialOf } from '../lib/photoTrials.mjs'
import { say } from '../lib/say.mjs'
import { fittedAside } from './perceptron.mjs'
import { said, short, shortSpread, spreadFitted } from './spread.mjs'
import { cornersBy, onMap } from './truth.mjs'

const [units, epochs] = [16, 30]
const [hidingUnits, hidingEpochs] = [10, 30]

/** Features and wanted answers of every place of a trial; undefined where the photograph is refused. */
async function pictureOf(trial) {
  const { raster, truth, wish } = await trialOf(trial)
  try {
    const { features, sizes, laid } = prepared(raster, cornersBy(wish, truth.region), 'fins')
    const colours = coloursOf(raster, laid.perspective, features)
    const from = (map) => Float32Array.from(features.places, ({ u, v }) => (map ? onMap(map, u, v) : 0))
    const { values, places } = features
    return {
      ...{ share: truth.coveredShare, count: places.length, features, first: values, values, sizes, colours },
      ...{ wanted: from(truth.map), hidden: from(truth.hidden) },
    }
  } catch (error) {
    if (!(error instanceof Fault)) throw error
    return undefined
  }
}

async function picturesOf(trials) {
  const pictures = []
  for (const trial of trials) pictures.push(await pictureOf(trial))
  return pictures.filter((picture) => picture !== undefined)
}

/** Does something with one after the other. */
async function inTurn(items, work) {
  const done = []
  for (const item of items) done.push(await work(item))
  return done
}

const again = (picture, covered) => lookedAgain({ ...picture.features, values: picture.first }, picture.colours, covered)
const toldOf = (pictures, seen) =>
  pictures.map(({ sizes, share }, at) => ({ told: meanBy(sizes, seen[at]), share, unsure: unsureOf({ sizes, covered: seen[at] }) }))
const spreadOf = (told) => shortSpread(spreadFitted(told.map(({ told, share, unsure }) => ({ error: Math.abs(told - share), unsure }))))

const shortened = ({ mean, deviation, units, out }) => ({
  mean: mean.map(short),
  deviation: deviation.map(short),
  units: units.map((unit) => unit.map(short)),
  out: out.map(short),
})

/** @param plan {fit, calibrate, hidden}: trials @returns a reading, as core/src/proof/photo/weights/fins.ts has it */
export async function finsFitted({ fit, calibrate, hidden }) {
  const [own, apart, blocked] = await inTurn([fit, calibrate, hidden], picturesOf)
  const looks = []
  let told = []
  for (let look = 0; look < 3; look++) {
    const wide = own[0].values.length / own[0].count
    const fitTo = (pictures) => fittedAside(pictures, wide, units, epochs, 11 + look)
    // What the next look learns from is said of pictures that this one has not seen: by a network fitted to the other half.
    const halves = [0, 1].map((half) => own.filter((_, at) => at % 2 === half))
    const [whole, others] = await Promise.all([fitTo(own), look < 2 ? inTurn(halves, fitTo) : []])
    looks.push(whole)
    told = toldOf(
      apart,
      apart.map(({ values }) => weighed(whole, values)),
    )
    say(`fins, look ${look + 1}: ${said(told)}`)
    if (look < 2)
      for (const [by, pictures] of [
        [others[1], halves[0]],
        [others[0], halves[1]],
        [whole, [...apart, ...blocked]],
      ])
        for (const picture of pictures) picture.values = again(picture, weighed(by, picture.values))
  }
  // What lies before a part is told from what covers it: by all that the last look sees, on parts with and without something in the way.
  const asHidden = (pictures) => pictures.map((picture) => ({ ...picture, wanted: picture.hidden }))
  const hides = await fittedAside(asHidden([...own, ...blocked, ...blocked]), own[0].values.length / own[0].count, hidingUnits, hidingEpochs, 19)
  const hiddenIn = ({ sizes, values }) =>
    meanBy(
      sizes,
      weighed(hides, values).map((value) => (value > surelyHidden.value ? 1 : 0)),
    )
  say(`fins, hidden, told/true: ${blocked.map((own) => `${hiddenIn(own).toFixed(2)}/${meanBy(own.sizes, own.hidden).toFixed(2)}`).join(' ')}`)
  return { looks: looks.map(shortened), spread: spreadOf(told), hides: shortened(hides) }
}

/** The reading that there is, with its spread taken anew. */
export async function finsSpread({ calibrate }) {
  const apart = await picturesOf(calibrate)
  const seen = apart.map((picture) => {
    const [first, ...others] = finsReading.looks
    return others.reduce((covered, look) => weighed(look, again(picture, covered)), weighed(first, picture.first))
  })
  const told = toldOf(apart, seen)
  say(`fins: ${said(told)}`)
  return { ...finsReading, spread: spreadOf(told) }
}
