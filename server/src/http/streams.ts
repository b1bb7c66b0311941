// How does the server say something again and again? Server-sent events, ended with the server, and after a while so that sessions are checked anew.
import type { ServerResponse } from 'node:http'
import type { FastifyInstance, FastifyReply, FastifyRequest } from 'fastify'
import { plainError } from './log.ts'

/** Sign of life through proxies that cut silent connections. */
const silenceMs = 15_000
/** A stream ends after this long; the browser asks anew, and its session is checked again. */
const longestMs = 10 * 60_000
/** Whoever was signed out, or gets in no more, hears nothing after this. */
const askAgainMs = 2000

/** So soon a browser asks again where a stream ended with its server; by itself it would wait for seconds. */
const comeAgainMs = 200

const open = new WeakMap<FastifyInstance['server'], Set<ServerResponse>>()

/** How many somebody listens to. */
export const streamsOf = (app: FastifyInstance): number => open.get(app.server)?.size ?? 0

/** Streams end when the server does. */
export function endStreamsWith(app: FastifyInstance): void {
  const own = new Set<ServerResponse>()
  open.set(app.server, own)
  app.addHook('preClose', (done) => {
    // Whoever listens asks again at once, and is answered elsewhere.
    for (const response of own) response.end(`retry: ${comeAgainMs}\n\n`)
    done()
  })
}

export interface Stream {
  readonly everyMs: number
  /** What is to be said now, as the protocol writes it; undefined where there is nothing. */
  next(): Promise<string | undefined>
}

/** Takes over the reply and asks `next` for as long as somebody listens. An error ends the stream: the browser asks anew by itself. */
export function openStream(request: FastifyRequest, reply: FastifyReply, { everyMs, next }: Stream): void {
  const headers = { ...reply.getHeaders(), 'content-type': 'text/event-stream', 'cache-control': 'no-store', 'x-accel-buffering': 'no' }
  reply.hijack()
  const response = reply.raw
  response.writeHead(200, headers as Record<string, string>)
  // Whoever asks for the head alone does not listen.
  if (request.method === 'HEAD') return void response.end()
  response.write(': open\n\n')
  const own = open.get(request.server.server)
  own?.add(response)
  const startedMs = Date.now()
  let spokeMs = startedMs
  let askedMs = startedMs
  let timer: NodeJS.Timeout | undefined
  response.once('close', () => {
    clearTimeout(timer)
    own?.delete(response)
  })
  const say = (text: string) => {
    response.write(text)
    spokeMs = Date.now()
  }
  // Whoever listened may have gone while one looked, and the server may end.
  const isOver = () => response.writableEnded || response.destroyed
  const turn = async () => {
    if (isOver()) return
    if (Date.now() - askedMs > askAgainMs) {
      if (!(await request.stillIn())) return void response.end()
      askedMs = Date.now()
    }
    const text = await next()
    if (isOver()) return
    if (text !== undefined) say(text)
    else if (Date.now() - spokeMs > silenceMs) say(': still here\n\n')
    if (Date.now() - startedMs > longestMs) response.end()
    else timer = setTimeout(again, everyMs)
  }
  const again = () =>
    void turn().catch((error: unknown) => {
      if (isOver()) return
      request.log.warn(`a stream ends: ${error instanceof Error ? plainError(error).message : String(error)}`)
      response.end()
    })
  again()
}
