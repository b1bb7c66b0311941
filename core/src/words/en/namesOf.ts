// What are things called in English, for whatever does not say messages yet?

/** English names of a group by their ids, out of the texts of a room. */
export function namesOf<Id extends string>(texts: Readonly<Record<string, string>>, group: string, ids: readonly Id[]): Record<Id, string> {
  return Object.fromEntries(ids.map((id) => [id, texts[`names.${group}.${id}`] ?? id])) as Record<Id, string>
}
