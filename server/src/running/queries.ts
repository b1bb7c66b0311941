// Figures over all firms, for whoever runs the house: how many, of nobody in particular.
import type { Db } from '../db/database.ts'

/** Which migrations have run. */
export const ranMigrations = (db: Db): Promise<{ name: string }[]> => db.read('SELECT name FROM migrations', {})

export interface Figures {
  /** Each state is there, with none as well. */
  readonly messages: readonly { readonly state: string; readonly count: number }[]
  readonly units: { readonly foretold: number; readonly overdue: number }
}
const unsettled = ['waiting', 'sent'] as const

export async function figuresOf(db: Db): Promise<Figures> {
  const [messages, [units]] = await Promise.all([
    db.read<{ state: string; count: number }>('SELECT state, COUNT(*) AS count FROM messages WHERE state IN (:unsettled) GROUP BY state', {
      unsettled,
    }),
    db.read<{ foretold: number; overdue: number }>(
      'SELECT COUNT(DISTINCT unit_id) AS foretold, COUNT(DISTINCT IF(due_on < CURRENT_DATE, unit_id, NULL)) AS overdue FROM dues',
      {},
    ),
  ])
  const countOf = new Map(messages.map(({ state, count }) => [state, Number(count)]))
  return {
    messages: unsettled.map((state) => ({ state, count: countOf.get(state) ?? 0 })),
    units: { foretold: Number(units.foretold), overdue: Number(units.overdue) },
  }
}
