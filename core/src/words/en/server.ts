// What does the server say of itself, outside any screen?
import { text, type Sentence } from '../message.ts'

export const server = {
  'server.as-quoted': text<{ way: Sentence }>('as quoted: {way}'),
}
