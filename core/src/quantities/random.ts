// Where does chance come from, where the same seed must give the same?

// Looked up once: this is called in loops over millions of values.
const { imul } = Math

/** Random numbers in [0, 1), the same for the same seed (mulberry32). */
export function seeded(seed: number): () => number {
  let state = seed >>> 0
  return () => {
    state = (state + 0x6d2b79f5) >>> 0
    let mixed = imul(state ^ (state >>> 15), 1 | state)
    mixed = (mixed + imul(mixed ^ (mixed >>> 7), 61 | mixed)) ^ mixed
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 4294967296
  }
}
