// Which part of a coil is covered? Bare fins are edges of one direction; soil bridges them.
import { inverse, Matrix } from 'ml-matrix'
import { clamp, estimate } from '../../quantities/index.ts'
import { innerPlaces, type Cell, type Place } from './cell.ts'
import { blocksOf, smoothed, type Brightness } from './texture.ts'
import { nothingSeen } from './unclear.ts'

// Looked up once: these are called in loops over millions of values.
const { atan2, exp, floor, log, max, sqrt } = Math

/** Edge energy against that of bare metal at the same place, where soil covers all of a block and where none. Fitted to sample photographs, seeds 1 to 160. */
const coveredBelow = estimate(0.18, 'share of the edge energy')
const bareAbove = estimate(0.59, 'share of the edge energy')
/** Least edge energy over brightness squared at which anything counts as fins at all. */
const leastEdge = estimate(0.004, 'edge energy per brightness squared')
/** Blocks that are certainly bare: against the strongest at first, then against the fitted surface. */
const sureAtFirst = 0.45
const sure = { from: 0.6, to: 1.8 }
/** So much of the picture is taken as bare, to begin with. */
const leastBare = estimate(0.03, 'share of the picture')
const fewestSure = 12
const fits = 3
const mostToFit = 4000
/** Black: no light to see by. */
const darkest = 0.0006

/**
 * Share of bare metal in each block of a straightened picture.
 * Per block the structure tensor says how much edge energy agrees on a direction; noise and the grain of soil agree on none and drop out.
 * What bare metal would give at the same place (light falls off, focus too) is a smooth surface fitted to the blocks that are certainly bare.
 * @throws Fault `photo-unclear`: nothing in it looks like fins.
 */
export function finCells(flat: Brightness): Cell[] {
  const { columns, rows, ...sums } = blocksOf(flat)
  const [xx, xy, yy, mean] = [sums.xx, sums.xy, sums.yy, sums.mean].map((values) => smoothed(values, columns, rows, 1))
  const places = innerPlaces(columns, rows)
  const energy = Float64Array.from(places, ({ at }) => sqrt((xx[at] - yy[at]) ** 2 + 4 * xy[at] * xy[at]))
  const relative = Float64Array.from(places, ({ at }, index) => energy[index] / max(darkest, mean[at]) ** 2)
  const strongest = relative.slice().sort()[floor(relative.length * (1 - leastBare.value))] ?? 0
  if (strongest < leastEdge.value) throw nothingSeen('fins')
  const indexes = places.map((_, index) => index)
  let bareEnergy = fitted(
    places,
    energy,
    indexes.filter((index) => relative[index] > strongest * sureAtFirst),
  )
  for (let turn = 0; turn < fits; turn++) {
    const certain = indexes.filter((index) => {
      const share = energy[index] / bareEnergy[index]
      return share > sure.from && share < sure.to && relative[index] > leastEdge.value
    })
    if (certain.length < fewestSure) break
    bareEnergy = fitted(places, energy, certain)
  }
  return places.map(({ at, u, v }, index) => ({
    at,
    u,
    v,
    bare: clamp((energy[index] / bareEnergy[index] - coveredBelow.value) / (bareAbove.value - coveredBelow.value), 0, 1),
    angle: 0.5 * atan2(2 * xy[at], xx[at] - yy[at]),
  }))
}

/**
 * Edge energy of bare metal at every place: a quadratic surface through the logarithms at `certain` ones by least squares, whose slopes many
 * of them have to earn (ridge).
 */
function fitted(places: readonly Place[], energy: Float64Array, certain: readonly number[]): Float64Array {
  const termsAt = ({ u, v }: Place) => [1, u - 0.5, v - 0.5, (u - 0.5) ** 2, (u - 0.5) * (v - 0.5), (v - 0.5) ** 2]
  // A smooth surface needs no more.
  const stride = max(1, floor(certain.length / mostToFit))
  const chosen = certain.filter((_, index) => index % stride === 0)
  const design = new Matrix(chosen.map((index) => termsAt(places[index])))
  const turned = design.transpose()
  const ridge = Matrix.diag([0, 1, 1, 1, 1, 1].map((one) => one * (2 + 0.01 * chosen.length)))
  const right = turned.mmul(Matrix.columnVector(chosen.map((index) => log(energy[index]))))
  const [w0, w1, w2, w3, w4, w5] = inverse(turned.mmul(design).add(ridge)).mmul(right).to1DArray()
  return Float64Array.from(places, ({ u, v }) => {
    const [x, y] = [u - 0.5, v - 0.5]
    return exp(w0 + w1 * x + w2 * y + w3 * x * x + w4 * x * y + w5 * y * y)
  })
}
