// Chance by a seeded source.

/** A number of the normal distribution, mean 0 and deviation 1. Source: G. E. P. Box and M. E. Muller (1958). */
export const normal = (random) => Math.sqrt(-2 * Math.log(random() + 1e-12)) * Math.cos(2 * Math.PI * random())

export function shuffled(pictures, random) {
  const out = [...pictures]
  for (let at = out.length - 1; at > 0; at--) {
    const other = Math.floor(random() * (at + 1))
    ;[out[at], out[other]] = [out[other], out[at]]
  }
  return out
}
