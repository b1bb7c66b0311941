// How well and how fast are photographs read? Sample photographs with known truth, through JPEG as a camera would write it.
import sharp from 'sharp'

/** Pictures whose seeds no limit was fitted to; every fourth shows a wheel. */
const pictures = 208
const size = { width: 960, height: 720 }

/** @returns errors of covered share and straight fins, in points, and how many pictures gave no figure. */
export async function photoErrors({ measurePhoto, samplePhoto, seeded, soilKinds, Fault }) {
  const errors = { fins: [], blades: [], straight: [], silent: 0 }
  for (let seed = 1001; seed < 1001 + pictures; seed++) {
    const random = seeded(seed * 7919)
    const surface = seed % 4 === 0 ? 'blades' : 'fins'
    const wish = { seed, surface, ...size, coveredShare: random() * 0.9, bentShare: random() * 0.2, kind: soilKinds[seed % soilKinds.length] }
    const { raster, truth } = samplePhoto(wish)
    const jpeg = await sharp(raster.data, { raw: { ...size, channels: 4 } })
      .jpeg({ quality: 50 + Math.floor(random() * 45) })
      .toBuffer()
    const data = await sharp(jpeg).ensureAlpha().raw().toBuffer()
    try {
      const read = measurePhoto({ ...size, data }, truth.region, surface)
      errors[surface].push(100 * (read.coveredShare - truth.coveredShare))
      if (read.straightShare !== undefined) errors.straight.push(100 * (read.straightShare - truth.straightShare))
    } catch (error) {
      if (!(error instanceof Fault)) throw error
      errors.silent++
    }
  }
  return errors
}
