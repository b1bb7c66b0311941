// A large body is held in memory whole. Of files of a whole firm one at a time is taken of each firm, and who sends another meanwhile is turned down
// before any of it is read; pictures wait for their turn, unread.
import { Fault } from '@yastik/core/faults'
import type { FastifyReply, FastifyRequest } from 'fastify'
import { endConnection } from './endConnection.ts'

/** From here on a body is large, and from there it is a file of a whole firm, bytes. */
const largeBytes = 8_000_000
const wholeBytes = 30_000_000
/** So many are held at a time, by all firms together. */
const mostWhole = 2
const mostLarge = 2

const whole = new Set<number>()
async function oneOfEachFirm(request: FastifyRequest, reply: FastifyReply): Promise<void> {
  const { firm } = request
  if (whole.has(firm.id) || whole.size >= mostWhole) {
    endConnection(request, reply)
    throw new Fault('too-often')
  }
  whole.add(firm.id)
  reply.raw.once('close', () => whole.delete(firm.id))
}

let large = 0
const waiting: (() => void)[] = []
async function inTurn(_: FastifyRequest, reply: FastifyReply): Promise<void> {
  // Whoever ends hands their turn on, so that it is counted all the while.
  if (large >= mostLarge) await new Promise<void>((go) => waiting.push(go))
  else large++
  const end = () => {
    const next = waiting.shift()
    if (next) next()
    else large--
  }
  if (reply.raw.destroyed) end()
  else reply.raw.once('close', end)
}

/** The hook of a route by the largest body that it takes; the firm is known by then. */
export function hookFor(most: number) {
  if (most > wholeBytes) return { onRequest: oneOfEachFirm }
  return most > largeBytes ? { onRequest: inTurn } : {}
}
