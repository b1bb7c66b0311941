// The PDF is made here, so that the screen stays quick.
import bodyFont from '@expo-google-fonts/barlow-semi-condensed/400Regular/BarlowSemiCondensed_400Regular.ttf?url'
import strongFont from '@expo-google-fonts/barlow-semi-condensed/600SemiBold/BarlowSemiCondensed_600SemiBold.ttf?url'
import type { ReportContent } from '@yastik/core/report'
import { faceOf, lettersBeyond } from './letters.ts'
import { reportPdf } from './pdf.ts'

export interface ReportAsked {
  content: ReportContent
  /** Photographs as the device or the server has them, by id. */
  photos: { id: string; bytes: Blob }[]
}
/** `lacking` are letters that no typeface could be fetched for: they are drawn as boxes. */
export type ReportAnswer = { pdf: Blob; lacking: string } | { failed: string }

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

async function bytesAt(address: string): Promise<ArrayBuffer> {
  const answer = await fetch(address)
  if (!answer.ok) throw new Error(`${address} is not there`)
  return answer.arrayBuffer()
}
/** All that is written in something. */
const textsIn = (thing: unknown): string[] =>
  typeof thing === 'string' ? [thing] : thing !== null && typeof thing === 'object' ? Object.values(thing).flatMap(textsIn) : []

/** What ours lacks for these texts; without a signal what is here has to do. */
async function moreFor(texts: readonly string[], body: ArrayBuffer): Promise<{ more: { name: string; bytes: ArrayBuffer }[]; lacking: string[] }> {
  const beyond = lettersBeyond(texts, faceOf('body', body))
  if (beyond.length === 0) return { more: [], lacking: [] }
  // Where they lie is a long list: fetched when somebody needs it.
  const { partsFor } = await import('./typefaces.ts')
  const parts = await partsFor(beyond)
  const fetched = await Promise.allSettled(parts.map(async ({ name, address }) => ({ name, bytes: await bytesAt(address) })))
  const more = fetched.flatMap((own) => (own.status === 'fulfilled' ? [own.value] : []))
  const faces = more.map(({ name, bytes }) => faceOf(name, bytes))
  return { more, lacking: beyond.filter((letter) => !faces.some((face) => face.has(letter.codePointAt(0) ?? 0))) }
}

self.onmessage = async ({ data: { content, photos } }: MessageEvent<ReportAsked>) => {
  const answer = (what: ReportAnswer) => self.postMessage(what)
  try {
    const [body, strong, ...pictures] = await Promise.all([bytesAt(bodyFont), bytesAt(strongFont), ...photos.map(({ bytes }) => asJpeg(bytes))])
    const { more, lacking } = await moreFor(textsIn(content), body)
    answer({
      lacking: lacking.join(' '),
      pdf: await reportPdf(content, { body, strong, more }, new Map(photos.map(({ id }, index) => [id, pictures[index]]))),
    })
  } catch (error) {
    answer({ failed: error instanceof Error ? error.message : String(error) })
  }
}
