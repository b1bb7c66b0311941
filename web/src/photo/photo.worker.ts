// Photographs are read here, on the device, beside the page: decoded, measured and drawn as if seen from straight above, or found again on another.
import { Fault } from '@yastik/core/faults'
import type { Region } from '@yastik/core/lookover'
import { alignedRegion, measurePhoto, uprightOf, type Aligned, type PhotoMeasured, type Raster, type Surface } from '@yastik/core/proof'
import { says } from '@yastik/core/words'

export type PhotoWish =
  | { what: 'measure'; picture: Blob; region: Region; surface: Surface }
  | { what: 'align'; before: Blob; region: Region; after: Blob; surface: Surface }
export type PhotoAsked = PhotoWish & { asking: number }
export interface PhotoRead {
  readonly measured: PhotoMeasured
  readonly upright: Raster
}
export type PhotoAnswer =
  | { asking: number; done: number }
  | { asking: number; read: PhotoRead }
  | { asking: number; aligned: Aligned | undefined }
  | { asking: number; code: Fault['code']; sentence: Fault['sentence']; lines: Fault['lines'] }

/** More than this is not needed to see fins, and would not fit into the memory of a phone: larger pictures are brought down to it. */
const mostPixels = 12_200_000
/** Where a part is can be told from far fewer. */
const alignPixels = 1_600_000
/** Share of the work that is done when the picture is decoded. */
const decoded = 0.25
const uprightSize = { width: 720, height: 540 }

async function rasterOf(picture: Blob, most: number): Promise<Raster> {
  const whole = await createImageBitmap(picture, { imageOrientation: 'from-image' }).catch(() => {
    throw new Fault('not-a-photo', {
      lines: [{ where: says('fault.photo'), what: says('fault.photo.not-readable'), allowed: says('fault.photo.kinds') }],
    })
  })
  const share = Math.min(1, Math.sqrt(most / (whole.width * whole.height)))
  const canvas = new OffscreenCanvas(Math.round(whole.width * share), Math.round(whole.height * share))
  const context = canvas.getContext('2d', { willReadFrequently: true })
  if (!context) throw new Error('no canvas in this worker')
  context.drawImage(whole, 0, 0, canvas.width, canvas.height)
  whole.close()
  return context.getImageData(0, 0, canvas.width, canvas.height)
}

async function answerTo(asked: PhotoAsked): Promise<PhotoAnswer> {
  const { asking, what, region, surface } = asked
  if (what === 'align') {
    const [before, after] = [await rasterOf(asked.before, alignPixels), await rasterOf(asked.after, alignPixels)]
    return { asking, aligned: alignedRegion(before, region, after, surface) }
  }
  const tell = (done: number) => self.postMessage({ asking, done } satisfies PhotoAnswer)
  tell(0)
  const raster = await rasterOf(asked.picture, mostPixels)
  tell(decoded)
  const measured = measurePhoto(raster, region, surface, (share) => tell(decoded + (1 - decoded) * share))
  return { asking, read: { measured, upright: uprightOf(raster, region, uprightSize.width, uprightSize.height) } }
}

self.onmessage = async ({ data }: MessageEvent<PhotoAsked>) => {
  try {
    self.postMessage(await answerTo(data))
  } catch (error) {
    if (!(error instanceof Fault)) throw error
    self.postMessage({ asking: data.asking, code: error.code, sentence: error.sentence, lines: error.lines } satisfies PhotoAnswer)
  }
}
