// What of something that is kept is a person's own words? Everything that a schema leaves open: what has to be one of a few words, an id or a figure
// says nothing of anybody.
import type { Happening } from '@yastik/core/run'

export const erasedWord = 'erased'

/** Fields of events that people write in, wherever they stand in an event. */
const written = new Set(['because', 'text', 'name', 'item', 'customerText'])

/** An event without what somebody wrote; steps of an agreed method are the plan's own sentences, and those that were not are sentences with a blank. */
export const withoutWords = (happening: Happening): Happening =>
  changed(happening, (value, name) => (isWritten(value, name, happening.type) ? erasedWord : value))
const isWritten = (value: string, name: string, type: Happening['type']): boolean => (type === 'method-agreed' ? /\s/.test(value) : written.has(name))

/** The same of anything in which names stand: they are put out wherever they do. */
export const withoutNames = <Of>(own: Of, names: ReadonlySet<string>): Of => changed(own, (value) => (names.has(value) ? erasedWord : value))

/** Every text within, by the name under which it stands. */
function changed<Of>(own: Of, text: (value: string, name: string) => string): Of {
  const walk = (value: unknown, name: string): unknown => {
    if (typeof value === 'string') return text(value, name)
    if (Array.isArray(value)) return value.map((one: unknown) => walk(one, name))
    if (value === null || typeof value !== 'object') return value
    return Object.fromEntries(Object.entries(value).map(([key, one]: [string, unknown]) => [key, walk(one, key)]))
  }
  return walk(own, '') as Of
}
