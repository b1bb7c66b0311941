// What is what that was seen called, in this language?
import { named } from '@yastik/core/lookover'
import { say } from './words.ts'

export const inWords = (word: Parameters<typeof named>[0]): string => say(named(word))
