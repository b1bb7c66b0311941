// How does an endpoint become a route? As the table has it: what is read and answered, and who may call; what changes something does so in one transaction.
import { Fault, linesOf } from '@yastik/core/faults'
import { says } from '@yastik/core/words'
import { areaOf, type Answer, type Asked, type Endpoint } from '@yastik/core/wire'
import type { FastifyInstance, FastifyReply, FastifyRequest, FastifySchemaCompiler, RouteOptions } from 'fastify'
import type { z } from 'zod'
import type { Actor } from '../audit/doings.ts'
import type { Db, Doing } from '../db/database.ts'
import type { Firm, User } from '../db/models.ts'
import { hookFor } from './largeBodies.ts'
import { longListFault } from './longLists.ts'
import { schemaOf } from './openapi.ts'

/** Whoever calls, where the endpoint is not for anyone. */
type Caller<Own extends Endpoint> = Own['who'] extends 'anyone'
  ? object
  : { readonly user: User; readonly firm: Firm; readonly sessionId: string; readonly actor: Actor }
export type Call<Own extends Endpoint> = Asked<Own> & Caller<Own>
type Given<Result> = Result | Promise<Result>

export interface Server {
  /** Answers what it reads. */
  reads<Own extends Endpoint & { method: 'GET' }>(own: Own, handler: (call: Call<Own> & { readonly db: Db }) => Given<Answer<Own>>): void
  /** Changes all of something or nothing of it, and answers once it is committed. The handler may run again from its start. */
  changes<Own extends Endpoint>(own: Own, handler: (call: Call<Own> & { readonly db: Doing }) => Promise<Answer<Own>>): void
  /** Answers by itself, or changes in steps of its own: files, streams, what takes long. */
  serves<Own extends Endpoint>(
    own: Own,
    handler: (call: Call<Own> & { readonly db: Db; readonly request: FastifyRequest; readonly reply: FastifyReply }) => unknown,
  ): void
}

/** An app that leaves JSON as the bytes that were sent: a thread reads them. */
function asBytes(app: FastifyInstance): FastifyInstance {
  app.setValidatorCompiler(bytesAsTheyAre)
  app.removeAllContentTypeParsers()
  app.addContentTypeParser('application/json', { parseAs: 'buffer' }, (_, body, done) => done(null, body))
  return app
}

/** Routes of a feature, by its endpoints of the table. */
export function serverOf(app: FastifyInstance, db: Db): Server {
  const route = <Own extends Endpoint>(own: Own, handler: (call: Call<Own>, request: FastifyRequest, reply: FastifyReply) => unknown) => {
    if (own.readInThread) void app.register(async (bytes) => asBytes(bytes).route(routeOf(own, handler)))
    else app.route(routeOf(own, handler))
  }
  const routeOf = <Own extends Endpoint>(
    own: Own,
    handler: (call: Call<Own>, request: FastifyRequest, reply: FastifyReply) => unknown,
  ): RouteOptions => ({
    method: own.method,
    url: own.path,
    config: {
      audience: own.who,
      onlyPeople: own.onlyPeople === true,
      withoutFactor: own.withoutFactor === true,
      asksPassword: own.asksPassword === true,
      area: areaOf(own),
    },
    schema: schemaOf(own),
    ...(own.most === undefined ? {} : { bodyLimit: own.most }),
    ...(own.who === 'anyone' ? {} : hookFor(own.most ?? 0)),
    handler: (request, reply) => {
      const { params, query, body, user, firm, sessionId, actor } = request
      if (own.status !== undefined) reply.status(own.status)
      return handler({ params, query, body, user, firm, sessionId, actor } as unknown as Call<Own>, request, reply)
    },
  })
  return {
    reads: (own, handler) => void route(own, (call) => handler({ ...call, db })),
    changes: (own, handler) => void route(own, (call) => db.change((doing) => handler({ ...call, db: doing }))),
    serves: (own, handler) => void route(own, (call, request, reply) => handler({ ...call, db, request, reply })),
  }
}

/**
 * What was sent is read by the table's schemas: a fault says where, what, and what is allowed. Where an address names no id there is nothing.
 * @throws nothing: the framework takes the fault and throws it
 */
export const readByTable: FastifySchemaCompiler<z.ZodType> = ({ schema, httpPart }) => {
  return (sent: unknown) => {
    // The framework says `null` where nothing was sent.
    const input = sent ?? undefined
    // A file of another kind than the endpoint takes.
    if (Buffer.isBuffer(input))
      return { error: new Fault('wrong-media', { lines: [{ where: 'content-type', what: says('fault.call.kind'), allowed: 'application/json' }] }) }
    const beyond = httpPart === 'body' ? longListFault(schema, input) : undefined
    if (beyond) return { error: beyond }
    const result = schema.safeParse(input)
    if (result.success) return { value: result.data }
    const lines = linesOf(result.error.issues, input, '')
    return { error: new Fault(httpPart === 'params' ? 'not-there' : 'does-not-hold-up', { lines }) }
  }
}

/** The same where a thread reads the body: it is handed on as the bytes that were sent. */
const bytesAsTheyAre: FastifySchemaCompiler<z.ZodType> = (route) => (route.httpPart === 'body' ? (value: unknown) => ({ value }) : readByTable(route))

/** Answers leave as they are: that they are what the table says is checked by types and in the tests, not on every answer of a day's work. */
export const writePlainly = () => (answer: unknown) => JSON.stringify(answer)
