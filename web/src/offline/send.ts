// How does what waits on this device get to the server? Steps first, in batches, then photographs, each before the event that speaks of it.
import { Fault, faultLine } from '@yastik/core/faults'
import { photoIdOf, type JobEvent } from '@yastik/core/run'
import { endpoints } from '@yastik/core/wire'
import { joined, type Sentence } from '@yastik/core/words'
import { ask, isNoJudgement } from '../api/client.ts'
import { measureClock } from '../api/clock.ts'
import type { KeptPhoto } from './database.ts'
import { forget, stamp, waiting } from './outbox.ts'
import { dropPhoto, photosWaiting, sendPhoto } from './photos.ts'

/** Events in one batch; the server takes no more. */
const mostAtOnce = 1000
/** And so much of them, characters of JSON: half of what the server takes. */
const mostCharacters = 1_000_000

/** What an open job is told while its events are sent. */
export interface Watcher {
  /** These now say how far this device's clock is off. */
  stamped(events: readonly JobEvent[]): void
  /** These were turned down and count no more. */
  turnedDown(ids: readonly string[]): void
  /** Called before events leave the outbox: at no moment is an event nowhere on this device. */
  keep(): Promise<void>
}

/** Sends everything of one person on one job. @returns why some of it was turned down. @throws NoAnswer; Fault where nothing was judged. */
export async function sendAll(jobId: string, by: number, watcher?: Watcher): Promise<Sentence[]> {
  const reasons: Sentence[] = []
  const own = async () => (await waiting(jobId)).filter((event) => event.by === by)
  for (;;) {
    if ((await own()).some(({ aheadMs }) => aheadMs === undefined)) {
      await stamp(jobId, await measureClock())
      watcher?.stamped(await waiting(jobId))
    }
    // Read in this order: a photograph is kept before the event that speaks of it.
    const events = await own()
    const photos = await photosOf(jobId, events)
    const held = new Set(photos.map(({ photoId }) => photoId))
    const batch = fitting(events.filter(({ happening }) => !held.has(photoIdOf(happening) ?? '')))
    // Steps go before pictures, which are large.
    if (batch.length > 0) reasons.push(...(await sendBatch(jobId, batch, watcher)))
    else if (photos.length > 0) reasons.push(...(await sendOnePhoto(photos[0], events, watcher)))
    else return reasons
  }
}

/** The first events, as many as go at once; one at the least. */
function fitting(events: readonly JobEvent[]): JobEvent[] {
  let characters = 0
  const end = events.findIndex((event, at) => (characters += JSON.stringify(event).length) > mostCharacters && at > 0)
  return events.slice(0, Math.min(mostAtOnce, end < 0 ? events.length : end))
}

/** Photographs that wait and that these events speak of. */
async function photosOf(jobId: string, events: readonly JobEvent[]): Promise<KeptPhoto[]> {
  const spokenOf = new Set(events.flatMap(({ happening }) => photoIdOf(happening) ?? []))
  return spokenOf.size === 0 ? [] : (await photosWaiting(jobId)).filter(({ photoId }) => spokenOf.has(photoId))
}

async function sendBatch(jobId: string, events: readonly JobEvent[], watcher?: Watcher): Promise<Sentence[]> {
  const { accepted, refused } = await ask(endpoints.storeEvents, { params: { id: jobId }, body: { events: [...events] } })
  const ids = refused.map(({ id }) => id)
  watcher?.turnedDown(ids)
  await watcher?.keep()
  await forget([...accepted, ...ids])
  return refused.map(({ because }) => because)
}

async function sendOnePhoto(photo: KeptPhoto, events: readonly JobEvent[], watcher?: Watcher): Promise<Sentence[]> {
  try {
    await sendPhoto(photo)
    return []
  } catch (error) {
    if (!(error instanceof Fault) || isNoJudgement(error) || error.code === 'not-signed-in') throw error
    const ids = events.filter(({ happening }) => photoIdOf(happening) === photo.photoId).map(({ id }) => id)
    watcher?.turnedDown(ids)
    await watcher?.keep()
    await forget(ids)
    await dropPhoto(photo.photoId)
    return [joined({ sentences: [error.sentence, ...error.lines.map(faultLine)] })]
  }
}
