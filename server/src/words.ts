// How does the server put into words what somebody reads outside the interface: a message, an entry of a calendar, a note on the record?
import { customary, metric } from '@yastik/core/quantities'
import type { SiteForm } from '@yastik/core/wire'
import { catalogueOf, sayIn, worded, type Language, type Say, type Wording } from '@yastik/core/words'
import { catalogue as english } from '@yastik/core/words/en'

interface Money {
  readonly houseRules: { readonly currency?: string }
}

/** For whoever reads no messages, and of whom nothing is known. */
export const inEnglish: Say = sayIn(english, { measures: metric })
/** To the customer of a site, in their language and units and the firm's money. */
export async function sayToCustomer(
  { form }: { form: Pick<SiteForm, 'customerLanguage' | 'customerUnits'> },
  firm?: Money & { readonly wording: Wording },
): Promise<Say> {
  const currency = firm?.houseRules.currency
  const language = form.customerLanguage ?? 'en'
  const measures = form.customerUnits === 'us' ? customary : metric
  return sayIn(worded(await catalogueOf(language), firm?.wording[language]), { measures, ...(currency === undefined ? {} : { currency }) })
}
/** To somebody of the firm, in the language that they chose; English where they chose none. */
export async function sayToPerson(person: { readonly language: Language | null } | undefined, { houseRules: { currency } }: Money): Promise<Say> {
  return sayIn(await catalogueOf(person?.language ?? 'en'), { measures: metric, ...(currency === undefined ? {} : { currency }) })
}
/** In the firm's money. */
export const sayFor = ({ houseRules: { currency } }: Money): Say =>
  sayIn(english, { measures: metric, ...(currency === undefined ? {} : { currency }) })
