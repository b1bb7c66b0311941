// What goes into the log? What failed and where, and nothing of what somebody entered: no values of statements, no names, no addresses.
import { randomUUID } from 'node:crypto'
import type { IncomingHttpHeaders } from 'node:http'
import type { FastifyInstance } from 'fastify'
import { BaseError } from 'sequelize'

/** As the logger takes it. */
type Plain = { type: string; message: string; stack: string }

/** The code by which the database names a fault. */
const codeOf = (error: Error): string => {
  const original = 'original' in error && error.original instanceof Error ? error.original : error
  return ['code', 'errno'].flatMap((name) => (name in original ? String(Reflect.get(original, name)) : [])).join(' ')
}

/** An error as it is logged. What the database says of one repeats the statement and its values: of those the kind is told, and where they were. */
export function plainError(error: Error): Plain {
  const places = (error.stack ?? '').split('\n').filter((line) => /^\s+at /.test(line))
  const isOfDatabase = error instanceof BaseError || 'sql' in error
  const message = isOfDatabase ? `database: ${codeOf(error) || error.name}` : error.message.slice(0, 300)
  return { type: error.name, message, stack: [message, ...places].join('\n') }
}

/** What is logged: what failed alone; or every answer as well. */
export const logKinds = ['faults', 'access'] as const
export type LogKind = (typeof logKinds)[number]

/** Options of the logger. An error that is logged alone would lend its own words to the line. */
export const quietLog = (kind: LogKind) => ({
  level: kind === 'access' ? 'info' : 'warn',
  serializers: { err: plainError },
  hooks: {
    logMethod(args: unknown[], method: (...args: unknown[]) => void) {
      const [first, ...rest] = args
      if (first instanceof Error) method.call(this, { err: first }, plainError(first).message)
      else method.call(this, first, ...rest)
    },
  },
})

/** An id by which an answer and what is logged of it belong together: the one that a proxy gave, where it is one, else a new one. */
export function requestId({ headers }: { readonly headers: IncomingHttpHeaders }): string {
  const given = headers['x-request-id']
  return typeof given === 'string' && /^[\w-]{8,64}$/.test(given) ? given : randomUUID()
}

/** One line an answer: how it was asked for, by its route and not by its address, what came of it, and how long it took. Who asked is not in it. */
export function logAnswers(app: FastifyInstance): void {
  app.addHook('onSend', (request, reply, _, done) => {
    void reply.header('x-request-id', request.id)
    done()
  })
  app.addHook('onResponse', (request, reply, done) => {
    const route = request.is404 ? 'unknown' : (request.routeOptions.url ?? 'unknown')
    request.log.info({ method: request.method, route, status: reply.statusCode, ms: Math.round(reply.elapsedTime) }, 'answered')
    done()
  })
}
