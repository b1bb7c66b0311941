// Photographs: taken in by their content, and shown again. Their place in the job is in its log.
import { createHash } from 'node:crypto'
import { Fault, photoLimits, type PhotoRecord } from '@yastik/core'
import type { FastifyInstance } from 'fastify'
import { UniqueConstraintError } from 'sequelize'
import { validate as isId } from 'uuid'
import { people } from '../auth/audience.ts'
import { Job, JobUnit, Photo } from '../db/models.ts'
import type { FileStore } from '../files/store.ts'
import { findOwn } from '../sites/routes.ts'
import { photoKinds, pictureOf } from './picture.ts'

export const keyOf = ({ id, firmId, kind }: Pick<Photo, 'id' | 'firmId' | 'kind'>) => `${firmId}/${id}.${kind}`
const previewKeyOf = ({ id, firmId }: Photo) => `${firmId}/${id}-small.webp`
const recordOf = ({ id, unitId, width, height, bytes }: Photo): PhotoRecord => ({ id, unitId, width, height, bytes })
const sumOf = (bytes: Buffer) => createHash('sha256').update(bytes).digest('hex')

interface Address {
  Params: { id: string; unitId: string; photoId: string }
}

export function photoRoutes(files: FileStore) {
  return async (app: FastifyInstance): Promise<void> => {
    // Whatever it calls itself: what it is, its content says.
    app.addContentTypeParser(/^(image\/|application\/octet-stream)/, { parseAs: 'buffer' }, (_, body, done) => done(null, body))

    app.put<Address>('/api/jobs/:id/units/:unitId/photos/:photoId', { ...people, bodyLimit: photoLimits.megabytes * 1e6 }, async (request, reply) => {
      const { params, user, body } = request
      const job = await findOwn(Job, 'job', params.id, user.firmId)
      if (!(await JobUnit.findOne({ where: { jobId: job.id, unitId: params.unitId } }))) throw new Fault('not-there')
      if (!isId(params.photoId))
        throw new Fault('does-not-hold-up', { lines: [{ where: 'photoId', what: `“${params.photoId}” is no id`, allowed: 'a UUID' }] })
      if (!Buffer.isBuffer(body))
        throw new Fault('wrong-media', {
          lines: [{ where: 'content-type', what: 'this is no picture', allowed: Object.values(photoKinds).join(', ') }],
        })
      const sum = sumOf(body)
      const known = await Photo.findByPk(params.photoId)
      if (known) return reply.send(recordOf(sameOr(known, job, sum)))
      const picture = await pictureOf(body)
      const photo = Photo.build({
        id: params.photoId,
        firmId: user.firmId,
        jobId: job.id,
        unitId: params.unitId,
        byUser: user.id,
        kind: picture.kind,
        width: picture.width,
        height: picture.height,
        bytes: picture.bytes.length,
        sentSha256: sum,
      })
      // The files first: a record never speaks of a file that is not there.
      await files.put(keyOf(photo), picture.bytes)
      await files.put(previewKeyOf(photo), picture.preview)
      try {
        await photo.save()
      } catch (error) {
        // Sent twice at once: the other one was faster.
        const other = error instanceof UniqueConstraintError ? await Photo.findByPk(photo.id) : null
        if (!other) throw error
        return reply.send(recordOf(sameOr(other, job, sum)))
      }
      return reply.status(201).send(recordOf(photo))
    })

    app.get<{ Params: { photoId: string }; Querystring: { size?: string } }>(
      '/api/photos/:photoId',
      people,
      async ({ params, query, user }, reply) => {
        const photo = await findOwn(Photo, 'photograph', params.photoId, user.firmId)
        const small = query.size === 'small'
        const bytes = await files.get(small ? previewKeyOf(photo) : keyOf(photo))
        if (!bytes) throw new Fault('not-there')
        return reply
          .header('content-type', small ? 'image/webp' : photoKinds[photo.kind])
          .header('cache-control', 'private, max-age=31536000, immutable')
          .send(bytes)
      },
    )
  }
}

/** The same picture sent twice is one; another one under the same id is turned down. */
function sameOr(known: Photo, job: Job, sum: string): Photo {
  if (known.jobId === job.id && known.sentSha256 === sum) return known
  throw new Fault('in-use', { lines: [{ where: 'photoId', what: 'another photograph has this id', allowed: 'a new id per photograph' }] })
}
