// All photographs as their files, with a list of what each shows.
import { Readable } from 'node:stream'
import { unitStateOf } from '@yastik/core/run'
import type { PhotographList } from '@yastik/core/wire'
import yazl from 'yazl'
import type { Db } from '../db/database.ts'
import { Photo, Unit, type Firm } from '../db/models.ts'
import type { FileStore } from '../files/store.ts'
import { eventsOf } from '../events/queries.ts'
import { keyOf } from '../photos/doings.ts'

/** A zip, written as it is read: pictures are not pressed once more, and none waits in memory for the others. */
export async function photographsOf(db: Db, firm: Firm, files: FileStore): Promise<NodeJS.ReadableStream> {
  const zip = new yazl.ZipFile()
  const photos = await Photo.findAll({ where: { firmId: firm.id }, order: [['jobId', 'ASC']] })
  const units = new Map((await Unit.findAll({ where: { firmId: firm.id }, include: ['site'] })).map((unit) => [unit.id, unit]))
  const photographs: PhotographList['photographs'] = []
  let [jobId, events] = ['', await eventsOf(db, '')]
  for (const photo of photos) {
    if (photo.jobId !== jobId) [jobId, events] = [photo.jobId, await eventsOf(db, photo.jobId)]
    const { photos, signed } = unitStateOf(events, photo.unitId)
    const taken = photos.find(({ photoId }) => photoId === photo.id)
    const unit = units.get(photo.unitId)
    const bytes = await files.get(keyOf(photo))
    const name = `photographs/${photo.id}.${photo.kind === 'jpeg' ? 'jpg' : photo.kind}`
    photographs.push({
      photoId: photo.id,
      file: bytes ? name : null,
      jobId,
      unitId: photo.unitId,
      unit: unit?.name ?? '',
      site: unit?.site?.name ?? '',
      width: photo.width,
      height: photo.height,
      ...(taken
        ? { takenAt: new Date(taken.atMs).toISOString(), stepId: taken.stepId, of: taken.of, nameplate: taken.plate, measure: taken.measure }
        : {}),
      ...(signed?.photoId === photo.id ? { takenAt: new Date(signed.atMs).toISOString(), signedBy: signed.name } : {}),
    })
    if (bytes)
      zip.addReadStreamLazy(
        name,
        { compress: false },
        (done) =>
          void files.get(keyOf(photo)).then(
            (own) => done(null, Readable.from([own ?? Buffer.alloc(0)])),
            (error: unknown) => done(error, Readable.from([])),
          ),
      )
  }
  const list: PhotographList = { format: 'yastik.photographs/1', photographs }
  zip.addBuffer(Buffer.from(`${JSON.stringify(list, null, 2)}\n`), 'manifest.json')
  zip.end()
  return zip.outputStream
}
