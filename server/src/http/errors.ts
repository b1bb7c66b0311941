// How does a fault leave the server? As the catalogue's status, with a sentence and lines.
import { Fault } from '@yastik/core/faults'
import { faultBodyOf, type FaultBody } from '@yastik/core/wire'
import { says } from '@yastik/core/words'
import type { FastifyInstance } from 'fastify'
import { inEnglish } from '../words.ts'
import { plainError } from './log.ts'
import { isAway, isFull, isTurnedDown, isUnstorable } from '../db/retry.ts'

/** What is said of an error where an answer has begun already, and can only say it as its last line. */
export const bodyOf = (error: Error): FaultBody => faultBodyOf(asFault(error), inEnglish)

/** What the frameworks throw, as faults of ours. */
export function asFault(error: Error & { code?: string; statusCode?: number }): Fault {
  if (error instanceof Fault) return error
  if (isAway(error)) return new Fault('database-away')
  if (isTurnedDown(error)) return new Fault('busy')
  if (isFull(error)) return new Fault('disk-full')
  if (isUnstorable(error)) return new Fault('does-not-hold-up', { sentence: says('fault.call.unstorable') })
  if (error.code === 'FST_ERR_CTP_BODY_TOO_LARGE') return new Fault('too-large')
  if (error.code === 'FST_ERR_CTP_INVALID_MEDIA_TYPE')
    return new Fault('wrong-media', { lines: [{ where: 'content-type', what: says('fault.call.kind'), allowed: 'application/json' }] })
  if (error.code === 'FST_ERR_CTP_INVALID_CONTENT_LENGTH' || error.code === 'ECONNRESET') return new Fault('broken-off')
  // Addresses that lead out of the folder of the pages.
  if (error.statusCode === 403 || error.statusCode === 404) return new Fault('not-there')
  if (error.statusCode === 429) return new Fault('too-often')
  if (error.statusCode === 400)
    return new Fault('not-json', { lines: [{ where: says('fault.call.body'), what: error.message, allowed: says('fault.call.json') }] })
  return new Fault('internal')
}

export function handleErrors(app: FastifyInstance): void {
  app.setErrorHandler((error: Error, request, reply) => {
    const fault = asFault(error)
    if (fault.code === 'internal') request.log.error(error)
    // Something was let through that should have been bounded where it was read.
    if (isUnstorable(error)) request.log.warn(`it could not be stored: ${plainError(error).message}`)
    if (fault.code === 'database-away') request.log.warn(`the database does not answer: ${plainError(error).message}`)
    return reply.status(fault.status).send(faultBodyOf(fault, inEnglish))
  })
}
