// What others do on the open job, as it happens: the browser reconnects by itself and goes on where it was.
import type { JobEvent } from '@yastik/core/run'
import { addressOf, endpoints, streamMessageSchema } from '@yastik/core/wire'

const retryMs = 4000

export interface Stream {
  /** Listens to a job from the event with this number on. */
  listen(jobId: string, after: number): void
  /** Number of the newest event that came from the server. */
  readonly seen: number
  stop(): void
}

/** @param heard what came, of the job that is listened to @param connected a signal that comes back: a good moment to send what waits */
export function useStream(heard: (fresh: readonly JobEvent[]) => void, connected: () => void): Stream {
  let stream: EventSource | undefined
  let jobId: string | undefined
  let seen = 0

  function open(id: string): void {
    stream?.close()
    stream = new EventSource(addressOf(endpoints.jobStream, { params: { id }, query: { after: seen } }))
    stream.onmessage = ({ data, lastEventId }: MessageEvent<string>) => {
      seen = Number(lastEventId)
      if (jobId === id) heard(streamMessageSchema.parse(JSON.parse(data)).events)
    }
    stream.onopen = connected
    // The browser tries again by itself while nobody answers, but not after an answer that was no stream.
    stream.onerror = () => {
      if (stream?.readyState === EventSource.CLOSED && jobId === id) setTimeout(() => jobId === id && open(id), retryMs)
    }
  }
  // A page that the browser keeps aside must not hold a connection: there are only a few.
  addEventListener('pagehide', () => stream?.close())
  addEventListener('pageshow', ({ persisted }) => {
    if (persisted && jobId !== undefined) open(jobId)
  })
  // A phone that was locked may have slept through everything.
  document.addEventListener('visibilitychange', () => {
    if (document.visibilityState === 'visible' && jobId !== undefined && stream?.readyState === EventSource.CLOSED) open(jobId)
  })
  return {
    listen(id, after) {
      ;[jobId, seen] = [id, after]
      open(id)
    },
    get seen() {
      return seen
    },
    stop() {
      stream?.close()
      ;[stream, jobId] = [undefined, undefined]
    },
  }
}
