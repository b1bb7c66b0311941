// What is made up is the same for the same thing.

/** A number that follows from an id (FNV-1a), so that a unit's hidden truth is always the same. */
export function seedOf(text: string): number {
  let hash = 0x811c9dc5
  for (const letter of text) hash = Math.imul(hash ^ (letter.codePointAt(0) ?? 0), 0x01000193)
  return hash >>> 0
}
