// Which languages are there? Each is a folder of this room; it is loaded when somebody reads it.
import type { Catalogue } from './renderer.ts'

/** By their codes (BCP 47). */
export const languages = ['en', 'es'] as const
export type Language = (typeof languages)[number]

const loaders: Readonly<Record<Language, () => Promise<Catalogue>>> = {
  en: async () => (await import('./en/index.ts')).english,
  es: async () => (await import('./es/index.ts')).spanish,
}
/** The texts of a language. */
export const catalogueOf = (language: Language): Promise<Catalogue> => loaders[language]()
