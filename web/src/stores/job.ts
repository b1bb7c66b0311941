// The job that is open: its log, what others do on it, what is not sent yet, and what the core makes of it.
import { measuredUnit, type MeasuredUnit } from '@yastik/core/lookover'
import type { Happening, JobEvent } from '@yastik/core/run'
import { knownDesign, type KnownDesign } from '@yastik/core/units'
import { endpoints, type UnitRecord } from '@yastik/core/wire'
import { defineStore } from 'pinia'
import { v7 as newId } from 'uuid'
import { isNoJudgement } from '../api/client.ts'
import { measureClock } from '../api/clock.ts'
import { useLog, type UnitHappening } from '../job/useLog.ts'
import { useSending } from '../job/useSending.ts'
import { useStream } from '../job/useStream.ts'
import { keep, waiting } from '../offline/outbox.ts'
import { keepPhoto } from '../offline/photos.ts'
import type { Watcher } from '../offline/send.ts'
import { askOrKept, shelve } from '../offline/shelf.ts'
import { useSession } from './session.ts'

/** What a photograph shows: a step, or a part before or after. */
export type PhotoOf = Pick<Extract<Happening, { type: 'photo-taken' }>, 'stepId' | 'of' | 'plate'>

/** An event that happened in another tab; without one, something was sent there. */
interface TabMessage {
  readonly jobId: string
  readonly event?: JobEvent
}

export const useJob = defineStore('job', () => {
  const session = useSession()
  const log = useLog()
  const { record, events, lists, stateFor } = log
  const designFor = (unitId: string): KnownDesign | undefined => {
    const unit = unitFor(unitId)
    return unit && knownDesign(unit.family, unit.design).design
  }
  /** What its readings are held against. */
  const measuredFor = (unitId: string): MeasuredUnit => {
    const unit = unitFor(unitId)
    return unit && record.value ? measuredUnit(unit, record.value.site.site) : {}
  }
  const unitFor = (unitId: string): UnitRecord | undefined => record.value?.site.units.find(({ id }) => id === unitId)
  const sending = useSending(() => session.me?.id, watcherOf)
  const stream = useStream(
    (fresh) => {
      // One's own come back too: nothing changes for them.
      if (log.merge(fresh)) void shelveJob()
    },
    () => {
      void measureClock().catch((error: unknown) => {
        if (!isNoJudgement(error)) throw error
      })
      void sending.send()
    },
  )

  async function open(jobId: string): Promise<void> {
    if (record.value?.id === jobId) return
    const { answer: loaded } = await askOrKept(endpoints.job, { params: { id: jobId } })
    log.show(loaded, await waiting(jobId))
    await sending.count()
    stream.listen(loaded.id, loaded.seq)
    void sending.send()
  }
  /** The job as it stands here, for opening it without a signal. */
  async function shelveJob(): Promise<void> {
    const { value: job } = record
    if (job) await shelve(endpoints.job, { params: { id: job.id } }, { ...job, events: [...events.value], seq: stream.seen })
  }

  /** Records what happened: at once on this device, then on the server. */
  async function add(unitId: string, happening: UnitHappening): Promise<void> {
    if (!record.value || !session.me) throw new Error('no job is open')
    const { id: jobId } = record.value
    const event = log.append(unitId, happening, session.me.id)
    sending.unsent.value++
    await keep(jobId, event)
    tellTabs({ jobId, event })
    void sending.send()
  }

  /** Keeps a picture on this device and notes it in the log; both go to the server when it answers. @throws Fault `not-a-photo`. */
  async function addPicture(unitId: string, file: File, happening: (photoId: string) => UnitHappening): Promise<void> {
    if (!record.value) throw new Error('no job is open')
    const photoId = newId()
    await keepPhoto({ photoId, jobId: record.value.id, unitId }, file)
    await add(unitId, happening(photoId))
  }
  const addPhoto = (unitId: string, file: File, of: PhotoOf) => addPicture(unitId, file, (photoId) => ({ type: 'photo-taken', photoId, ...of }))
  const sign = (unitId: string, file: File, name: string) => addPicture(unitId, file, (photoId) => ({ type: 'signed', photoId, name }))

  const undoable = (unitId: string): JobEvent | undefined => (session.me ? log.undoable(unitId, session.me.id) : undefined)
  async function undo(unitId: string): Promise<void> {
    const event = undoable(unitId)
    if (event) await add(event.happening.unitId, { type: 'undone', eventId: event.id })
  }

  // Tabs of one browser share the outbox: each tells the others what happened, and what was sent.
  const tabs = new BroadcastChannel('yastik-job')
  const tellTabs = (message: TabMessage) => tabs.postMessage(message)
  tabs.onmessage = ({ data: { jobId, event } }: MessageEvent<TabMessage>) => {
    if (record.value?.id !== jobId) return
    if (event) log.merge([event])
    void sending.count()
  }

  /** What the open job has to know while its events are sent. */
  function watcherOf(jobId: string): Watcher | undefined {
    if (record.value?.id !== jobId) return undefined
    return {
      stamped: log.stamp,
      turnedDown: log.forget,
      keep: async () => {
        if (record.value?.id === jobId) await shelveJob()
        tellTabs({ jobId })
      },
    }
  }

  /** Forgets the open job, so that the next opening asks the server again. */
  function close(): void {
    stream.stop()
    log.close()
  }

  /** Asks the server for the open job anew: it is another one now. */
  async function reopen(): Promise<void> {
    const id = record.value?.id
    close()
    if (id !== undefined) await open(id)
  }

  const { unsent, trouble, send } = sending
  return {
    record,
    events,
    lists,
    unsent,
    trouble,
    open,
    reopen,
    close,
    add,
    addPhoto,
    sign,
    undo,
    undoable,
    send,
    stateFor,
    unitFor,
    designFor,
    measuredFor,
  }
})
