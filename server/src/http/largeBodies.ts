// A large body is held in memory whole: one at a time is taken of each firm, and two in all; who sends more at the same moment is told to wait before
// any of it is read.
import { Fault } from '@yastik/core/faults'
import { endConnection } from './endConnection.ts'
import type { FastifyReply, FastifyRequest } from 'fastify'

/** From here on a body is large, bytes. */
export const largeBytes = 30_000_000
const mostAtOnce = 2

const taken = new Set<number>()

/** Hook of a route that takes large bodies; the firm is known by then. @throws Fault `too-often` while another one is being taken */
export async function oneLargeBody(request: FastifyRequest, reply: FastifyReply): Promise<void> {
  const { firm } = request
  if (taken.has(firm.id) || taken.size >= mostAtOnce) {
    endConnection(request, reply)
    throw new Fault('too-often')
  }
  taken.add(firm.id)
  reply.raw.once('close', () => taken.delete(firm.id))
}
