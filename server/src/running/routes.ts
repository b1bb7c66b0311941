// For whoever runs the house: does this process live, may it be sent work, and what does it do? None of it names anybody.
import { timingSafeEqual } from 'node:crypto'
import { Fault } from '@yastik/core/faults'
import type { FastifyInstance, FastifyRequest } from 'fastify'
import type { Sequelize } from 'sequelize'
import type { Db } from '../db/database.ts'
import type { FileStore } from '../files/store.ts'
import { forAnyone } from '../http/audience.ts'
import { meter } from './meters.ts'
import { isReady, readinessOf } from './readiness.ts'

/** Whether a request brings the word that was agreed on, compared without saying by its time how much of it was right. */
function brings({ headers }: FastifyRequest, token: string): boolean {
  const [own, said] = [`Bearer ${token}`, headers.authorization ?? ''].map((text) => Buffer.from(text))
  return own.length === said.length && timingSafeEqual(own, said)
}

/** @param token what whoever gathers figures brings; without one there are none */
export function runningRoutes(app: FastifyInstance, db: Db, sequelize: Sequelize, files: FileStore, token: string | undefined) {
  const meters = token === undefined ? undefined : meter(app, db, sequelize)
  return async (own: FastifyInstance): Promise<void> => {
    forAnyone(own)
    own.get('/health', (_, reply) => reply.header('cache-control', 'no-store').send({ alive: true }))
    own.get('/ready', async (_, reply) => {
      const readiness = await readinessOf(db, files)
      const ready = isReady(readiness)
      return reply
        .header('cache-control', 'no-store')
        .status(ready ? 200 : 503)
        .send({ ready, ...readiness })
    })
    if (!meters || token === undefined) return
    own.get('/metrics', async (request, reply) => {
      if (!brings(request, token)) throw new Fault('not-signed-in')
      return reply
        .header('cache-control', 'no-store')
        .type(meters.type)
        .send(await meters.figures())
    })
  }
}
