// Photographs with known truth for fitting and judging what reads them: from both generators, through JPEG as a camera would write it, drawn on
// all cores and kept in a folder, since drawing costs far more than reading.
import { createHash } from 'node:crypto'
import { existsSync, mkdirSync, readFileSync, readdirSync, renameSync, writeFileSync } from 'node:fs'
import { availableParallelism } from 'node:os'
import { join } from 'node:path'
import { isMainThread, parentPort, Worker, workerData } from 'node:worker_threads'
import sharp from 'sharp'
import { inRoot } from './paths.mjs'

/** What draws: pictures are kept under a digest of it, so that a changed generator draws anew. */
const drawers = ['tests/scenes', 'proof/photo/sample.js', 'quantities/random.js', 'lookover']

/** Folder of the pictures of the generators as they are built now. */
function keptIn() {
  const digest = createHash('sha256')
  for (const drawer of drawers) {
    const path = inRoot('core/dist', drawer)
    const files = drawer.endsWith('.js')
      ? [path]
      : readdirSync(path)
          .filter((name) => name.endsWith('.js'))
          .sort()
          .map((name) => join(path, name))
    for (const file of files) digest.update(readFileSync(file))
  }
  return inRoot('.test-data', 'photographs', digest.digest('hex').slice(0, 12))
}
let folder
const kept = () => (folder ??= keptIn())

/** The wish of a trial: which generator, what of, by which seed; `fixed` holds what is not left to chance. */
function drawn({ generator, surface, seed, fixed }, { scenes, samplePhoto, seeded, soilKinds }) {
  const random = seeded(seed * 31 + 5)
  const size = random() < 0.2 ? { width: 960, height: 720 } : { width: 640, height: 480 }
  if (generator === 'scenes') {
    const wish = scenes.wishOf(seed, surface, { ...size, ...fixed })
    return { wish, ...scenes.sceneOf(wish), quality: 60 + Math.floor(random() * 36) }
  }
  const wish = {
    seed,
    surface,
    ...size,
    coveredShare: random() < 0.25 ? random() * 0.1 : random() * 0.9,
    bentShare: random() * 0.2,
    kind: soilKinds[seed % soilKinds.length],
    ...fixed,
  }
  return { wish, ...samplePhoto(wish), quality: 60 + Math.floor(random() * 36) }
}

const fileOf = ({ generator, surface, seed, fixed }) =>
  join(kept(), [surface, generator, seed, ...Object.entries(fixed ?? {}).flat()].join('-').replace(/[^\w.-]/g, ''))

async function draw(trial, loaded) {
  const file = fileOf(trial)
  if (existsSync(`${file}.json`)) return
  const { wish, raster, truth, quality } = drawn(trial, loaded)
  const { width, height, data } = raster
  const jpeg = await sharp(data, { raw: { width, height, channels: 4 } })
    .jpeg({ quality })
    .toBuffer()
  writeFileSync(`${file}.jpg`, jpeg)
  const short = (values) => [...values].map((value) => Math.round(value * 1000) / 1000)
  const maps = { map: short(truth.map), ...(truth.hidden ? { hidden: short(truth.hidden) } : {}) }
  writeFileSync(`${file}.part`, JSON.stringify({ wish, truth: { ...truth, ...maps } }))
  renameSync(`${file}.part`, `${file}.json`)
}

/** Draws what is not kept yet. @param trials {generator: 'scenes' | 'samples', surface, seed, fixed?}[] */
export async function drawAll(trials) {
  mkdirSync(kept(), { recursive: true })
  const missing = trials.filter((trial) => !existsSync(`${fileOf(trial)}.json`))
  if (missing.length === 0) return
  const cores = Math.min(availableParallelism(), missing.length)
  const shares = Array.from({ length: cores }, (_, core) => missing.filter((_, at) => at % cores === core))
  await Promise.all(
    shares.map(
      (trials) =>
        new Promise((done, failed) => {
          const worker = new Worker(new URL(import.meta.url), { workerData: { toDraw: trials } })
          worker.once('message', done)
          worker.once('error', failed)
        }),
    ),
  )
}

/** A trial as it was drawn: the picture after JPEG, what was wished, the truth. */
export async function trialOf(trial) {
  const file = fileOf(trial)
  const { data, info } = await sharp(`${file}.jpg`).ensureAlpha().raw().toBuffer({ resolveWithObject: true })
  return { ...trial, ...JSON.parse(readFileSync(`${file}.json`, 'utf8')), raster: { width: info.width, height: info.height, data } }
}

/** So many trials from a seed on. */
export const trialsFrom = (generator, surface, from, count, fixed) =>
  Array.from({ length: count }, (_, at) => ({ generator, surface, seed: from + at, ...(fixed ? { fixed } : {}) }))

if (!isMainThread && workerData?.toDraw) {
  const { soilKinds } = await import('@yastik/core/lookover')
  const { samplePhoto } = await import('@yastik/core/proof')
  const { seeded } = await import('@yastik/core/quantities')
  const loaded = { scenes: await import('../../core/dist/tests/scenes/index.js'), samplePhoto, seeded, soilKinds }
  for (const trial of workerData.toDraw) await draw(trial, loaded)
  parentPort.postMessage('drawn')
}
