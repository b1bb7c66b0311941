// A language and its texts: loaded when somebody reads it.
import { folders, languages } from './folders.ts'
import type { Catalogue } from './renderer.ts'

export type Language = (typeof languages)[number]

/** The texts of a language. */
export const catalogueOf = async (language: Language): Promise<Catalogue> => (await folders[language].whole()).catalogue

/** Those of the first view alone. */
export async function firstOf(language: Language): Promise<Catalogue> {
  const { locale, first } = await folders[language].first()
  return { locale, texts: first }
}

/** The language that somebody asks for by a code as `es-MX`, where there is one. */
export const languageOf = (code: string): Language | undefined => languages.find((own) => own === code.toLowerCase().split('-')[0])
