// How is a photograph asked what it shows? The worker behind two functions, for as long as a view is open.
import { Fault } from '@yastik/core/faults'
import type { Region } from '@yastik/core/lookover'
import type { Aligned, Surface } from '@yastik/core/proof'
import { onBeforeUnmount } from 'vue'
import type { PhotoAnswer, PhotoAsked, PhotoRead, PhotoWish } from './photo.worker.ts'

export type { PhotoRead }
export interface PhotoWorker {
  /** Measures aside; `tell` hears how far it is, 0..1. Rejects with the Fault `photo-unclear` or `not-a-photo`. */
  measure(picture: Blob, region: Region, surface: Surface, tell?: (done: number) => void): Promise<PhotoRead>
  /** The part of one photograph on another; undefined where it is not found. Rejects with the Fault `not-a-photo`. */
  align(before: Blob, region: Region, after: Blob, surface: Surface): Promise<Aligned | undefined>
}

type Done = Exclude<PhotoAnswer, { done: number } | { code: Fault['code'] }>

export function usePhotoWorker(): PhotoWorker {
  const worker = new Worker(new URL('./photo.worker.ts', import.meta.url), { type: 'module' })
  const open = new Map<number, { done: (answer: Done) => void; failed: (error: Error) => void; tell: (done: number) => void }>()
  let asking = 0
  worker.onmessage = ({ data }: MessageEvent<PhotoAnswer>) => {
    const asked = open.get(data.asking)
    if ('done' in data) {
      asked?.tell(data.done)
      return
    }
    open.delete(data.asking)
    if ('code' in data) asked?.failed(new Fault(data.code, { sentence: data.sentence, lines: data.lines }))
    else asked?.done(data)
  }
  // One that fails without an answer leaves nobody waiting.
  worker.onerror = ({ message }) => {
    for (const { failed } of open.values()) failed(new Error(message))
    open.clear()
  }
  onBeforeUnmount(() => worker.terminate())
  const ask = (wish: PhotoWish, tell: (done: number) => void = () => {}) =>
    new Promise<Done>((done, failed) => {
      open.set(++asking, { done, failed, tell })
      // Corners come out of the view's state: as plain values they go over.
      worker.postMessage({ ...wish, region: JSON.parse(JSON.stringify(wish.region)) as Region, asking } satisfies PhotoAsked)
    })
  return {
    measure: async (picture, region, surface, tell) => {
      const answer = await ask({ what: 'measure', picture, region, surface }, tell)
      if (!('read' in answer)) throw new Error('the worker answered something else')
      return answer.read
    },
    align: async (before, region, after, surface) => {
      const answer = await ask({ what: 'align', before, region, after, surface })
      if (!('aligned' in answer)) throw new Error('the worker answered something else')
      return answer.aligned
    },
  }
}
