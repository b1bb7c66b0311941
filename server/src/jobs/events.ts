// How do events get into the log? One transaction per batch; the answer comes after the commit; sending twice does nothing.
import {
  cleanCoolingAt,
  Fault,
  coolingBy,
  knownDesign,
  eventSchema,
  foundChances,
  indexFound,
  indexLeft,
  usualTreatmentWeeks,
  indexSeenAfter,
  linesOf,
  photoIdOf,
  progressOf,
  sayFaultLine,
  stageOf,
  timeOf,
  unitStateOf,
  worstOf,
  type EventReceipt,
  type JobEvent,
  type Readings,
  type SiteForm,
  type UnitState,
  type VisitFound,
} from '@yastik/core'
import { Op, type Sequelize, type Transaction } from 'sequelize'
import { Firm, Job, JobUnit, Photo, Site, StoredEvent, Unit, type User } from '../db/models.ts'
import { settleUse } from '../stock/ledger.ts'
import { parsed, read } from '../db/read.ts'
import { renewDues } from '../upkeep/dues.ts'

/** A device's clock may run ahead by this much. */
const clockAheadMs = 10 * 60_000

export const eventOf = ({ id, atMs, aheadMs, byUser, happening }: StoredEvent): JobEvent => ({
  id,
  atMs: Number(atMs),
  by: byUser,
  ...(aheadMs === null || aheadMs === undefined ? {} : { aheadMs: Number(aheadMs) }),
  happening,
})

type EventRow = Omit<JobEvent, 'happening' | 'aheadMs'> & { seq: number; aheadMs: number | null; happening: string }
const storedOf = (jobId: string, transaction?: Transaction) =>
  read<EventRow>(
    `SELECT seq, id, at_ms AS atMs, ahead_ms AS aheadMs, by_user AS \`by\`, happening FROM events WHERE job_id = :jobId ORDER BY seq`,
    { jobId },
    transaction,
  )
const eventFrom = ({ id, atMs, by, aheadMs, happening }: EventRow): JobEvent => ({
  id,
  atMs: Number(atMs),
  by,
  ...(aheadMs === null ? {} : { aheadMs: Number(aheadMs) }),
  happening: parsed<JobEvent['happening']>(happening),
})

/** Events of a job in the order in which they were stored. */
export const eventsOf = async (jobId: string, transaction?: Transaction): Promise<JobEvent[]> => (await storedOf(jobId, transaction)).map(eventFrom)

/** The same, and the number of the newest. */
export async function eventsAndSeq(jobId: string): Promise<{ events: JobEvent[]; seq: number }> {
  const stored = await storedOf(jobId)
  return { events: stored.map(eventFrom), seq: Number(stored.at(-1)?.seq ?? 0) }
}

/** Stores what holds up, answers each of the rest with its reason, and brings the job's summary up to date; in a transaction of its own, or `within` one. */
export async function storeEvents(sequelize: Sequelize, job: Job, user: User, sent: readonly unknown[], within?: Transaction): Promise<EventReceipt> {
  const refused: EventReceipt['refused'] = []
  const units = await JobUnit.findAll({ where: { jobId: job.id }, transaction: within })
  const parsed = sent.flatMap((candidate, index) => {
    const event = checkEvent(candidate, index, units, job, user)
    if ('because' in event) refused.push(event)
    return 'because' in event ? [] : [event]
  })
  const missing = await photosMissing(parsed, job, within)
  const good = parsed.filter(({ happening }) => !missing.has(photoIdOf(happening) ?? ''))
  refused.push(
    ...parsed.filter((event) => !good.includes(event)).map(({ id }) => ({ id, because: 'the photograph of this event was not sent before it' })),
  )
  const accepted = await inTransaction(sequelize, within, async (transaction) => {
    // Batches of one job come one after the other, so that the summary is of all of them.
    await Job.findByPk(job.id, { transaction, lock: transaction.LOCK.UPDATE })
    const known = await StoredEvent.findAll({ where: { id: { [Op.in]: good.map(({ id }) => id) } }, attributes: ['id', 'jobId'], transaction })
    const jobOf = new Map(known.map(({ id, jobId }) => [id, jobId]))
    const elsewhere = good.filter(({ id }) => (jobOf.get(id) ?? job.id) !== job.id)
    refused.push(...elsewhere.map(({ id }) => ({ id, because: 'this id belongs to another job' })))
    const fresh = [...new Map(good.map((event) => [event.id, event])).values()].filter(({ id }) => !jobOf.has(id))
    await StoredEvent.bulkCreate(
      fresh.map(({ id, atMs, aheadMs, by, happening }) => ({
        id,
        firmId: job.firmId,
        jobId: job.id,
        unitId: happening.unitId,
        byUser: by,
        atMs,
        aheadMs: aheadMs ?? null,
        happening,
      })),
      { transaction },
    )
    if (fresh.length > 0) await summariseJob(job, transaction)
    return good.filter((event) => !elsewhere.includes(event)).map(({ id }) => id)
  })
  return { accepted: [...new Set(accepted)], refused }
}

const inTransaction = <T>(sequelize: Sequelize, within: Transaction | undefined, work: (transaction: Transaction) => Promise<T>): Promise<T> =>
  within ? work(within) : sequelize.transaction(work)

/** Ids of photographs that events speak of and this job does not have. */
async function photosMissing(events: readonly JobEvent[], job: Job, transaction?: Transaction): Promise<ReadonlySet<string>> {
  const wanted = events.flatMap(({ happening }) => photoIdOf(happening) ?? [])
  if (wanted.length === 0) return new Set()
  const found = await Photo.findAll({ where: { id: { [Op.in]: wanted }, jobId: job.id }, attributes: ['id'], transaction })
  const known = new Set(found.map(({ id }) => id))
  return new Set(wanted.filter((id) => !known.has(id)))
}

function checkEvent(candidate: unknown, index: number, units: readonly JobUnit[], job: Job, user: User): JobEvent | { id: string; because: string } {
  const parsed = eventSchema.safeParse(candidate)
  if (!parsed.success) {
    const id = candidate !== null && typeof candidate === 'object' && 'id' in candidate && typeof candidate.id === 'string' ? candidate.id : ''
    return { id, because: linesOf(parsed.error.issues, candidate, `events[${index}]`).map(sayFaultLine).join('; ') }
  }
  const event = parsed.data
  const refuse = (because: string) => ({ id: event.id, because: `events[${index}].${because}` })
  if (event.by !== user.id) return refuse(`by: ${event.by} is not you; allowed: ${user.id}`)
  if (timeOf(event) > Date.now() + clockAheadMs) return refuse('atMs: this lies in the future; set the clock of the device right')
  if (!units.some(({ unitId }) => unitId === event.happening.unitId))
    return refuse(`happening.unitId: ${event.happening.unitId} is not a unit of this job`)
  if (event.happening.type === 'exception-written' && user.role !== 'owner') return refuse('happening.type: only the owner may write an exception')
  if (event.happening.type === 'wait-shortened' && user.role !== 'owner')
    return refuse('happening.type: only the owner may shorten a wait, in writing')
  if (event.happening.type === 'step-given' && event.happening.to !== null && !job.crewIds.includes(event.happening.to))
    return refuse(`happening.to: ${event.happening.to} is not in the crew of this job; allowed: ${job.crewIds.join(', ')}`)
  return event
}

/** Brings what lists show of a job up to date with its log, and the due days with what was handed over. */
export async function summariseJob(job: Job, transaction: Transaction): Promise<void> {
  const units = await JobUnit.findAll({ where: { jobId: job.id }, transaction })
  const events = await eventsOf(job.id, transaction)
  const site = await Site.findByPk(job.siteId, { transaction })
  if (!site) throw new Fault('not-there')
  const firm = await Firm.findByPk(job.firmId, { transaction })
  const panTreatmentWeeks = firm?.products.find((product) => product.class === 'pan-treatment')?.label.lifeWeeks ?? usualTreatmentWeeks.value
  const stages: string[] = []
  const states = new Map<string, UnitState>()
  for (const unit of units) {
    const state = unitStateOf(events, unit.unitId)
    states.set(unit.unitId, state)
    const row = await Unit.findByPk(unit.unitId, { transaction })
    if (!row) throw new Fault('not-there')
    const summary = summaryOf(state, row, site, panTreatmentWeeks)
    stages.push(summary.stage)
    await JobUnit.update(summary, { where: { jobId: job.id, unitId: unit.unitId }, transaction })
    if (summary.handedOverAt && summary.scope !== 'decline')
      await Unit.update(
        { lastCleanedAt: summary.handedOverAt },
        { where: { id: unit.unitId, lastCleanedAt: { [Op.or]: [null, { [Op.lt]: summary.handedOverAt }] } }, transaction },
      )
    const wasHandedOver = unit.handedOverAt?.getTime() ?? null
    if (wasHandedOver !== (summary.handedOverAt?.getTime() ?? null)) await renewDues([row], transaction)
  }
  await settleUse(job, states, transaction)
  // What was cancelled stays so, whatever a phone without a signal still sends.
  await Job.update({ closed: stages.every((stage) => stage === 'handed-over') }, { where: { id: job.id, cancelledAt: null }, transaction })
}

/** What the line of the unit's life shows of this visit. */
function seenOn(state: UnitState, unit: Unit, { altitudeM, outdoorAir }: SiteForm['site']): VisitFound {
  const { design } = knownDesign(unit.family, unit.design)
  const kw = (value: number | undefined) => (value === undefined ? undefined : Math.round(value * 1000) / 1000)
  const measured = (readings: Readings | undefined) => kw(readings && coolingBy(readings, altitudeM).cooling?.totalKw.value)
  const clean = (readings: Readings | undefined) =>
    kw(readings && cleanCoolingAt(design, readings, { altitudeM, outdoorC: outdoorAir?.dryBulbC }).coil.totalKw)
  const { before, after } = state.readings
  return {
    grades: Object.fromEntries(Object.entries(state.grades).map(([part, { grade }]) => [part, grade])),
    findings: state.findings,
    parts: state.partsNoted,
    cooling: { beforeKw: measured(before), cleanBeforeKw: clean(before), afterKw: measured(after), cleanAfterKw: clean(after) },
  }
}

function summaryOf(state: UnitState, unit: Unit, { form }: Site, panTreatmentWeeks: number | undefined) {
  const { altitudeM } = form.site
  const lookOver = { family: unit.family, complaints: state.complaints, grades: state.grades, findings: state.findings }
  const graded = Object.keys(state.grades)
  const { done, all } = progressOf(state)
  const cooling = (readings: UnitState['readings']['before']) => (readings && coolingBy(readings, altitudeM).cooling?.totalKw.value) ?? null
  const scope = state.handedOver ? (state.agreed.scope ?? '') : ''
  const coilGrade = indexFound(state.grades) ?? null
  return {
    stage: stageOf(state),
    done,
    steps: all,
    verdict: state.handedOver?.verdict ?? null,
    worstGrade: graded.length > 0 ? worstOf(lookOver, ...(graded as (keyof UnitState['grades'])[])) : null,
    handedOverAt: state.handedOver ? new Date(state.handedOver.atMs) : null,
    handedOverBy: state.handedOver?.by ?? null,
    scope,
    coolingBeforeKw: cooling(state.readings.before),
    coolingAfterKw: cooling(state.readings.after),
    seen: state.handedOver ? seenOn(state, unit, form.site) : null,
    soilKinds: [...new Set(Object.values(state.grades).flatMap(({ kinds }) => kinds ?? []))].sort().join(','),
    coilGrade,
    coilChances: foundChances(state)?.join(' ') ?? null,
    leftIndex: coilGrade === null ? null : (indexSeenAfter(state) ?? indexLeft(scope, state.grades, state.handedOver?.notReached)),
    panTreatmentWeeks: state.handedOver && state.agreed['pan-treatment'] === 'slow-release' ? (panTreatmentWeeks ?? null) : null,
  }
}
