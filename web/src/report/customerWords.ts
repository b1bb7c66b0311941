// In which words does a customer read? In their language, as their firm says it.
import { customary, metric } from '@yastik/core/quantities'
import { endpoints, type SiteForm } from '@yastik/core/wire'
import type { Catalogue, Language, Say, Wording } from '@yastik/core/words'
import { isNoJudgement } from '../api/client.ts'
import { askOrKept } from '../offline/shelf.ts'
import { wordsFor } from '../words/words.ts'

/** What the firm says in its own words; without a signal as it was kept here, and where nothing was kept as everybody says it. */
async function ownWording(): Promise<Wording> {
  try {
    return (await askOrKept(endpoints.wording)).answer.wording
  } catch (error) {
    if (isNoJudgement(error)) return {}
    throw error
  }
}

/** The texts of a customer's language; English where none was said. */
export async function wordsForCustomer(language: Language = 'en'): Promise<Catalogue> {
  const { worded } = await import('@yastik/core/words/speech')
  return worded(await wordsFor(language), (await ownWording())[language])
}
/** Says a sentence to a customer, in their language and units. */
export async function sayToCustomer({ customerLanguage, customerUnits }: Pick<SiteForm, 'customerLanguage' | 'customerUnits'>): Promise<Say> {
  const { sayIn } = await import('@yastik/core/words/speech')
  return sayIn(await wordsForCustomer(customerLanguage), { measures: customerUnits === 'us' ? customary : metric })
}
