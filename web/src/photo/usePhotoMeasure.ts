// How is a photograph asked what it shows? The worker behind one function, for as long as a view is open.
import { Fault, type PhotoMeasured, type Raster, type Region, type Surface } from '@yastik/core'
import { onBeforeUnmount } from 'vue'
import type { PhotoAnswer, PhotoAsked } from './photo.worker.ts'

export interface PhotoRead {
  readonly measured: PhotoMeasured
  readonly upright: Raster
}
export type MeasurePhoto = (picture: Blob, region: Region, surface: Surface) => Promise<PhotoRead>

/** @returns a function that measures aside; it rejects with the Fault `photo-unclear` or `not-a-photo`. */
export function usePhotoMeasure(): MeasurePhoto {
  const worker = new Worker(new URL('./photo.worker.ts', import.meta.url), { type: 'module' })
  const open = new Map<number, { done: (read: PhotoRead) => void; failed: (error: Error) => void }>()
  let asking = 0
  worker.onmessage = ({ data }: MessageEvent<PhotoAnswer>) => {
    const asked = open.get(data.asking)
    open.delete(data.asking)
    if ('measured' in data) asked?.done(data)
    else asked?.failed(new Fault(data.code, { sentence: data.sentence, lines: data.lines }))
  }
  // One that fails without an answer leaves nobody waiting.
  worker.onerror = ({ message }) => {
    for (const { failed } of open.values()) failed(new Error(message))
    open.clear()
  }
  onBeforeUnmount(() => worker.terminate())
  return (picture, region, surface) =>
    new Promise((done, failed) => {
      open.set(++asking, { done, failed })
      const asked: PhotoAsked = { asking, picture, region: JSON.parse(JSON.stringify(region)) as Region, surface }
      worker.postMessage(asked)
    })
}
