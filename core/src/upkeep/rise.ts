// How likely does a rise of the index stay below a bound, whatever the rate and however long it took? Asked for many shapes at one bound: summed up once.
import gammaln from '@stdlib/math-base-special-gammaln'

/** Entries of a table from one whole shape to the next. */
const perShape = 8
/** ln Γ(1 + shape) of the first of them. */
const lnGammas = Float64Array.from({ length: perShape }, (_, at) => gammaln(1 + at / perShape))
/** Bounds below it count as it: nothing can be told of them. */
const leastBound = 1e-12

/** Tables that were summed up, by their bound: grades and what the work leaves make the same bounds again and again. */
const tables = new Map<number, Float64Array>()
const mostTables = 500

function tableOf(bound: number): Float64Array {
  const known = tables.get(bound)
  if (known) return known
  if (tables.size >= mostTables) tables.clear()
  const table = summedUp(bound)
  tables.set(bound, table)
  return table
}

/**
 * Chance that a rise with a Gamma distribution of scale one stays below `bound`, as a function of its shape; both without unit.
 *
 * That chance is P(a, x) = Σ xᵃ⁺ⁿ e⁻ˣ / Γ(a + n + 1) over all n ≥ 0 (NIST Digital Library of Mathematical Functions, 8.2.6 and 8.7.1): the terms of
 * a shape are those of the shape greater by one, and one more. So a whole table, eight shapes to the unit, is one sum from its end to its
 * beginning, of positive terms throughout. In between, its logarithm is read by the cubic through four neighbours: off by less than 5·10⁻⁵.
 */
export function chanceBelow(bound: number): (shape: number) => number {
  if (bound === Infinity) return () => 1
  const table = tableOf(Math.max(leastBound, bound))
  const last = table.length - perShape
  return (shape) => {
    const place = shape * perShape
    if (place >= last) return 0
    const from = Math.min(Math.max(1, Math.floor(place)), last - 2)
    const t = place - from
    const [before, after] = [t * (t - 1), t * (t + 1)]
    const ln =
      (-table[from - 1] * before * (t - 2)) / 6 +
      (table[from] * (t + 1) * (t - 1) * (t - 2)) / 2 -
      (table[from + 1] * after * (t - 2)) / 2 +
      (table[from + 2] * after * (t - 1)) / 6
    return Math.min(1, Math.exp(ln))
  }
}

/** ln P(a, x) for a = 0, 1/8, 2/8 …, as far as it is more than 10⁻⁹, and one whole shape beyond. */
function summedUp(x: number): Float64Array {
  const last = Math.ceil(x + 7 * Math.sqrt(x) + 8) * perShape
  const table = new Float64Array(last + perShape)
  for (let at = 0; at < perShape; at++) table[at] = Math.exp((at / perShape) * Math.log(x) - x - lnGammas[at])
  for (let at = perShape; at < table.length; at++) table[at] = (table[at - perShape] * x) / (at / perShape)
  for (let at = last - 1; at >= 0; at--) table[at] += table[at + perShape]
  return table.map(Math.log)
}
