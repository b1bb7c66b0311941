// A photograph is kept: its files lie there before its record counts, so that no record speaks of a file that is not there.
import { says } from '@yastik/core/words'
import { createHash } from 'node:crypto'
import { setImmediate as nextTurn } from 'node:timers/promises'
import { Fault } from '@yastik/core/faults'
import type { Db } from '../db/database.ts'
import { findOwn } from '../db/find.ts'
import { Job, JobUnit, Photo, type User } from '../db/models.ts'
import type { FileStore } from '../files/store.ts'
import { lineOf } from '../threads/inLine.ts'
import { pictureOf } from './picture.ts'

/** Two at a time: more would take the threads that passwords are hashed by. A telephone that comes back sends many, and each is waited for. */
const inLine = lineOf(2, Infinity)
/** So much is hashed before others have their turn, bytes. */
const pieceBytes = 1_000_000

export const keyOf = ({ id, firmId, kind }: Pick<Photo, 'id' | 'firmId' | 'kind'>): string => `${firmId}/${id}.${kind}`
export const previewKeyOf = ({ id, firmId }: Pick<Photo, 'id' | 'firmId'>): string => `${firmId}/${id}-small.webp`

/**
 * Keeps what was sent. The same picture sent twice is one.
 * @throws Fault `not-there` without the job and unit, `not-a-photo`, `in-use` for another picture under the same id
 */
export async function keepPhoto(
  db: Db,
  files: FileStore,
  { id: jobId, unitId, photoId }: { id: string; unitId: string; photoId: string },
  sent: Buffer,
  user: User,
): Promise<Photo> {
  await findOwn(db, Job, 'job', jobId, user.firmId)
  if (!(await JobUnit.findOne({ where: { jobId, unitId } }))) throw new Fault('not-there')
  const sentSha256 = await sha256Of(sent)
  const there = await known(db, photoId, jobId, sentSha256)
  if (there) return there
  const { kind, width, height, bytes, preview } = await inLine(user.firmId, () => pictureOf(sent))
  const place = { id: photoId, firmId: user.firmId, kind }
  return db.change(async (doing) => {
    // Sent twice at once: the other one may have been faster.
    const other = await known(doing, photoId, jobId, sentSha256)
    if (other) return other
    const values = { ...place, jobId, unitId, byUser: user.id, width, height, bytes: bytes.length, sentSha256 }
    // The record first, not yet committed: who sends another picture under the same id waits for it, and writes no file.
    const photo = await Photo.create(values, { transaction: doing.transaction })
    await files.put(keyOf(place), bytes)
    await files.put(previewKeyOf(place), preview)
    return photo
  })
}

/** Piece by piece, so that nobody waits for the whole of it. */
async function sha256Of(bytes: Buffer): Promise<string> {
  const hash = createHash('sha256')
  for (let at = 0; at < bytes.length; at += pieceBytes) {
    hash.update(bytes.subarray(at, at + pieceBytes))
    await nextTurn()
  }
  return hash.digest('hex')
}

async function known({ transaction }: Db, photoId: string, jobId: string, sentSha256: string): Promise<Photo | undefined> {
  const photo = await Photo.findByPk(photoId, { transaction })
  if (!photo || (photo.jobId === jobId && photo.sentSha256 === sentSha256)) return photo ?? undefined
  throw new Fault('in-use', { lines: [{ where: 'photoId', what: says('fault.photo.id-taken'), allowed: says('fault.photo.id-taken-allowed') }] })
}
