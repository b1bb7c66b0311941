// How is a photograph asked what it shows? The worker behind one function, for as long as a view is open.
import { Fault, type PhotoMeasured, type Raster, type Region, type Surface } from '@yastik/core'
import { onBeforeUnmount } from 'vue'
import type { PhotoAnswer, PhotoAsked } from './photo.worker.ts'

export interface PhotoRead {
  readonly measured: PhotoMeasured
  readonly upright: Raster
}
/** `tell` hears how far it is, 0..1. */
export type MeasurePhoto = (picture: Blob, region: Region, surface: Surface, tell?: (done: number) => void) => Promise<PhotoRead>

/** @returns a function that measures aside; it rejects with the Fault `photo-unclear` or `not-a-photo`. */
export function usePhotoMeasure(): MeasurePhoto {
  const worker = new Worker(new URL('./photo.worker.ts', import.meta.url), { type: 'module' })
  const open = new Map<number, { done: (read: PhotoRead) => void; failed: (error: Error) => void; tell?: (done: number) => void }>()
  let asking = 0
  worker.onmessage = ({ data }: MessageEvent<PhotoAnswer>) => {
    const asked = open.get(data.asking)
    if ('done' in data) {
      asked?.tell?.(data.done)
      return
    }
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
  return (picture, region, surface, tell) =>
    new Promise((done, failed) => {
      open.set(++asking, { done, failed, ...(tell ? { tell } : {}) })
      const asked: PhotoAsked = { asking, picture, region: JSON.parse(JSON.stringify(region)) as Region, surface }
      worker.postMessage(asked)
    })
}
