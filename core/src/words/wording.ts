// A firm's own words for what its customers read: texts of the catalogue, said otherwise.
import type { Language } from './languages.ts'
import type { Catalogue } from './renderer.ts'

/** What may be said otherwise: letters, reports, and what is said at handing over. How a customer ends letters stands as it is: it has to work. */
export const wordableKinds = ['letters', 'report', 'plan.customerText'] as const
export type WordableKind = (typeof wordableKinds)[number]
const fixed = ['letters.stop', 'report.file.name']
export const kindOfWordable = (key: string): WordableKind | undefined =>
  fixed.includes(key) ? undefined : wordableKinds.find((kind) => key.startsWith(`${kind}.`))

/** By language and key of the catalogue. */
export type Wording = Readonly<Partial<Record<Language, Readonly<Record<string, string>>>>>

/** Made once for each: texts are taken apart by catalogue. */
const made = new WeakMap<object, Catalogue>()
/** A language with what a firm says otherwise. */
export function worded(catalogue: Catalogue, own: Wording[Language] = {}): Catalogue {
  if (Object.keys(own).length === 0) return catalogue
  const known = made.get(own) ?? { ...catalogue, texts: { ...catalogue.texts, ...own } }
  made.set(own, known)
  return known
}
