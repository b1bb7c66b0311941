// Many who ask the same of different things at about the same time are answered by one statement.
import DataLoader from 'dataloader'

/**
 * @param read all that are there, of those whose ids are asked for
 * @param waitMs for so long others may join; 0 for whoever is read from the network at the same time
 * @returns what is there of one; undefined where there is nothing
 */
export function together<Own extends { readonly id: string }>(
  read: (ids: readonly string[]) => Promise<readonly Own[]>,
  waitMs: number,
): (id: string) => Promise<Own | undefined> {
  const loader = new DataLoader<string, Own | undefined>(
    async (ids) => {
      const found = new Map((await read([...new Set(ids)])).map((own) => [own.id, own]))
      return ids.map((id) => found.get(id))
    },
    // Nothing is remembered: each time it is read.
    { cache: false, maxBatchSize: 500, batchScheduleFn: (ask) => void (waitMs === 0 ? setImmediate(ask) : setTimeout(ask, waitMs)) },
  )
  return (id) => loader.load(id)
}
