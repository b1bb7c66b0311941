// In which language does this page speak? Its texts come as one file for the first view and one for the rest, and what says them with the rest.
import { metric, type Measures } from '@yastik/core/quantities'
import { firstOf, languageOf, says, type Catalogue, type Key, type Language, type Say, type Sentence, type ValuesOf } from '@yastik/core/words'
import { computed, readonly, ref, shallowRef } from 'vue'

interface Reader {
  readonly measures: Measures
  readonly currency?: string
}
type SayIn = (catalogue: Catalogue, reader: Reader) => Say

const kept = 'yastik-language'
/** As it was read here last; else the first that the device asks for and that there is. */
const here = (): Language =>
  languageOf(localStorage.getItem(kept) ?? '') ?? navigator.languages.map(languageOf).find((own) => own !== undefined) ?? 'en'

const current = ref<Language>(here())
/** What was chosen last; its texts may be on their way. */
let wanted = current.value
const texts = shallowRef<Catalogue>({ locale: current.value, texts: {} })
const sayIn = shallowRef<SayIn>()
const reader = shallowRef<Reader>({ measures: metric })

export const language = readonly(current)
/** By which dates, figures and lists are written. */
export const locale = computed(() => texts.value.locale)

/** Of which the browser knows by the language; types do not know it yet. */
const directionOf = (code: string): string =>
  (new Intl.Locale(code) as Intl.Locale & { getTextInfo?: () => { direction: 'ltr' | 'rtl' } }).getTextInfo?.().direction ?? 'ltr'

function speak(next: Language, catalogue: Catalogue): void {
  current.value = next
  texts.value = catalogue
  document.documentElement.lang = catalogue.locale
  document.documentElement.dir = directionOf(catalogue.locale)
  localStorage.setItem(kept, next)
}
/** The texts of the first view, in the language of this device or of whoever was here last: before anything is shown. */
export const loadFirstWords = async (): Promise<void> => speak(current.value, await firstOf(current.value))

/** All texts, and what says those with values in them. */
export async function loadWords(): Promise<Catalogue> {
  const speech = await import('@yastik/core/words/speech')
  for (;;) {
    const spoken = current.value
    const catalogue = await speech.catalogueOf(spoken)
    // Somebody may have chosen another language meanwhile.
    if (spoken !== current.value) continue
    sayIn.value = speech.sayIn
    if (texts.value !== catalogue) speak(spoken, catalogue)
    return catalogue
  }
}
/** Turns to another language, at once for the whole page. @param next none where the person chose none: then it stays as it is here */
export async function readIn(next: Language | null): Promise<void> {
  if (next === null) return
  wanted = next
  if (next === current.value) return
  const catalogue = await (sayIn.value ? wordsFor(next) : firstOf(next))
  // Of two that were chosen one after the other the second counts, whichever comes first.
  if (wanted === next) speak(next, catalogue)
}
/** Whose units and money are said. */
export function readFor(measures: Measures = metric, currency?: string): void {
  reader.value = { measures, ...(currency === undefined ? {} : { currency }) }
}

const saying = computed(() => sayIn.value?.(texts.value, reader.value))
/** A sentence in words, every quantity as this person reads it. What has values says nothing before all words are there. */
export const say: Say = (sentence: Sentence) => {
  if (typeof sentence === 'string') return sentence
  return saying.value?.(sentence) ?? (sentence.values ? '' : (texts.value.texts[sentence.key] ?? ''))
}
/** A text of this interface. */
export const t = <K extends Key>(key: K, ...values: ValuesOf<K>): string => say(says(key, ...values))

/** An error as a person reads it: by its sentence where it has one; what nobody expected says what it says. */
export function sayError(error: unknown): string {
  if (!(error instanceof Error)) return String(error)
  // Until its words are there, an error says its code.
  return (isSpoken(error) && say(error.sentence)) || error.message
}
const isSpoken = (error: Error): error is Error & { sentence: Sentence } => 'sentence' in error

/** The texts of somebody else’s language, as a customer’s; English where none was said. */
export async function wordsFor(of: Language = 'en'): Promise<Catalogue> {
  const { catalogueOf } = await import('@yastik/core/words/speech')
  return catalogueOf(of)
}
