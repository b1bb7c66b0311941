// Irregular shapes that look grown, not drawn: value noise of several octaves.

const { floor, imul, max } = Math

/** One number -1..1 for each point of a lattice, by a hash of its place (after the finaliser of T. Wang’s integer hash, 1997). */
function at(x: number, y: number, seed: number): number {
  let mixed = imul(x, 0x27d4eb2d) ^ imul(y, 0x165667b1) ^ seed
  mixed = imul(mixed ^ (mixed >>> 15), 0x85ebca6b)
  mixed = imul(mixed ^ (mixed >>> 13), 0xc2b2ae35)
  return ((mixed ^ (mixed >>> 16)) >>> 0) / 2147483648 - 1
}

/** Smooth noise over the plane, about -1..1, one period per unit. */
export function noise(x: number, y: number, seed: number): number {
  const x0 = floor(x)
  const y0 = floor(y)
  const dx = x - x0
  const dy = y - y0
  const sx = dx * dx * dx * (dx * (dx * 6 - 15) + 10)
  const sy = dy * dy * dy * (dy * (dy * 6 - 15) + 10)
  const upper = at(x0, y0, seed)
  const lower = at(x0, y0 + 1, seed)
  const top = upper + (at(x0 + 1, y0, seed) - upper) * sx
  const bottom = lower + (at(x0 + 1, y0 + 1, seed) - lower) * sx
  return top + (bottom - top) * sy
}

/** Octaves of noise, each twice as fine and `falls` as strong as the one before. */
export function grown(x: number, y: number, seed: number, octaves: number, falls: number): number {
  let sum = 0
  let strength = 1
  let scale = 1
  for (let octave = 0; octave < octaves; octave++) {
    sum += strength * noise(x * scale + octave * 17.3, y * scale - octave * 9.1, seed + octave * 1013)
    strength *= falls
    scale *= 2.03
  }
  return sum
}

/** How much of a lamp a drop throws back at a place, 0..1: a small bright spot in some cells of a grid, anywhere in them. */
export function dropAt(x: number, y: number, seed: number): number {
  const column = floor(x)
  const row = floor(y)
  if (at(column, row, seed) < 0.2) return 0
  const dx = x - column - 0.5 - 0.3 * at(column, row, seed + 1)
  const dy = y - row - 0.5 - 0.3 * at(column, row, seed + 2)
  const radius = 0.1 + 0.06 * at(column, row, seed + 3)
  return max(0, 1 - (dx * dx + dy * dy) / (radius * radius))
}
