// node scripts/fitPhotos.mjs [fins] [blades] [--band]: fits the weights by which photographs are read, on scenes and sample photographs of seeds that
// nothing is judged by, and writes core/src/proof/photo/weights/. About an hour on two cores when no picture is kept from before. With --band the
// weights stay, and how sure they are is taken anew.
import { writeFileSync } from 'node:fs'
import { availableParallelism } from 'node:os'
import { format } from 'prettier'
import { inRoot } from './lib/paths.mjs'
import { fittedAside, spreadFitted } from './lib/perceptron.mjs'
import { drawAll, trialOf, trialsFrom } from './lib/photoTrials.mjs'
import { prepareCore } from './lib/prepare.mjs'

/** Seeds by which nothing is judged: the bench and the tests take theirs from 500,001 on. */
const plans = {
  fins: {
    fit: [
      ...trialsFrom('scenes', 'fins', 1, 600),
      ...trialsFrom('scenes', 'fins', 1001, 60, { soiling: 'foam' }),
      ...trialsFrom('scenes', 'fins', 1101, 40, { wet: true, light: 'flash' }),
      ...trialsFrom('scenes', 'fins', 3001, 200, { dyed: true }),
      ...trialsFrom('scenes', 'fins', 4001, 60, { camera: 'shaken' }),
      ...trialsFrom('samples', 'fins', 1, 150),
    ],
    hidden: [...trialsFrom('scenes', 'fins', 2001, 70, { obstacle: 'hand' }), ...trialsFrom('scenes', 'fins', 2101, 50, { obstacle: 'tool' })],
    calibrate: [
      ...trialsFrom('scenes', 'fins', 200_001, 70),
      ...trialsFrom('scenes', 'fins', 201_001, 25, { dyed: true }),
      ...trialsFrom('scenes', 'fins', 202_001, 15, { camera: 'shaken' }),
      ...trialsFrom('samples', 'fins', 200_001, 30),
    ],
  },
  blades: {
    fit: [
      ...trialsFrom('scenes', 'blades', 1, 900),
      ...trialsFrom('scenes', 'blades', 3001, 200, { dyed: true }),
      ...trialsFrom('scenes', 'blades', 4001, 220, { wet: true }),
      ...trialsFrom('scenes', 'blades', 5001, 160, { light: 'flash' }),
      ...trialsFrom('scenes', 'blades', 6001, 100, { light: 'veil' }),
      ...trialsFrom('scenes', 'blades', 7001, 100, { light: 'glare' }),
      ...trialsFrom('scenes', 'blades', 8001, 100, { soiling: 'patches and strands' }),
      ...trialsFrom('samples', 'blades', 1, 150),
    ],
    hidden: [...trialsFrom('scenes', 'blades', 2001, 40, { obstacle: 'hand' }), ...trialsFrom('scenes', 'blades', 2101, 30, { obstacle: 'tool' })],
    calibrate: [
      ...trialsFrom('scenes', 'blades', 200_001, 130),
      ...trialsFrom('scenes', 'blades', 201_001, 25, { wet: true }),
      ...trialsFrom('scenes', 'blades', 300_001, 150),
      ...trialsFrom('samples', 'blades', 200_001, 30),
    ],
  },
}
/** Wheels vary more with where one looks, and show fewer plates to learn from. */
const units = { fins: 16, blades: 28 }
const hidingUnits = 10
const hidingEpochs = 30
const epochs = { fins: 30, blades: 40 }
/** How far off a person sets a corner, share of the picture: a thumb on glass. */
const cornersOff = 0.008

await prepareCore()
const { mapColumns, mapRows } = await import('../core/dist/proof/photo/surface.js')
const { prepared } = await import('../core/dist/proof/photo/prepare.js')
const { lookedAgain } = await import('../core/dist/proof/photo/secondLook.js')
const { surelyHidden, weighed } = await import('../core/dist/proof/photo/perceptron.js')
const { bladesReading } = await import('../core/dist/proof/photo/weights/blades.js')
const { finsReading } = await import('../core/dist/proof/photo/weights/fins.js')
const { Fault } = await import('@yastik/core/faults')
const { seeded } = await import('@yastik/core/quantities')

/** Features and wanted answers of every place of a trial; undefined where the photograph is refused. */
async function rowsOf(trial, surface) {
  const { raster, truth, wish } = await trialOf(trial)
  const random = seeded(wish.seed + 3)
  const off = (value) => Math.min(1, Math.max(0, value + (2 * random() - 1) * cornersOff))
  try {
    const { features, sizes, colours } = prepared(
      raster,
      truth.region.map(({ x, y }) => ({ x: off(x), y: off(y) })),
      surface,
    )
    const from = (map) => Float32Array.from(features.places, ({ u, v }) => (!map ? 0 : surface === 'fins' ? onMap(map, u, v) : onMap(map, v, u)))
    return {
      share: truth.coveredShare,
      count: features.places.length,
      features,
      first: features.values,
      values: features.values,
      sizes,
      colours,
      wanted: from(truth.map),
      hidden: from(truth.hidden),
    }
  } catch (error) {
    if (!(error instanceof Fault)) throw error
    return undefined
  }
}

/** The map of the truth at a place, between its cells. */
function onMap(map, u, v) {
  const x = Math.min(mapColumns - 1.001, Math.max(0, u * mapColumns - 0.5))
  const y = Math.min(mapRows - 1.001, Math.max(0, v * mapRows - 0.5))
  const [left, top] = [Math.floor(x), Math.floor(y)]
  const [dx, dy] = [x - left, y - top]
  const at = top * mapColumns + left
  const upper = map[at] * (1 - dx) + map[at + 1] * dx
  return upper * (1 - dy) + (map[at + mapColumns] * (1 - dx) + map[at + mapColumns + 1] * dx) * dy
}

async function allRows(trials, surface) {
  await drawAll(trials)
  const rows = []
  for (const trial of trials) {
    const own = await rowsOf(trial, surface)
    if (own) rows.push(own)
  }
  return rows
}

/** Does something with one after the other. */
async function inTurn(items, work) {
  const done = []
  for (const item of items) done.push(await work(item))
  return done
}

/** Three looks, each fitted on what the one before said; then how far the share is off by what the looks are unsure of. */
async function fit(surface) {
  const { fit: trials, calibrate, hidden: withHidden } = plans[surface]
  console.log(
    `· ${surface}: drawing and reading ${trials.length + calibrate.length + withHidden.length} photographs on ${availableParallelism()} cores`,
  )
  const own = await allRows(trials, surface)
  const apart = await allRows(calibrate, surface)
  const blocked = await allRows(withHidden, surface)
  const looks = []
  let shares = []
  for (let look = 0; look < 3; look++) {
    const wide = own[0].values.length / own[0].count
    const fit = (pictures) => fittedAside(pictures, wide, units[surface], epochs[surface], 11 + look)
    // What the next look learns from is said of pictures that this one has not seen: by a network fitted to the other half.
    const halves = [0, 1].map((half) => own.filter((_, at) => at % 2 === half))
    const [whole, others] = await Promise.all([fit(own), look < 2 ? inTurn(halves, fit) : []])
    looks.push(whole)
    shares = apart.map((picture) => shareOf(picture, weighed(looks[look], picture.values)))
    const errors = shares.map(({ share }, at) => 100 * (share - apart[at].share))
    const within = errors.filter((error) => Math.abs(error) <= 5).length / errors.length
    const bias = errors.reduce((sum, error) => sum + error, 0) / errors.length
    const worst = Math.max(...errors.map(Math.abs))
    console.log(
      `· ${surface}, look ${look + 1}: ${(100 * within).toFixed(0)} % within five points, bias ${bias.toFixed(2)}, worst ${worst.toFixed(1)}`,
    )
    if (look < 2)
      for (const [by, pictures] of [
        [others[1], halves[0]],
        [others[0], halves[1]],
        [whole, [...apart, ...blocked]],
      ])
        for (const picture of pictures)
          picture.values = lookedAgain({ ...picture.features, values: picture.first }, picture.colours, weighed(by, picture.values), surface)
  }
  const spread = spreadOf(surface, shares, apart)
  // What lies before a part is told from what covers it: by all that the last look sees, on parts with and without something in the way.
  const asHidden = (pictures) => pictures.map((picture) => ({ ...picture, wanted: picture.hidden }))
  const hides = await fittedAside(asHidden([...own, ...blocked, ...blocked]), own[0].values.length / own[0].count, hidingUnits, hidingEpochs, 19)
  const hiddenIn = (picture) =>
    shareOf(
      picture,
      weighed(hides, picture.values).map((value) => (value > surelyHidden.value ? 1 : 0)),
    ).share
  const told = (pictures) =>
    pictures.map((picture) => `${(100 * hiddenIn(picture)).toFixed(1)}/${(100 * shareOf(picture, picture.hidden).share).toFixed(0)}`)
  console.log(
    `· ${surface}, hidden, told/true: ${told(blocked).join(' ')}; nothing hidden, most of: ${told(apart)
      .sort((a, b) => parseFloat(b) - parseFloat(a))
      .slice(0, 8)
      .join(' ')}`,
  )
  return { looks, spread, hides }
}

/** How far shares are off the truth, by what is known of them. */
function spreadOf(surface, shares, pictures) {
  const spread = spreadFitted(shares.map(({ share, unsure }, at) => ({ error: Math.abs(share - pictures[at].share), unsure })))
  console.log(`· ${surface}, spread: ${JSON.stringify(spread)}`)
  return spread
}

/** The same of the weights that there are. */
async function bandOf(surface) {
  const reading = { fins: finsReading, blades: bladesReading }[surface]
  const apart = await allRows(plans[surface].calibrate, surface)
  const shares = apart.map((picture) => {
    const [first, ...others] = reading.looks
    const again = (covered, look) => weighed(look, lookedAgain({ ...picture.features, values: picture.first }, picture.colours, covered, surface))
    return shareOf(picture, others.reduce(again, weighed(first, picture.first)))
  })
  return { ...reading, spread: spreadOf(surface, shares, apart) }
}

/** The share of a part, and how far each place is from certain: means by size. */
function shareOf({ sizes }, covered) {
  let [sum, unsure, all] = [0, 0, 0]
  covered.forEach((value, at) => {
    sum += sizes[at] * value
    unsure += sizes[at] * value * (1 - value)
    all += sizes[at]
  })
  return { share: sum / all, unsure: unsure / all }
}

const short = (value) => Number(value.toPrecision(4))
const shortened = ({ mean, deviation, units, out }) => ({
  mean: mean.map(short),
  deviation: deviation.map(short),
  units: units.map((unit) => unit.map(short)),
  out: out.map(short),
})
const asked = process.argv.slice(2)
const surfaces = asked.filter((word) => word in plans)
for (const surface of surfaces.length > 0 ? surfaces : Object.keys(plans)) {
  const { looks, spread, hides } = await (asked.includes('--band') ? bandOf(surface) : fit(surface))
  const rounded = Object.fromEntries(Object.entries(spread).map(([name, value]) => [name, short(value)]))
  const text = `// Weights by which ${surface} are read. Made by scripts/fitPhotos.mjs; not to be changed by hand.
import type { Reading } from '../perceptron.ts'

export const ${surface}Reading: Reading = ${JSON.stringify({ looks: looks.map(shortened), spread: rounded, hides: shortened(hides) })}
`
  writeFileSync(
    inRoot('core/src/proof/photo/weights', `${surface}.ts`),
    await format(text, { parser: 'typescript', semi: false, singleQuote: true, printWidth: 150 }),
  )
}
