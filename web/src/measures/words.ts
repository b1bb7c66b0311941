// Where do the texts come from? A language is a file of its own: it is fetched once the first view stands, and what it says appears then.
import { metric, sentenceOf, type Measures } from '@yastik/core/quantities'
import { sayIn, type Catalogue, type Say, type Sentence } from '@yastik/core/words'
import { shallowRef } from 'vue'

const catalogue = shallowRef<Catalogue>()

/** The texts, for whoever cannot wait until they are there. */
export async function loadWords(): Promise<Catalogue> {
  catalogue.value ??= (await import('@yastik/core/words/en')).english
  return catalogue.value
}

/**
 * Says a sentence in this person's measures; a message says nothing before the texts are there. Words that somebody wrote, or that an earlier version
 * stored, have their figures in the text.
 */
export function sayFor(measures: Measures = metric, currency?: string): Say {
  const say = catalogue.value && sayIn(catalogue.value, { measures, currency })
  return (sentence: Sentence) => (typeof sentence === 'string' ? sentenceOf(sentence, measures) : (say?.(sentence) ?? ''))
}
