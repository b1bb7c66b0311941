// Is this a photograph, and how is it kept? Judged by its content; upright, whole, and without anything but the picture.
import { says, type Message } from '@yastik/core/words'
import { Fault } from '@yastik/core/faults'
import { photoLimits } from '@yastik/core/wire'
import sharp, { type Metadata, type Sharp } from 'sharp'

export interface Picture {
  readonly bytes: Buffer
  readonly preview: Buffer
  readonly width: number
  readonly height: number
  readonly kind: PhotoKind
}
export const photoKinds = { jpeg: 'image/jpeg', png: 'image/png', webp: 'image/webp' } as const
export type PhotoKind = keyof typeof photoKinds

/** Quality at which nobody, and no measurement, sees a difference; and of a preview. */
const quality = { whole: 95, preview: 72 }
const previewPx = 480
/** Longer no picture is worked at, s. */
const mostS = 15

const allowed = says('fault.photo.kinds-and-size', { megapixels: { n: photoLimits.megapixels }, mb: { n: photoLimits.megabytes } })
const refuse = (what: Message) => new Fault('not-a-photo', { lines: [{ where: says('fault.photo'), what, allowed }] })

const isKind = (format: string | undefined): format is PhotoKind => format !== undefined && format in photoKinds

/**
 * Reads the whole picture. What is kept is turned upright and holds no place, device or other note of where it comes from.
 * @throws Fault `not-a-photo`: no picture of a kind that is taken, too many pixels, or broken off.
 */
export async function pictureOf(sent: Buffer): Promise<Picture> {
  if (sent.length === 0) throw refuse(says('fault.photo.empty'))
  const open = (): Sharp => sharp(sent, { failOn: 'truncated', limitInputPixels: photoLimits.megapixels * 1e6 })
  const { format, width, height } = await open()
    .metadata()
    .catch((error: unknown): Metadata => {
      if (/pixel limit/i.test(String(error))) throw refuse(says('fault.photo.over-megapixels', { megapixels: { n: photoLimits.megapixels } }))
      throw refuse(says('fault.photo.no-picture'))
    })
  if (!isKind(format)) throw refuse(says('fault.photo.other-kind', { kind: format }))
  if (width * height > photoLimits.megapixels * 1e6)
    throw refuse(says('fault.photo.megapixels', { megapixels: { n: Math.round((width * height) / 1e6) } }))
  // A strip of millions of pixels by one is turned and made smaller pixel by pixel.
  if (Math.max(width, height) > photoLimits.sidePx) throw refuse(says('fault.photo.sides', { width, height }))
  try {
    const upright = open().timeout({ seconds: mostS }).autoOrient().keepIccProfile()
    const { data, info } = await upright.toFormat(format, { quality: quality.whole }).toBuffer({ resolveWithObject: true })
    const preview = await sharp(data)
      .timeout({ seconds: mostS })
      .resize({ width: previewPx, height: previewPx, fit: 'inside' })
      .webp({ quality: quality.preview })
      .toBuffer()
    return { bytes: data, preview, width: info.width, height: info.height, kind: format }
  } catch (error) {
    throw refuse(says(/premature|truncat|corrupt|end of/i.test(String(error)) ? 'fault.photo.breaks-off' : 'fault.photo.not-to-end'))
  }
}
