// What was opened last on this device: kept here alone, and gone with who signs out.
const key = 'yastik-recent'
const most = 6

export interface Recent {
  /** Address below the base. */
  readonly to: string
  readonly says: string
  readonly where: string
}

const isRecent = (entry: unknown): entry is Recent =>
  typeof entry === 'object' && entry !== null && ['to', 'says', 'where'].every((name) => typeof (entry as Record<string, unknown>)[name] === 'string')

/** Newest first; nothing where what is kept cannot be read. */
export function recents(): Recent[] {
  try {
    const kept: unknown = JSON.parse(localStorage.getItem(key) ?? '[]')
    return Array.isArray(kept) ? kept.filter(isRecent) : []
  } catch (error) {
    if (error instanceof SyntaxError) return []
    throw error
  }
}
/** Puts what was opened on top. */
export function noteRecent(entry: Recent): void {
  const others = recents().filter(({ to }) => to !== entry.to)
  localStorage.setItem(key, JSON.stringify([entry, ...others].slice(0, most)))
}
export const forgetRecents = (): void => localStorage.removeItem(key)
