// The PDF is made here, so that the screen stays quick.
import bodyFont from '@expo-google-fonts/barlow-semi-condensed/400Regular/BarlowSemiCondensed_400Regular.ttf?url'
import strongFont from '@expo-google-fonts/barlow-semi-condensed/600SemiBold/BarlowSemiCondensed_600SemiBold.ttf?url'
import type { ReportContent } from '@yastik/core/report'
import { reportPdf } from './pdf.ts'

export interface ReportAsked {
  content: ReportContent
  /** Photographs as the device or the server has them, by id. */
  photos: { id: string; bytes: Blob }[]
}
export type ReportAnswer = { pdf: Blob } | { failed: string }

/** As wide as paper shows it; and a kind that every reader of PDFs knows. */
const widestPx = 1100

async function asJpeg(bytes: Blob): Promise<ArrayBuffer> {
  const picture = await createImageBitmap(bytes)
  const share = Math.min(1, widestPx / picture.width)
  const canvas = new OffscreenCanvas(Math.max(1, Math.round(picture.width * share)), Math.max(1, Math.round(picture.height * share)))
  const context = canvas.getContext('2d')
  if (!context) throw new Error('this browser cannot draw pictures aside')
  // What is clear, as the ground of a signature, is paper.
  context.fillStyle = '#ffffff'
  context.fillRect(0, 0, canvas.width, canvas.height)
  context.drawImage(picture, 0, 0, canvas.width, canvas.height)
  picture.close()
  return (await canvas.convertToBlob({ type: 'image/jpeg', quality: 0.85 })).arrayBuffer()
}

const bytesAt = async (address: string): Promise<ArrayBuffer> => (await fetch(address)).arrayBuffer()

self.onmessage = async ({ data: { content, photos } }: MessageEvent<ReportAsked>) => {
  const answer = (what: ReportAnswer) => self.postMessage(what)
  try {
    const [body, strong, ...pictures] = await Promise.all([bytesAt(bodyFont), bytesAt(strongFont), ...photos.map(({ bytes }) => asJpeg(bytes))])
    answer({ pdf: await reportPdf(content, { body, strong }, new Map(photos.map(({ id }, index) => [id, pictures[index]]))) })
  } catch (error) {
    answer({ failed: error instanceof Error ? error.message : String(error) })
  }
}
