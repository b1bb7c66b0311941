// The firm's data leaves, and comes in: for its owner.
import { Readable } from 'node:stream'
import { Fault } from '@yastik/core'
import type { FastifyInstance } from 'fastify'
import type { Sequelize } from 'sequelize'
import type { FileStore } from '../files/store.ts'
import { keyOf } from '../photos/routes.ts'
import { bundleOf, readBundle, takeIn } from './bundle.ts'

/** Largest bundle that is read in by a browser, bytes; larger ones are for backup and restore. */
const largestBundle = 64_000_000

export function transferRoutes(sequelize: Sequelize, files: FileStore) {
  return async (app: FastifyInstance): Promise<void> => {
    // As text: it is hashed before it is believed.
    app.addContentTypeParser('application/vnd.yastik.bundle+json', { parseAs: 'string', bodyLimit: largestBundle }, (_, body, done) =>
      done(null, body),
    )

    app.get('/api/bundle', { config: { role: 'owner' } }, async ({ firm }, reply) => {
      const madeAt = new Date()
      return reply
        .header('content-type', 'application/json')
        .header('content-disposition', `attachment; filename="yastik-${madeAt.toISOString().slice(0, 10)}.json"`)
        .header('cache-control', 'no-store')
        .send(Readable.from(bundleOf(firm, madeAt)))
    })

    app.post('/api/bundle', { config: { role: 'owner' }, bodyLimit: largestBundle }, async ({ firm, body }) => {
      if (typeof body !== 'string')
        throw new Fault('wrong-media', {
          lines: [{ where: 'content-type', what: 'this is no bundle', allowed: 'application/vnd.yastik.bundle+json' }],
        })
      return takeIn(sequelize, firm, readBundle(body), async (photo) => (await files.get(keyOf({ ...photo, firmId: firm.id }))) !== undefined)
    })
  }
}
