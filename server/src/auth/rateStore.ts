// How often has somebody tried? Counted in the database, so that all app processes count together.
import type { Sequelize } from 'sequelize'
import { QueryTypes } from 'sequelize'

interface Hits {
  current: number
  ttl: number
}
type Callback = (error: Error | null, result?: Hits) => void

/** A store class for the rate-limit plugin, bound to a connection and a window. */
export function rateStoreFor(sequelize: Sequelize, windowMs: number) {
  return class RateStore {
    incr(key: string, callback: Callback): void {
      count(sequelize, key, windowMs).then(
        (hits) => callback(null, hits),
        (error: Error) => callback(error),
      )
    }
    child(): RateStore {
      return this
    }
  }
}

async function count(sequelize: Sequelize, key: string, windowMs: number): Promise<Hits> {
  const now = Date.now()
  const bucket = key.slice(0, 160)
  await sequelize.query(
    `INSERT INTO rate_limits (bucket, hits, ends_at_ms) VALUES (:bucket, 1, :ends)
     ON DUPLICATE KEY UPDATE hits = IF(ends_at_ms <= :now, 1, hits + 1), ends_at_ms = IF(ends_at_ms <= :now, :ends, ends_at_ms)`,
    { replacements: { bucket, now, ends: now + windowMs } },
  )
  const [row] = await sequelize.query<{ hits: number; ends_at_ms: number | bigint }>(
    'SELECT hits, ends_at_ms FROM rate_limits WHERE bucket = :bucket',
    { replacements: { bucket }, type: QueryTypes.SELECT },
  )
  return { current: row.hits, ttl: Math.max(0, Number(row.ends_at_ms) - now) }
}
