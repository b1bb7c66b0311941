// What is an endpoint? Method, path, what it takes and answers, and who may call it: written once, for the server, the interface and other programs.
import type { z } from 'zod'

/** Anyone at all; people of a firm who are signed in; owners among them. */
export const audiences = ['anyone', 'people', 'owner'] as const
export type Audience = (typeof audiences)[number]

export interface Endpoint {
  readonly method: 'GET' | 'POST' | 'PUT' | 'DELETE'
  /** With `:names` for its parameters. */
  readonly path: `/api/${string}`
  readonly who: Audience
  /** Whether it is closed to programs that come with a token, whatever their scope. */
  readonly onlyPeople?: true
  /** Whether owners may call it without the second factor that their firm asks of them: what leads to it, and what is theirs alone. */
  readonly withoutFactor?: true
  /** Whether people are asked for their password again, where they gave it some time ago: what takes customers out, lets others in, or cannot be undone. */
  readonly asksPassword?: true
  /** What it is for, in a sentence. */
  readonly says: string
  readonly params?: z.ZodObject
  readonly query?: z.ZodObject
  readonly body?: z.ZodType
  /** Media types that are taken instead of JSON. */
  readonly takes?: readonly string[]
  /** Largest body, bytes, where it is not the usual one. */
  readonly most?: number
  /** Whether the body is read in a thread of its own: what takes long must hold up nobody else. */
  readonly readInThread?: true
  /** What is answered as JSON; of a stream, what each of its messages holds. */
  readonly answer?: z.ZodType
  /** Media types that are answered instead of JSON. */
  readonly gives?: readonly string[]
  /** Status of the answer: 200 where nothing is said. */
  readonly status?: 201 | 204
}

/** An endpoint as it is written, with what is known of it as types. */
export const endpoint = <const Own extends Endpoint>(own: Own): Own => own

/** The same for people alone: what programs with a token never do. */
export const forPeople = <const Own extends Endpoint>(own: Own): Own & { readonly onlyPeople: true } => ({ ...own, onlyPeople: true })

/** What a caller sends along with an endpoint's address; a query of which nothing is needed may be left out. */
export type Given<Own extends Endpoint> = Sent<Own, 'params'> & Sent<Own, 'query'> & Sent<Own, 'body'>
type Sent<Own extends Endpoint, Name extends 'params' | 'query' | 'body'> = Own extends { readonly [Key in Name]: infer Schema extends z.ZodType }
  ? object extends z.input<Schema>
    ? { readonly [Key in Name]?: z.input<Schema> }
    : { readonly [Key in Name]: z.input<Schema> }
  : object
/** The same after it was read. */
export type Asked<Own extends Endpoint> = Read<Own, 'params'> & Read<Own, 'query'> & Read<Own, 'body'>
type Read<Own extends Endpoint, Name extends 'params' | 'query' | 'body'> = Own extends { readonly [Key in Name]: infer Schema extends z.ZodType }
  ? { readonly [Key in Name]: z.output<Schema> }
  : object
/** What it answers, where it answers JSON. */
export type Answer<Own extends Endpoint> = Own extends { readonly answer: infer Schema extends z.ZodType } ? z.output<Schema> : void

/**
 * The address of an endpoint with its parameters filled in.
 * @throws Error where a parameter is missing
 */
export function addressOf(own: Pick<Endpoint, 'path'>, given: { readonly params?: object; readonly query?: object } = {}): string {
  const params = new Map<string, unknown>(Object.entries(given.params ?? {}))
  const path = own.path.replace(/:(\w+)/g, (_, name: string) => {
    if (!params.has(name)) throw new Error(`${own.path} needs ${name}`)
    return encodeURIComponent(String(params.get(name)))
  })
  const query = Object.entries(given.query ?? {})
    .filter(([, value]) => value !== undefined)
    .map(([name, value]) => `${encodeURIComponent(name)}=${encodeURIComponent(String(value))}`)
  return query.length > 0 ? `${path}?${query.join('&')}` : path
}
