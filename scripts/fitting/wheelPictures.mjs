// Wheels laid flat, with what is true of each block: what the network of blades is fitted to and judged by.
import { Fault } from '@yastik/core/faults'
import { blockSide, laidFlat } from '../../core/dist/proof/photo/flat.js'
import { unrolled } from '../../core/dist/proof/photo/pitch.js'
import { prepared } from '../../core/dist/proof/photo/prepare.js'
import { trialOf } from '../lib/photoTrials.mjs'
import { cornersBy, onMap } from './truth.mjs'

/** A wheel laid flat, with what is true of each block; undefined where the photograph is refused. */
export async function pictureOf(trial) {
  const { raster, truth, wish } = await trialOf(trial)
  let laid
  try {
    ;({ laid } = prepared(raster, cornersBy(wish, truth.region), 'blades'))
  } catch (error) {
    if (!(error instanceof Fault)) throw error
    return undefined
  }
  const flat = laidFlat(raster, laid)
  const [columns, rows] = [flat.width / blockSide, flat.height / blockSide]
  const own = () => new Float32Array(columns * rows)
  const [covered, hidden, sizes, coveredSizes] = [own(), own(), own(), own()]
  for (let row = 0; row < rows; row++)
    for (let column = 0; column < columns; column++) {
      const at = row * columns + column
      // A wheel is laid on its side.
      const [u, v] = [unrolled((column + 0.5) / columns, laid.arc), (row + 0.5) / rows]
      covered[at] = onMap(truth.map, v, u)
      hidden[at] = truth.hidden ? onMap(truth.hidden, v, u) : 0
      // The outermost blocks see the frame as well.
      const isInner = row > 0 && column > 0 && row < rows - 1 && column < columns - 1
      sizes[at] = isInner ? Math.cos((2 * u - 1) * laid.arc) : 0
      coveredSizes[at] = sizes[at] * (1 - hidden[at])
    }
  return { ...flat, covered, hidden, sizes, coveredSizes, share: truth.coveredShare }
}
