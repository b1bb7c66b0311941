// A visit is planned: units of one site, on a day, with people of the firm. It is put on another day, given to others, cancelled, or planned again.
import { says } from '@yastik/core/words'
import { doesNotHoldUp, Fault } from '@yastik/core/faults'
import type { JobForm } from '@yastik/core/wire'
import { Op } from 'sequelize'
import { v7 as newId } from 'uuid'
import type { Db, Doing } from '../db/database.ts'
import { dayMs, dayOf, type Zoned } from '../days.ts'
import { holdOwn } from '../db/find.ts'
import { Job, JobUnit, Site, Unit, User } from '../db/models.ts'

/** @throws Fault `not-there` without the site, `does-not-hold-up` where units or people are not the firm's own, once each. */
export async function makeJob(
  db: Doing,
  { siteId, unitIds, onDate, crewIds, startMin = null, calendarUid = null }: JobForm & { readonly calendarUid?: string | null },
  firmId: number,
): Promise<Job> {
  const { transaction } = db
  // Held, so that the same visit that is sent twice at once is there once.
  await holdOwn(db, Site, 'site', siteId, firmId)
  await checkInUse(db, siteId, unitIds)
  const units = await Unit.count({ where: { id: { [Op.in]: unitIds }, siteId }, transaction })
  if (units !== new Set(unitIds).size || units !== unitIds.length)
    throw doesNotHoldUp('unitIds', says('fault.visits.units'), says('fault.visits.units-allowed'))
  await checkCrew(db, crewIds, firmId)
  const there = await sameVisit(db, { siteId, unitIds, onDate, crewIds, startMin, calendarUid })
  if (there) return there
  const job = await Job.create({ id: newId(), firmId, siteId, onDate, crewIds, startMin, calendarUid }, { transaction })
  await JobUnit.bulkCreate(
    unitIds.map((unitId, position) => ({ jobId: job.id, unitId, firmId, position })),
    { transaction },
  )
  return job
}

/** A visit that is planned already exactly so: the same units on the same day and time, by the same people, from the same entry of a calendar. */
async function sameVisit(
  { transaction }: Doing,
  { siteId, unitIds, onDate, crewIds, startMin, calendarUid }: Required<JobForm> & { readonly calendarUid: string | null },
): Promise<Job | undefined> {
  const where = { siteId, onDate, startMin, calendarUid, closed: false, logLength: 0 }
  const jobs = await Job.findAll({ where, include: ['jobUnits'], transaction })
  const asList = (ids: readonly (string | number)[]) => [...ids].sort().join()
  return jobs.find((job) => asList(job.crewIds) === asList(crewIds) && asList((job.jobUnits ?? []).map(({ unitId }) => unitId)) === asList(unitIds))
}

/** @throws Fault `in-use` where the site or one of these units is retired: nobody is sent there. */
async function checkInUse({ transaction }: Db, siteId: string, unitIds: readonly string[]): Promise<void> {
  const site = await Site.findOne({ where: { id: siteId, retiredAt: { [Op.ne]: null } }, transaction })
  const unit = await Unit.findOne({ where: { id: { [Op.in]: [...unitIds] }, retiredAt: { [Op.ne]: null } }, transaction })
  const retired = site ?? unit
  if (retired) throw new Fault('in-use', { sentence: says('fault.visits.retired', { name: retired.name }) })
}

/** So far ahead nobody plans a visit. */
const aheadDays = 730
/**
 * A visit is planned for today or later by the firm's clocks; one that keeps its day keeps it.
 * @throws Fault `does-not-hold-up` for a day that is past, or years ahead
 */
export function checkDay(onDate: string, firm: Zoned, kept?: string): void {
  const now = Date.now()
  const [today, last] = [dayOf(now, firm), dayOf(now + aheadDays * dayMs, firm)]
  if (onDate === kept || (onDate >= today && onDate <= last)) return
  const what = says(onDate < today ? 'fault.visits.past' : 'fault.visits.ahead', { day: { day: onDate } })
  throw doesNotHoldUp('onDate', what, says('fault.days', { from: { day: today }, to: { day: last } }))
}

/** @throws Fault `does-not-hold-up` where not all are people of the firm, once each. */
async function checkCrew({ transaction }: Db, crewIds: readonly number[], firmId: number): Promise<void> {
  if ((await User.count({ where: { id: { [Op.in]: [...crewIds] }, firmId, endedAt: null }, transaction })) !== crewIds.length)
    throw doesNotHoldUp('crewIds', says('fault.visits.crew'), says('fault.visits.crew-allowed'))
}

/** The visit, held until the doing ends. @throws Fault `in-use` once it is handed over, `changed-meanwhile` for another revision. */
async function held(db: Doing, id: string, revision: number | undefined, firmId: number): Promise<Job> {
  const job = await holdOwn(db, Job, 'job', id, firmId)
  if (job.closed && !job.cancelledAt) throw new Fault('in-use', { sentence: says('fault.visits.handed-over') })
  if (revision !== undefined && job.revision !== revision)
    throw new Fault('changed-meanwhile', {
      sentence: says('fault.visits.moved'),
      lines: [{ where: 'revision', what: says('fault.visits.revision', { seen: revision, now: job.revision }), allowed: String(job.revision) }],
    })
  return job
}

export interface JobMove {
  readonly onDate: string
  readonly crewIds?: readonly number[]
  /** A time of which nothing is said stays. */
  readonly startMin?: number | null
  /** By whose clocks the day is judged; what comes from a calendar is taken as it is. */
  readonly judgedBy?: Zoned
  /** That was seen; without it whatever is there is moved. */
  readonly revision?: number
  /** The number that a calendar gave the change: the next one is higher. */
  readonly sequence?: number
}

/** What was cancelled is planned again. */
export async function moveJob(
  db: Doing,
  id: string,
  { onDate, crewIds, startMin, judgedBy, revision, sequence = 0 }: JobMove,
  firmId: number,
): Promise<Job> {
  const job = await held(db, id, revision, firmId)
  if (judgedBy) checkDay(onDate, judgedBy, job.onDate)
  if (crewIds) await checkCrew(db, crewIds, firmId)
  if (job.cancelledAt) {
    const units = await JobUnit.findAll({ where: { jobId: id }, attributes: ['unitId'], transaction: db.transaction })
    await checkInUse(
      db,
      job.siteId,
      units.map(({ unitId }) => unitId),
    )
  }
  const change = {
    onDate,
    ...(crewIds ? { crewIds: [...crewIds] } : {}),
    ...(startMin === undefined ? {} : { startMin }),
    revision: Math.max(job.revision + 1, sequence),
  }
  return job.update({ ...change, cancelledAt: null, closed: false, changedAt: new Date() }, { transaction: db.transaction })
}

/** @throws Fault `in-use` where work has begun: it is finished, or handed over as far as it went. */
export async function cancelJob(
  db: Doing,
  id: string,
  { revision, sequence = 0 }: Pick<JobMove, 'revision' | 'sequence'>,
  firmId: number,
): Promise<Job> {
  const { transaction } = db
  const job = await held(db, id, revision, firmId)
  if (job.cancelledAt) return job
  const begun = await JobUnit.count({ where: { jobId: id, done: { [Op.gt]: 0 } }, transaction })
  if (begun > 0) throw new Fault('in-use', { sentence: says('fault.visits.begun') })
  const now = new Date()
  return job.update({ revision: Math.max(job.revision + 1, sequence), cancelledAt: now, closed: true, changedAt: now }, { transaction })
}
