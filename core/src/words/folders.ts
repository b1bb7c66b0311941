// Which languages are there, and where are their texts? Written by `npm run formats` from the folders beside this file.

/** By their codes (BCP 47). */
export const languages = ['en', 'es'] as const
/** As each calls itself. */
export const languageNames = { en: 'English', es: 'Español' } as const

/** Of each, all of it; and what a first view needs. */
export const folders = {
  en: { whole: () => import('./en/index.ts'), first: () => import('./en/first.ts') },
  es: { whole: () => import('./es/index.ts'), first: () => import('./es/first.ts') },
} as const
