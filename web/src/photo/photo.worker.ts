// A photograph is measured here, on the device, beside the page: decoded, read, and drawn as if seen from straight above.
import { Fault, measurePhoto, uprightOf, type PhotoMeasured, type Raster, type Region, type Surface } from '@yastik/core'

export interface PhotoAsked {
  asking: number
  picture: Blob
  region: Region
  surface: Surface
}
export type PhotoAnswer =
  | { asking: number; done: number }
  | { asking: number; measured: PhotoMeasured; upright: Raster }
  | { asking: number; code: Fault['code']; sentence: string; lines: Fault['lines'] }

/** More than this is not needed to see fins, and would not fit into the memory of a phone: larger pictures are brought down to it. */
const mostPixels = 12_200_000
/** Share of the work that is done when the picture is decoded. */
const decoded = 0.25
const uprightSize = { width: 720, height: 540 }

async function rasterOf(picture: Blob): Promise<Raster> {
  const whole = await createImageBitmap(picture, { imageOrientation: 'from-image' }).catch(() => {
    throw new Fault('not-a-photo', {
      lines: [{ where: 'the photograph', what: 'this cannot be read as a picture', allowed: 'a JPEG, PNG or WebP picture' }],
    })
  })
  const share = Math.min(1, Math.sqrt(mostPixels / (whole.width * whole.height)))
  const canvas = new OffscreenCanvas(Math.round(whole.width * share), Math.round(whole.height * share))
  const context = canvas.getContext('2d', { willReadFrequently: true })
  if (!context) throw new Error('no canvas in this worker')
  context.drawImage(whole, 0, 0, canvas.width, canvas.height)
  whole.close()
  return context.getImageData(0, 0, canvas.width, canvas.height)
}

self.onmessage = async ({ data: { asking, picture, region, surface } }: MessageEvent<PhotoAsked>) => {
  let answer: PhotoAnswer
  try {
    const tell = (done: number) => self.postMessage({ asking, done } satisfies PhotoAnswer)
    tell(0)
    const raster = await rasterOf(picture)
    tell(decoded)
    const measured = measurePhoto(raster, region, surface, (share) => tell(decoded + (1 - decoded) * share))
    answer = { asking, measured, upright: uprightOf(raster, region, uprightSize.width, uprightSize.height) }
  } catch (error) {
    if (!(error instanceof Fault)) throw error
    answer = { asking, code: error.code, sentence: error.message, lines: error.lines }
  }
  self.postMessage(answer)
}
