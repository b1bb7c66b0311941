// Which languages are there? Each is a folder of this room; it is loaded when somebody reads it.
import type { Catalogue } from './renderer.ts'

const loaders = {
  en: async () => (await import('./en/index.ts')).english,
  es: async () => (await import('./es/index.ts')).spanish,
} satisfies Record<string, () => Promise<Catalogue>>

export type Language = keyof typeof loaders
/** By their codes (BCP 47). */
export const languages = Object.keys(loaders) as Language[]
/** The texts of a language. */
export const catalogueOf = (language: Language): Promise<Catalogue> => loaders[language]()
