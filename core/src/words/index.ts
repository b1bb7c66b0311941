// Words: what the core says as keys and values, and what puts them into a language.
export {
  isMessage,
  isSame,
  joined,
  messageSchema,
  nameOf,
  says,
  sentenceSchema,
  type Joined,
  type Key,
  type Message,
  type Sentence,
  type Value,
  type Values,
  type ValuesOf,
} from './message.ts'
export type { Quantity } from './quantity.ts'
export { sayIn, type Catalogue, type Say } from './renderer.ts'
export { kindOfWordable, wordableKinds, worded, type WordableKind, type Wording } from './wording.ts'
export { tell, tellBeside, toldSchema, type Told } from './told.ts'
export { languageNames, languages } from './folders.ts'
export { catalogueOf, firstOf, languageOf, type Language } from './languages.ts'
