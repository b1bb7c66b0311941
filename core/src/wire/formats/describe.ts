// How does a schema say what each of its fields is? By its name, under what it stands in; the texts are kept beside the schemas, for programs alone.
import { fieldTexts } from './fields/index.ts'

type Json = Readonly<Record<string, unknown>>
const isObject = (value: unknown): value is Json => value !== null && typeof value === 'object' && !Array.isArray(value)

/**
 * What is said of a field, by `owner.name` or by `name` alone; undefined where nothing is.
 * @param owners what it stands in, nearest last
 */
function textOf(name: string, owners: readonly string[]): string | undefined {
  // A shape of its own stands for whatever it is taken or answered as.
  const owner = (owners.at(-1) ?? '').replace(/Input$/, '').replace(/^[A-Z]/, (letter) => letter.toLowerCase())
  const key = [`${owner}.${name}`, name].find((candidate) => Object.hasOwn(fieldTexts, candidate))
  return key === undefined ? undefined : fieldTexts[key]
}

/**
 * A JSON Schema in which every field says what it is, with its unit.
 * @param root what the whole is called: by it fields of the outermost object are told apart
 */
export function describeFields<Schema>(schema: Schema, root: string): Schema {
  const walk = (value: unknown, owners: readonly string[]): unknown => {
    if (Array.isArray(value)) return value.map((entry) => walk(entry, owners))
    if (!isObject(value)) return value
    return Object.fromEntries(
      Object.entries(value).map(([key, own]) => {
        // Where a value stands as it is, nothing in it is a schema.
        if (key === 'const' || key === 'enum' || key === 'default' || key === 'example') return [key, own]
        if (key !== 'properties' || !isObject(own)) return [key, walk(own, owners)]
        const fields = Object.entries(own).map(([name, field]) => {
          const inside = walk(field, [...owners, name])
          const text = textOf(name, owners)
          return [name, isObject(inside) && text !== undefined ? { description: text, ...inside } : inside]
        })
        return [key, Object.fromEntries(fields)]
      }),
    )
  }
  return walk(schema, [root]) as Schema
}
