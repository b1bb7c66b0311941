// Photographs: taken in by their content, and shown again. Their place in the job is in its log.
import { says } from '@yastik/core/words'
import { Fault } from '@yastik/core/faults'
import { endpoints, type PhotoRecord } from '@yastik/core/wire'
import type { FastifyInstance } from 'fastify'
import type { Db } from '../db/database.ts'
import { findOwn } from '../db/find.ts'
import { Photo } from '../db/models.ts'
import type { FileStore } from '../files/store.ts'
import { serverOf } from '../http/serve.ts'
import { keepPhoto, keyOf, previewKeyOf } from './doings.ts'
import { photoKinds } from './picture.ts'

const recordOf = ({ id, unitId, width, height, bytes }: Photo): PhotoRecord => ({ id, unitId, width, height, bytes })

export const photoRoutes =
  (house: Db, files: FileStore) =>
  async (app: FastifyInstance): Promise<void> => {
    // Whatever it calls itself: what it is, its content says.
    app.addContentTypeParser(/^(image\/|application\/octet-stream)/, { parseAs: 'buffer' }, (_, body, done) => done(null, body))
    const { serves } = serverOf(app, house)

    // Pictures are read before anything is changed: that takes its time.
    serves(endpoints.sendPhoto, async ({ db, params, user, request }): Promise<PhotoRecord> => {
      // Where nothing is sent there is no body at all.
      const sent = request.body ?? Buffer.alloc(0)
      if (!Buffer.isBuffer(sent))
        throw new Fault('wrong-media', {
          lines: [{ where: 'content-type', what: says('fault.call.no-picture'), allowed: Object.values(photoKinds).join(', ') }],
        })
      return recordOf(await keepPhoto(db, files, params, sent, user))
    })

    serves(endpoints.photo, async ({ db, params, query, user, reply }) => {
      const photo = await findOwn(db, Photo, 'photograph', params.id, user.firmId)
      const small = query.size === 'small'
      const bytes = await files.get(small ? previewKeyOf(photo) : keyOf(photo))
      if (!bytes) throw new Fault('not-there')
      return reply
        .header('content-type', small ? 'image/webp' : photoKinds[photo.kind])
        .header('cache-control', 'private, max-age=31536000, immutable')
        .send(bytes)
    })
  }
