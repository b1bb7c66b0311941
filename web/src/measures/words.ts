// Where do the texts come from? A language, and what says it, is a file of its own: fetched once the first view stands; what it says appears then.
import { customary, metric, sentenceOf, type Measures } from '@yastik/core/quantities'
import type { Catalogue, Language, Say, Sentence } from '@yastik/core/words'
import { shallowRef } from 'vue'
import type { SiteForm } from '@yastik/core/wire'

interface Words {
  readonly catalogue: Catalogue
  readonly sayIn: (catalogue: Catalogue, reader: { measures: Measures; currency?: string }) => Say
}
const words = shallowRef<Words>()

/** The texts, for whoever cannot wait until they are there. */
export async function loadWords(): Promise<Catalogue> {
  if (!words.value) {
    const { catalogueOf, sayIn } = await import('@yastik/core/words/speech')
    words.value = { catalogue: await catalogueOf('en'), sayIn }
  }
  return words.value.catalogue
}

/** The texts of somebody else’s language, as a customer’s; English where none was said. */
export async function wordsFor(language: Language = 'en'): Promise<Catalogue> {
  const { catalogueOf } = await import('@yastik/core/words/speech')
  return catalogueOf(language)
}

/** Says a sentence to a customer, in their language and units. */
export async function sayToCustomer({ customerLanguage, customerUnits }: Pick<SiteForm, 'customerLanguage' | 'customerUnits'>): Promise<Say> {
  const { catalogueOf, sayIn } = await import('@yastik/core/words/speech')
  return sayIn(await catalogueOf(customerLanguage ?? 'en'), { measures: customerUnits === 'us' ? customary : metric })
}

/**
 * Says a sentence in this person's measures; a message says nothing before the texts are there. Words that somebody wrote, or that an earlier version
 * stored, have their figures in the text.
 */
export function sayFor(measures: Measures = metric, currency?: string): Say {
  const say = words.value?.sayIn(words.value.catalogue, { measures, currency })
  return (sentence: Sentence) => (typeof sentence === 'string' ? sentenceOf(sentence, measures) : (say?.(sentence) ?? ''))
}
