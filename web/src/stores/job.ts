// The job that is open: its events, what follows from them, and what is not sent yet.
import {
  emptyUnitState,
  knownDesign,
  lastUndoable,
  planJob,
  stateOf,
  stepsLeft,
  streamMessageSchema,
  type EventReceipt,
  type Happening,
  type HouseRules,
  type JobEvent,
  type JobFile,
  type JobRecord,
  type PlanFile,
  type UnitRecord,
  type UnitState,
  type UnitSteps,
} from '@yastik/core'
import { defineStore } from 'pinia'
import { v7 as newId } from 'uuid'
import { computed, ref, shallowRef } from 'vue'
import { ask, NoAnswer } from '../api/client.ts'
import { forget, keep, waiting } from '../offline/outbox.ts'
import { askOrKept, shelve } from '../offline/shelf.ts'
import { useSession } from './session.ts'

type WithoutUnit<T> = T extends unknown ? Omit<T, 'unitId'> : never
export type UnitHappening = WithoutUnit<Happening>

const retryMs = 4000

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
    const { answer: loaded } = await askOrKept<JobRecord>(`/api/jobs/${jobId}`)
    const own = await waiting(jobId)
    record.value = loaded
    events.value = merged(loaded.events, own)
    unsent.value = own.length
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
    stream = new EventSource(`/api/jobs/${id}/stream?after=${seen}`)
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
    stream.onopen = () => void send()
    // The browser tries again by itself while nobody answers, but not after an answer that was no stream.
    stream.onerror = () => {
      if (stream?.readyState === EventSource.CLOSED && record.value?.id === id) setTimeout(() => record.value?.id === id && listen(id), retryMs)
    }
  }
  /** The job as it stands here, for opening it without a signal. */
  async function shelveJob(): Promise<void> {
    if (record.value) await shelve(`/api/jobs/${record.value.id}`, { ...record.value, events: [...events.value], seq: seen })
  }
  // A page that the browser keeps aside must not hold a connection: there are only a few.
  addEventListener('pagehide', () => stream?.close())
  addEventListener('pageshow', ({ persisted }) => {
    if (persisted && record.value) listen(record.value.id)
  })

  const merged = (stored: readonly JobEvent[], own: readonly JobEvent[]) => [
    ...new Map([...stored, ...own].map((event) => [event.id, event])).values(),
  ]

  const stateFor = (unitId: string): UnitState => states.value[unitId] ?? emptyUnitState()
  const unitFor = (unitId: string): UnitRecord | undefined => record.value?.site.units.find(({ id }) => id === unitId)

  /** Records what happened: at once on this device, then on the server. */
  async function add(unitId: string, happening: UnitHappening): Promise<void> {
    if (!record.value || !session.me) throw new Error('no job is open')
    const event: JobEvent = {
      id: newId(),
      atMs: Math.max(Date.now(), ...events.value.slice(-1).map(({ atMs, by }) => (by === session.me?.id ? atMs + 1 : 0))),
      by: session.me.id,
      happening: { ...happening, unitId } as Happening,
    }
    events.value = [...events.value, event]
    unsent.value++
    await keep(record.value.id, event)
    void send()
  }

  const undoable = (unitId: string): JobEvent | undefined => (session.me ? lastUndoable(events.value, unitId, session.me.id) : undefined)

  async function undo(unitId: string): Promise<void> {
    const event = undoable(unitId)
    if (event) await add(unitId, { type: 'undone', eventId: event.id })
  }

  let sending = false
  async function send(): Promise<void> {
    const jobId = record.value?.id
    if (sending || !jobId) return
    sending = true
    try {
      for (let batch = await waiting(jobId); batch.length > 0; batch = await waiting(jobId)) {
        const { accepted, refused } = await ask<EventReceipt>('POST', `/api/jobs/${jobId}/events`, { events: batch.slice(0, 500) })
        if (refused.length > 0) {
          const gone = new Set(refused.map(({ id }) => id))
          events.value = events.value.filter(({ id }) => !gone.has(id))
        }
        // On the shelf before they leave the outbox: at no moment is an event nowhere on this device.
        if (record.value?.id === jobId) await shelveJob()
        await forget([...accepted, ...refused.map(({ id }) => id)])
        trouble.value = refused.map(({ because }) => because).join('; ')
      }
    } catch (error) {
      trouble.value = error instanceof Error ? error.message : String(error)
      if (error instanceof NoAnswer) setTimeout(() => void send(), retryMs)
    } finally {
      sending = false
      unsent.value = (await waiting(jobId)).length
    }
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
      crew: job.crew.map(({ name, trained }) => ({ name, ...(trained && trained.length > 0 ? { trained } : {}) })),
      units: [
        {
          id: unit.id,
          family: unit.family,
          name: unit.name,
          design: unit.design,
          complaints: state.complaints,
          grades: state.grades,
          findings: state.findings,
          ...(state.readings.before ? { readings: state.readings.before } : {}),
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
      return steps.length > 0 ? [{ id, steps }] : []
    })
  }

  function planFor(unitId: string): PlanFile | undefined {
    const file = jobFileFor(unitId)
    return file && planJob(file)
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

  return { record, events, unsent, trouble, open, close, add, undo, undoable, send, stateFor, unitFor, designFor, jobFileFor, planFor, visitSteps }
})
