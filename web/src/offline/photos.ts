// Where do photographs wait until the server has them, and how are they looked at without a signal? In the browser's own database.
import { Fault } from '@yastik/core/faults'
import { endpoints, photoLimits } from '@yastik/core/wire'
import { says, type Message } from '@yastik/core/words'
import { fetchFile, isNoJudgement, sendFile } from '../api/client.ts'
import { keptIfRoom, onThisDevice, type KeptPhoto } from './database.ts'

const previewPx = 480
const allowed = says('fault.photo.kinds-and-size', { megapixels: { n: photoLimits.megapixels }, mb: { n: photoLimits.megabytes } })
const refuse = (name: string, what: Message) => new Fault('not-a-photo', { lines: [{ where: name, what, allowed }] })

/** Looks at the picture itself, not at its name, and makes its preview. @throws Fault `not-a-photo`. */
async function previewOf(file: File): Promise<Blob> {
  if (file.size > photoLimits.megabytes * 1e6) throw refuse(file.name, says('fault.photo.large', { mb: { n: Math.ceil(file.size / 1e6) } }))
  const picture = await createImageBitmap(file, { imageOrientation: 'from-image' }).catch(() => {
    throw refuse(file.name, says('fault.photo.not-readable'))
  })
  try {
    const megapixels = (picture.width * picture.height) / 1e6
    if (megapixels > photoLimits.megapixels) throw refuse(file.name, says('fault.photo.megapixels', { megapixels: { n: Math.round(megapixels) } }))
    const share = Math.min(1, previewPx / Math.max(picture.width, picture.height))
    const canvas = new OffscreenCanvas(Math.max(1, Math.round(picture.width * share)), Math.max(1, Math.round(picture.height * share)))
    const context = canvas.getContext('2d')
    if (!context) throw refuse(file.name, says('fault.photo.not-drawn'))
    context.drawImage(picture, 0, 0, canvas.width, canvas.height)
    return await canvas.convertToBlob({ type: 'image/webp', quality: 0.72 })
  } finally {
    picture.close()
  }
}

/** Keeps a photograph that was just taken until the server has it. @throws Fault `not-a-photo`. */
export async function keepPhoto(photo: { photoId: string; jobId: string; unitId: string }, file: File): Promise<void> {
  const preview = await previewOf(file)
  await onThisDevice((database) => database.put('photos', { ...photo, preview, whole: file, atMs: Date.now() }))
}

/** Photographs of a job that the server does not have. */
export const photosWaiting = async (jobId: string): Promise<KeptPhoto[]> =>
  (await onThisDevice((database) => database.getAllFromIndex('photos', 'job', jobId))).filter(({ whole }) => whole !== undefined)

/** Sends one; what is acknowledged stays as a preview. @throws Fault as the server says it; NoAnswer without a connection. */
export async function sendPhoto({ whole, ...photo }: KeptPhoto): Promise<void> {
  const { jobId: id, unitId, photoId } = photo
  if (whole) await sendFile(endpoints.sendPhoto, { params: { id, unitId, photoId } }, whole)
  await onThisDevice((database) => database.put('photos', photo))
}

export const dropPhoto = async (photoId: string): Promise<void> => onThisDevice((database) => database.delete('photos', photoId))

/** The preview: from this device, else from the server, and kept then. @throws Fault, or NoAnswer. */
export async function previewFor(photo: { photoId: string; jobId: string; unitId: string }): Promise<Blob> {
  const kept = await onThisDevice((database) => database.get('photos', photo.photoId))
  if (kept) return kept.preview
  const preview = await fetchFile(endpoints.photo, { params: { id: photo.photoId }, query: { size: 'small' } })
  await keptIfRoom((database) => database.put('photos', { ...photo, preview, atMs: Date.now() }))
  return preview
}

/** The picture as large as it can be had: whole from this device or the server, else its preview; undefined where it is nowhere. */
export async function pictureFor(photo: { photoId: string; jobId: string; unitId: string }): Promise<Blob | undefined> {
  const kept = await onThisDevice((database) => database.get('photos', photo.photoId))
  if (kept?.whole) return kept.whole
  try {
    return await fetchFile(endpoints.photo, { params: { id: photo.photoId } })
  } catch (error) {
    if (isNoJudgement(error) || (error instanceof Fault && error.code === 'not-there')) return kept?.preview
    throw error
  }
}
