// Pictures as others might have taken them.
import { blockSide } from '../../core/dist/proof/photo/flat.js'
import { normal } from './chance.mjs'

/** The same picture as others might have taken it: turned about, of a smaller piece, in other light, with other grain. */
export function augmented(picture, random) {
  const { width, height, light } = picture
  const blocks = { columns: width / blockSide, rows: height / blockSide }
  const [flipX, flipY] = [random() < 0.5, random() < 0.5]
  const off = (count) => (random() < 0.5 ? 0 : Math.floor((random() * count) / 4))
  const [left, right, top, bottom] = [off(blocks.columns), off(blocks.columns), off(blocks.rows), off(blocks.rows)]
  const [columns, rows] = [blocks.columns - left - right, blocks.rows - top - bottom]
  const exposure = 0.15 * normal(random)
  const gains = [0, 1, 2].map(() => exposure + 0.08 * normal(random))
  const contrast = random() < 0.3 ? 0.85 + 0.3 * random() : 1
  const grain = random() < 0.3 ? 0.03 : 0
  const [wide, tall] = [columns * blockSide, rows * blockSide]
  const out = new Float32Array(wide * tall * 3)
  for (let y = 0; y < tall; y++)
    for (let x = 0; x < wide; x++) {
      const from = ((top * blockSide + (flipY ? tall - 1 - y : y)) * width + left * blockSide + (flipX ? wide - 1 - x : x)) * 3
      for (let channel = 0; channel < 3; channel++)
        out[(y * wide + x) * 3 + channel] = (light[from + channel] + gains[channel]) * contrast + (grain > 0 ? grain * normal(random) : 0)
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
