// What is said, as a reader of English has it.
import { tell, type Told } from '@yastik/core/words'
import { inEnglish } from '../words.ts'

export const told = <T>(thing: T): Told<T> => tell(thing, inEnglish)
