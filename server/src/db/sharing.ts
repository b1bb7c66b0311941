// Many who ask the very same are answered by one statement: whoever comes before it is sent shares its answer. Once it is sent it may miss what was
// committed since, so that who comes later asks anew.
import pLimit from 'p-limit'

/** Gives the answer to a key: by asking, or of whoever asked for the same and still waits for its turn. */
export type Sharing = <Answer>(key: string, ask: () => Promise<Answer>) => Promise<Answer>

/** @param most so many ask at a time; others wait for their turn, in order */
export function sharing(most: number): Sharing {
  const turn = pLimit(most)
  const waiting = new Map<string, Promise<unknown>>()
  return <Answer>(key: string, ask: () => Promise<Answer>) => {
    const same = waiting.get(key)
    // One key stands for one statement with its values: its answers are of one kind.
    if (same) return same as Promise<Answer>
    const answer = turn(() => {
      waiting.delete(key)
      return ask()
    })
    waiting.set(key, answer)
    return answer
  }
}
