// The job that is open: its events, what follows from them, and what is not sent yet.
import type { UnitSteps } from '@yastik/core/crew'
import type { HouseRules } from '@yastik/core/method'
import { planJob, type JobFile, type PlanFile, type PlanMemory } from '@yastik/core/plan'
import { emptyUnitState, heldNow, lastUndoable, stateOf, stepsLeft, timeOf, type Happening, type JobEvent, type UnitState } from '@yastik/core/run'
import { knownDesign } from '@yastik/core/units'
import { foundChances, indexSeenAfter } from '@yastik/core/upkeep'
import { crewOfPlan, addressOf, endpoints, streamMessageSchema, type JobRecord, type UnitRecord } from '@yastik/core/wire'
import { defineStore } from 'pinia'
import { v7 as newId } from 'uuid'
import { computed, ref, shallowRef } from 'vue'
import { dayAfter } from '../measures/days.ts'
import { isNoJudgement } from '../api/client.ts'
import { aheadMs, measureClock, serverNow } from '../api/clock.ts'
import { countWaiting, jobsWaiting, keep, waiting } from '../offline/outbox.ts'
import { keepPhoto } from '../offline/photos.ts'
import { sendAll, type Watcher } from '../offline/send.ts'
import { askOrKept, shelve } from '../offline/shelf.ts'
import { useSession } from './session.ts'

type WithoutUnit<T> = T extends unknown ? Omit<T, 'unitId'> : never
export type UnitHappening = WithoutUnit<Happening>
/** What a photograph shows: a step, or a part before or after. */
export type PhotoOf = Pick<Extract<Happening, { type: 'photo-taken' }>, 'stepId' | 'of'>

const retryMs = 4000
const yearMs = 365.25 * 86_400_000

/** An event that happened in another tab; without one, something was sent there. */
interface TabMessage {
  readonly jobId: string
  readonly event?: JobEvent
}

export const useJob = defineStore('job', () => {
  const session = useSession()
  const record = shallowRef<JobRecord>()
  const events = shallowRef<readonly JobEvent[]>([])
  const unsent = ref(0)
  /** Why the last sending failed, or what the server turned down. */
  const trouble = ref('')
  const states = computed(() => stateOf(events.value))

  async function open(jobId: string): Promise<void> {
    if (record.value?.id === jobId) return
    const { answer: loaded } = await askOrKept(endpoints.job, { params: { id: jobId } })
    const own = await waiting(jobId)
    record.value = loaded
    events.value = merged(loaded.events, own)
    await countUnsent()
    seen = loaded.seq
    listen(loaded.id)
    void send()
  }

  let stream: EventSource | undefined
  /** Number of the newest event that came from the server. */
  let seen = 0
  /** What others on this job do is seen here as it happens; the browser reconnects by itself and goes on where it was. */
  function listen(id: string): void {
    stream?.close()
    stream = new EventSource(addressOf(endpoints.jobStream, { params: { id }, query: { after: seen } }))
    stream.onmessage = ({ data, lastEventId }: MessageEvent<string>) => {
      seen = Number(lastEventId)
      const fresh = streamMessageSchema.parse(JSON.parse(data)).events
      const known = new Set(events.value.map((event) => event.id))
      // One's own come back too: nothing changes for them.
      if (record.value?.id !== id || fresh.every((event) => known.has(event.id))) return
      events.value = merged(events.value, fresh)
      void shelveJob()
    }
    // A signal that comes back is a good moment to send what waits.
    stream.onopen = () => {
      void measureClock().catch((error: unknown) => {
        if (!isNoJudgement(error)) throw error
      })
      void send()
    }
    // The browser tries again by itself while nobody answers, but not after an answer that was no stream.
    stream.onerror = () => {
      if (stream?.readyState === EventSource.CLOSED && record.value?.id === id) setTimeout(() => record.value?.id === id && listen(id), retryMs)
    }
  }
  /** The job as it stands here, for opening it without a signal. */
  async function shelveJob(): Promise<void> {
    if (record.value) await shelve(endpoints.job, { params: { id: record.value.id } }, { ...record.value, events: [...events.value], seq: seen })
  }
  // A page that the browser keeps aside must not hold a connection: there are only a few.
  addEventListener('pagehide', () => stream?.close())
  addEventListener('pageshow', ({ persisted }) => {
    if (persisted && record.value) listen(record.value.id)
  })
  // A phone that was locked may have slept through everything.
  document.addEventListener('visibilitychange', () => {
    if (document.visibilityState !== 'visible' || !record.value) return
    if (stream?.readyState === EventSource.CLOSED) listen(record.value.id)
    void send()
  })
  addEventListener('online', () => void send())

  const merged = (stored: readonly JobEvent[], own: readonly JobEvent[]) => [
    ...new Map([...stored, ...own].map((event) => [event.id, event])).values(),
  ]

  const stateFor = (unitId: string): UnitState => states.value[unitId] ?? emptyUnitState()
  const unitFor = (unitId: string): UnitRecord | undefined => record.value?.site.units.find(({ id }) => id === unitId)

  /** Records what happened: at once on this device, then on the server. */
  async function add(unitId: string, happening: UnitHappening): Promise<void> {
    if (!record.value || !session.me) throw new Error('no job is open')
    const { id: me } = session.me
    const known = aheadMs.value
    // One's own events keep their order, however close they are and whatever is measured between them.
    const last = events.value.findLast(({ by }) => by === me)
    const timeMs = Math.max(serverNow(), last ? timeOf(last) + 1 : 0)
    const event: JobEvent = {
      id: newId(),
      atMs: timeMs + (known ?? 0),
      by: me,
      ...(known === undefined ? {} : { aheadMs: known }),
      // Plain, whatever a view hands over: what is reactive cannot be kept.
      happening: JSON.parse(JSON.stringify({ ...happening, unitId })) as Happening,
    }
    events.value = [...events.value, event]
    unsent.value++
    await keep(record.value.id, event)
    tellTabs({ jobId: record.value.id, event })
    void send()
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

  const undoable = (unitId: string): JobEvent | undefined => (session.me ? lastUndoable(events.value, unitId, session.me.id) : undefined)

  async function undo(unitId: string): Promise<void> {
    const event = undoable(unitId)
    if (event) await add(unitId, { type: 'undone', eventId: event.id })
  }

  // Tabs of one browser share the outbox: each tells the others what happened, and what was sent.
  const tabs = new BroadcastChannel('yastik-job')
  const tellTabs = (message: TabMessage) => tabs.postMessage(message)
  tabs.onmessage = ({ data: { jobId, event } }: MessageEvent<TabMessage>) => {
    if (record.value?.id !== jobId) return
    if (event) events.value = merged(events.value, [event])
    void countUnsent()
  }

  let sending = false
  /** Whether something was added while the last of what waited was on its way. */
  let more = false
  /** Sends everything that waits on this device and is of the person who is signed in: of this job, and of others that were left. */
  async function send(): Promise<void> {
    const me = session.me?.id
    if (me === undefined) return
    more = sending
    if (sending) return
    sending = true
    try {
      const reasons: string[] = []
      for (const jobId of await jobsWaiting(me)) reasons.push(...(await sendAll(jobId, me, watcherOf(jobId))))
      trouble.value = reasons.join('; ')
    } catch (error) {
      trouble.value = error instanceof Error ? error.message : String(error)
      more = false
      if (isNoJudgement(error)) setTimeout(() => void send(), retryMs)
    } finally {
      sending = false
      await countUnsent()
      if (more) void send()
    }
  }

  const countUnsent = async () => {
    unsent.value = session.me ? await countWaiting(session.me.id) : 0
  }

  /** What the open job has to know while its events are sent. */
  const watcherOf = (jobId: string): Watcher | undefined =>
    record.value?.id !== jobId
      ? undefined
      : {
          stamped: (stamped) => {
            const byId = new Map(stamped.map((event) => [event.id, event]))
            events.value = events.value.map((event) => byId.get(event.id) ?? event)
          },
          turnedDown: (ids) => {
            if (ids.length > 0) events.value = events.value.filter(({ id }) => !ids.includes(id))
          },
          keep: async () => {
            if (record.value?.id === jobId) await shelveJob()
            tellTabs({ jobId })
          },
        }

  /** The unit as a job file: what the plan command would read. */
  function jobFileFor(unitId: string): JobFile | undefined {
    const job = record.value
    const unit = unitFor(unitId)
    if (!job || !unit) return undefined
    const state = stateFor(unitId)
    return {
      format: 'yastik.job/1',
      site: job.site.site,
      crew: crewOfPlan(job.crew),
      units: [
        {
          id: unit.id,
          family: unit.family,
          name: unit.name,
          design: unit.design,
          complaints: state.complaints,
          grades: state.grades,
          findings: state.findings,
          ...(Object.keys(state.findingExtent).length > 0 ? { findingExtent: state.findingExtent } : {}),
          ...(state.extras.length > 0 ? { extras: state.extras } : {}),
          ...(state.readings.before ? { readings: state.readings.before } : {}),
          ...(state.wash ? { wash: state.wash } : {}),
          ...(unit.hoursPerDay === undefined ? {} : { hoursPerDay: unit.hoursPerDay }),
          ...(Object.keys(state.choices).length > 0 ? { choices: state.choices as JobFile['units'][number]['choices'] } : {}),
        },
      ],
      houseRules: { ...job.houseRules, ...(state.schools as Partial<HouseRules>) },
      products: job.products,
      equipment: job.equipment,
    }
  }

  /** Steps left at every unit of the visit that was looked over: as agreed, or as they would be agreed now. */
  function visitSteps(nowMs: number): UnitSteps[] {
    return (record.value?.unitIds ?? []).flatMap((id) => {
      const state = stateFor(id)
      if (state.handedOver || Object.keys(state.grades).length + state.findings.length === 0) return []
      const steps = state.steps ? stepsLeft(state, nowMs) : (planFor(id)?.units[0].steps ?? [])
      const nameOf = (userId: number) => record.value?.crew.find((member) => member.id === userId)?.name
      const given = Object.fromEntries(Object.entries(state.given).flatMap(([stepId, userId]) => (nameOf(userId) ? [[stepId, nameOf(userId)!]] : [])))
      return steps.length > 0 ? [{ id, steps, given, held: heldNow(state) }] : []
    })
  }

  /** What is remembered of the units, as it was at a moment: later visits say nothing of an earlier one. */
  function memoryOf(atMs: number): PlanMemory | undefined {
    /** What there is of each unit. */
    const byUnit = <Of>(of: (state: UnitState) => Of | undefined): Map<string, Of> =>
      new Map(
        (record.value?.unitIds ?? []).flatMap((unitId) => {
          const own = of(stateFor(unitId))
          return own === undefined ? [] : [[unitId, own] as const]
        }),
      )
    const memory = record.value?.memory
    if (!memory) return undefined
    const yearsNow = atMs / yearMs
    const pastOf = memory.units.map(({ unitId, visits, surroundings, hoursPerDay, ...unit }) => {
      const past = { ...unit, visits: visits.filter(({ atYears }) => atYears < yearsNow), use: { surroundings, hoursPerDay } }
      return [unitId, past] as const
    })
    return {
      pastOf: new Map(pastOf),
      rates: memory.rates,
      yearsNow,
      isSeen: true,
      leftOf: byUnit(indexSeenAfter),
      foundOf: byUnit(foundChances),
      dayAfter: (weeks) => dayAfter(atMs, weeks),
    }
  }

  function planFor(unitId: string): PlanFile | undefined {
    const file = jobFileFor(unitId)
    return file && planJob(file, memoryOf(stateFor(unitId).handedOver?.atMs ?? serverNow()))
  }

  const designFor = (unitId: string) => {
    const unit = unitFor(unitId)
    return unit && knownDesign(unit.family, unit.design).design
  }

  /** Forgets the open job, so that the next opening asks the server again. */
  function close(): void {
    stream?.close()
    stream = undefined
    record.value = undefined
    events.value = []
  }

  return {
    record,
    events,
    unsent,
    trouble,
    open,
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
    jobFileFor,
    planFor,
    visitSteps,
  }
})
