// Something is put on record that matters to trust: who, when, from where, what before and after; in the same doing as the thing itself.
import type { AuditKind } from '@yastik/core/wire'
import type { Db } from '../db/database.ts'
import { Audit, type User } from '../db/models.ts'

/** Who does something, and from where. */
export interface Actor {
  readonly user: Pick<User, 'id' | 'name' | 'firmId'>
  readonly address: string
}
export interface Noted {
  readonly what: AuditKind
  readonly about?: string
  readonly before?: Record<string, unknown>
  readonly after?: Record<string, unknown>
}

export async function note({ transaction }: Db, { user, address }: Actor, { what, about = '', before, after }: Noted): Promise<void> {
  const values = { firmId: user.firmId, at: new Date(), byName: user.name, address: address.slice(0, 64), what, about: about.slice(0, 200) }
  await Audit.create({ ...values, before: before ?? null, after: after ?? null }, { transaction })
}

/** What differs between two states of something, by name: what was, and what is. */
export function difference(before: object, after: object): { before: Record<string, unknown>; after: Record<string, unknown> } {
  const [was, is] = [new Map<string, unknown>(Object.entries(before)), new Map<string, unknown>(Object.entries(after))]
  const differ = [...new Set([...was.keys(), ...is.keys()])].filter((name) => JSON.stringify(was.get(name)) !== JSON.stringify(is.get(name)))
  const only = (all: Map<string, unknown>) => Object.fromEntries(differ.filter((name) => all.has(name)).map((name) => [name, all.get(name)]))
  return { before: only(was), after: only(is) }
}
/** The same for lists of things with ids: things that differ, each by what differs of it. */
export function differenceOf(
  before: readonly { id: string }[],
  after: readonly { id: string }[],
): { before: Record<string, unknown>; after: Record<string, unknown> } {
  const [was, is] = [before, after].map((list) => new Map(list.map((thing) => [thing.id, thing])))
  const both: { before: Record<string, unknown>; after: Record<string, unknown> } = { before: {}, after: {} }
  for (const id of new Set([...was.keys(), ...is.keys()])) {
    const own = difference(was.get(id) ?? {}, is.get(id) ?? {})
    if (Object.keys(own.before).length + Object.keys(own.after).length === 0) continue
    if (was.has(id)) both.before[id] = own.before
    if (is.has(id)) both.after[id] = own.after
  }
  return both
}
