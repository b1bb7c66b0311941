// How well are photographs read? Both generators, by seeds that nothing was fitted to, through JPEG as a camera would write it.
import { drawAll, trialOf, trialsFrom } from './photoTrials.mjs'

/** Nothing is fitted on seeds from here on. */
const firstSeed = 500_001
const counts = {
  fins: { scenes: 120, samples: 60 },
  blades: { scenes: 80, samples: 40 },
}
const generators = { scenes: 'scenes', samples: 'sample photographs' }

/**
 * @returns per surface and generator: errors of the covered share and of straight fins in points, how many of the truths lay within the band,
 *   how many nearly clean parts got their grade, or had it named beside another, and how many photographs were refused
 */
export async function photoErrors({ measurePhoto, proposedGrade, Fault }, small) {
  const results = []
  for (const [surface, byGenerator] of Object.entries(counts))
    for (const [generator, count] of Object.entries(byGenerator)) {
      const trials = trialsFrom(generator, surface, firstSeed, small ? 2 : count)
      await drawAll(trials)
      const result = { surface, of: generators[generator], errors: [], straight: [], held: 0, clean: 0, cleanRight: 0, cleanNamed: 0, refused: 0 }
      for (const trial of trials) {
        const { raster, truth } = await trialOf(trial)
        try {
          const read = measurePhoto(raster, truth.region, surface)
          result.errors.push(100 * (read.coveredShare - truth.coveredShare))
          if (truth.coveredShare >= read.low && truth.coveredShare <= read.high) result.held++
          if (read.straightShare !== undefined) result.straight.push(100 * (read.straightShare - truth.straightShare))
          if (truth.coveredShare < 0.1) {
            result.clean++
            const exact = { coveredShare: truth.coveredShare, low: truth.coveredShare, high: truth.coveredShare }
            const [proposed, right] = [proposedGrade(read), proposedGrade(exact).grade]
            if (proposed.grade === right) result.cleanRight++
            if (proposed.grade === right || proposed.orElse === right) result.cleanNamed++
          }
        } catch (error) {
          if (!(error instanceof Fault)) throw error
          result.refused++
        }
      }
      results.push(result)
    }
  return results
}

const pairs = { fins: 14, blades: 10 }
const pairSize = { width: 960, height: 720 }

/** @returns per surface and generator: how far the worst corner of each second photograph was put, px of 960, those that were not found, and ms each */
export async function alignErrors({ alignedRegion }, small) {
  const { farthestOff, pairBy } = await import('../../core/dist/tests/photoPairs.js')
  return Object.entries(pairs).flatMap(([surface, count]) =>
    Object.keys(generators).map((generator) => {
      const result = { surface, of: generators[generator], offs: [], refused: 0, ms: [] }
      for (let at = 0; at < (small ? 1 : count); at++) {
        const [before, after] = pairBy[generator](firstSeed + at, surface, pairSize)
        const start = performance.now()
        const found = alignedRegion(before.raster, before.truth.region, after.raster, surface)
        result.ms.push(performance.now() - start)
        if (found) result.offs.push(pairSize.width * farthestOff(found.region, after.truth.region, pairSize))
        else result.refused++
      }
      return result
    }),
  )
}
