// How far off shares are, and how well parts are read that nothing was fitted to.

/**
 * How far off a share is, by how unsure its places are: the spread of that form under which the errors of the
 * pictures given are likeliest (as of Laplace's distribution, whose tails are long), so that it is right for the sure ones and for the unsure ones
 * alike; then as wide as it takes for the truth to lie within the band (1.645 spreads either way) for 94 of 100.
 * @param pictures {error, unsure}[]
 * @returns spread = least + byUnsure · unsure
 */
export function spreadFitted(pictures) {
  const held = 0.94
  const steps = (to, count) => Array.from({ length: count + 1 }, (_, at) => (to * at) / count)
  let best
  for (const least of steps(0.03, 30).slice(4))
    for (const byUnsure of steps(0.4, 40)) {
      const scales = pictures.map(({ unsure }) => least + byUnsure * unsure)
      const unlikely = scales.reduce((sum, scale, at) => sum + Math.log(scale) + pictures[at].error / scale, 0)
      if (!best || unlikely < best.unlikely) best = { unlikely, scales, least, byUnsure }
    }
  const needed = best.scales.map((scale, at) => pictures[at].error / (1.645 * scale)).sort((a, b) => a - b)
  const times = needed[Math.ceil(held * needed.length) - 1]
  return { least: times * best.least, byUnsure: times * best.byUnsure }
}

/** How well parts are read, in one line. @param pictures {told, share}[] */
export function said(pictures) {
  const errors = pictures.map(({ told, share }) => 100 * (told - share))
  const within = errors.filter((error) => Math.abs(error) <= 5).length / errors.length
  const bias = errors.reduce((sum, error) => sum + error, 0) / errors.length
  return `${(100 * within).toFixed(1)} % of ${errors.length} within five points, bias ${bias.toFixed(2)}, worst ${Math.max(...errors.map(Math.abs)).toFixed(1)}`
}

/** A number as it is written down. */
export const short = (value) => Number(value.toPrecision(4))
export const shortSpread = ({ least, byUnsure }) => ({ least: short(least), byUnsure: short(byUnsure) })
