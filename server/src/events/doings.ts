// How do events get into the log? All of a batch that holds up; the answer comes after the commit; sending twice does nothing.
import { joined, says, type Message, type Sentence } from '@yastik/core/words'
import { faultLine, linesOf } from '@yastik/core/faults'
import { visitId } from '@yastik/core/procedure'
import { eventSchema, photoIdOf, timeOf, visitHappenings, type JobEvent } from '@yastik/core/run'
import type { EventReceipt } from '@yastik/core/wire'
import { Op } from 'sequelize'
import type { Db, Doing } from '../db/database.ts'
import { isUnstorable } from '../db/retry.ts'
import { z } from 'zod'
import { Photo, type User } from '../db/models.ts'
import { addToLog, growJob, heldJob, type HeldJob } from './queries.ts'
import { summariseAfter } from './summarise.ts'

/** A device's clock may run ahead by this much. */
const clockAheadMs = 10 * 60_000

/**
 * Stores what holds up, answers each of the rest with its reason, and brings the job's summary up to date.
 * @throws Fault `not-there` without the job
 */
export async function storeEvents(db: Doing, jobId: string, user: User, sent: readonly unknown[]): Promise<EventReceipt> {
  const job = await heldJob(db, jobId, user.firmId, spokenOf(sent))
  const refused: EventReceipt['refused'] = []
  const read = sent.flatMap((candidate, index) => {
    const event = checkEvent(candidate, index, job, user)
    if ('because' in event) refused.push(event)
    return 'because' in event ? [] : [event]
  })
  const missing = await photosMissing(db, read, job)
  const isMissing = ({ happening }: JobEvent) => missing.has(photoIdOf(happening) ?? '')
  refused.push(...read.filter(isMissing).map(({ id }) => ({ id, because: says('fault.events.photo-missing') })))
  const good = [...new Map(read.filter((event) => !isMissing(event)).map((event) => [event.id, event])).values()]
  const { fresh, elsewhere } = await addToLog(db, job, good)
  refused.push(...[...elsewhere].map((id) => ({ id, because: says('fault.events.elsewhere') })))
  if (fresh.length > 0) {
    const { closes, kept } = await summariseAfter(db, job, fresh)
    await growJob(db, job, job.logLength + fresh.length, closes, kept)
  }
  const ids = good.map(({ id }) => id)
  return { accepted: ids.filter((id) => !elsewhere.has(id)), refused }
}

/**
 * The same where something of it cannot be stored, whatever its schema says: then each event is stored by itself, and what cannot be is turned down.
 * One bad event never fails the others of its batch.
 * @throws Fault `not-there` without the job; what the database says where it is not about what was sent
 */
export async function storeEach(db: Db, jobId: string, user: User, sent: readonly unknown[]): Promise<EventReceipt> {
  const store = (some: readonly unknown[]) => db.change((doing) => storeEvents(doing, jobId, user, some))
  try {
    return await store(sent)
  } catch (error) {
    if (!isUnstorable(error)) throw error
  }
  const receipts: EventReceipt[] = []
  for (const event of sent)
    receipts.push(
      await store([event]).catch((error: unknown): EventReceipt => {
        if (!isUnstorable(error)) throw error
        return { accepted: [], refused: [{ id: idOf(event), because: says('fault.events.unstorable') }] }
      }),
    )
  return { accepted: receipts.flatMap(({ accepted }) => accepted), refused: receipts.flatMap(({ refused }) => refused) }
}

/** Units that are spoken of, whatever else is wrong with what was sent. */
const spokenOf = (sent: readonly unknown[]): string[] => [
  ...new Set(sent.flatMap((candidate) => ofUnit.safeParse(candidate).data?.happening.unitId ?? [])),
]
const ofUnit = z.object({ happening: z.object({ unitId: z.uuid() }) })

/** Ids of photographs that events speak of and this job does not have. */
async function photosMissing({ transaction }: Doing, events: readonly JobEvent[], job: HeldJob): Promise<ReadonlySet<string>> {
  const wanted = events.flatMap(({ happening }) => photoIdOf(happening) ?? [])
  if (wanted.length === 0) return new Set()
  const found = await Photo.findAll({ where: { id: { [Op.in]: wanted }, jobId: job.id }, attributes: ['id'], transaction })
  const known = new Set(found.map(({ id }) => id))
  return new Set(wanted.filter((id) => !known.has(id)))
}

const idOf = (candidate: unknown): string =>
  candidate !== null && typeof candidate === 'object' && 'id' in candidate && typeof candidate.id === 'string' ? candidate.id.slice(0, 80) : ''

function checkEvent(candidate: unknown, index: number, job: HeldJob, user: User): JobEvent | EventReceipt['refused'][number] {
  const parsed = eventSchema.safeParse(candidate)
  if (!parsed.success) {
    return { id: idOf(candidate), because: joined({ semicolon: linesOf(parsed.error.issues, candidate, `events[${index}]`).map(faultLine) }) }
  }
  const event = parsed.data
  const refuse = (field: string, what: Message, allowed: Sentence = '') => ({
    id: event.id,
    because: faultLine({ where: `events[${index}].${field}`, what, allowed }),
  })
  if (event.by !== user.id) return refuse('by', says('fault.events.not-you', { by: event.by }), String(user.id))
  if (timeOf(event) > Date.now() + clockAheadMs) return refuse('atMs', says('fault.events.future'), says('fault.events.future-allowed'))
  const ofVisit = event.happening.unitId === visitId
  if (ofVisit && !visitHappenings.has(event.happening.type))
    return refuse('happening.type', says('fault.events.not-of-visit'), [...visitHappenings].join(', '))
  if ((event.happening.type === 'came' || event.happening.type === 'went') && !ofVisit)
    return refuse('happening.unitId', says('fault.events.of-visit'), visitId)
  if ((event.happening.type === 'came' || event.happening.type === 'went') && !job.crewIds.includes(event.happening.who))
    return refuse('happening.who', says('fault.events.not-in-crew', { id: event.happening.who }), job.crewIds.join(', '))
  if (!ofVisit && !job.units.some(({ unitId }) => unitId === event.happening.unitId))
    return refuse('happening.unitId', says('fault.events.no-unit', { id: event.happening.unitId }), says('fault.events.no-unit-allowed'))
  if (event.happening.type === 'exception-written' && user.role !== 'owner') return refuse('happening.type', says('fault.events.exception'))
  if (event.happening.type === 'wait-shortened' && user.role !== 'owner') return refuse('happening.type', says('fault.events.wait'))
  if (event.happening.type === 'step-given' && event.happening.to !== null && !job.crewIds.includes(event.happening.to))
    return refuse('happening.to', says('fault.events.not-in-crew', { id: event.happening.to }), job.crewIds.join(', '))
  return event
}
