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
} from './message.ts'
export type { Quantity } from './quantity.ts'
export { sayIn, type Catalogue, type Say } from './renderer.ts'
export { tell, tellBeside, toldSchema, type Told } from './told.ts'
export { catalogueOf, languages, type Language } from './languages.ts'
