// Is a password hard enough to guess? Judged by lists of common ones and by how a guesser would go about it, not by kinds of signs.
import { says } from '@yastik/core/words'
import { doesNotHoldUp } from '@yastik/core/faults'
import { ZxcvbnFactory } from '@zxcvbn-ts/core'
import * as common from '@zxcvbn-ts/language-common'

/** Of 0 to 4: 3 takes a guesser who has the hash 10^8 guesses and more. */
const leastScore = 3

/** Looks at so many signs: more make no password weaker, and take their time. */
let judge: ZxcvbnFactory | undefined

/**
 * @param near what a guesser would try first: names of the person and of the firm
 * @throws Fault `does-not-hold-up` where it is easily guessed
 */
export function checkPassword(password: string, near: readonly string[], where = 'password'): void {
  judge ??= new ZxcvbnFactory({ dictionary: common.dictionary, graphs: common.adjacencyGraphs, maxLength: 64 })
  const words = near.flatMap((name) => [name, ...name.split(/[\s@._-]+/)]).filter((word) => word.length > 2)
  if (judge.check(password, words).score >= leastScore) return
  throw doesNotHoldUp(where, says('fault.people.guessed'), says('fault.people.guessed-allowed'))
}
