// What do lists show of a job? Kept up event by event: each unit's state is kept, later events are put on top of it, and the log is read only where
// one of them reaches back.
import { Fault } from '@yastik/core/faults'
import { usualTreatmentWeeks } from '@yastik/core/method'
import type { Step } from '@yastik/core/procedure'
import { carry, carryOn, photosOfPlate, type Carried, type JobEvent, type UnitState } from '@yastik/core/run'
import { Op } from 'sequelize'
import { parsed, type Doing } from '../db/database.ts'
import { groupBy } from '../db/groupBy.ts'
import { Firm, JobUnit, Site, Unit, UnitRun, type Job } from '../db/models.ts'
import { settleUse } from '../stock/doings.ts'
import { renewDues } from '../upkeep/doings.ts'
import { eventsOf, eventsOfUnits, stepsAgreedIn } from './queries.ts'
import { summaryOf, type Summary } from './summary.ts'

interface Run {
  readonly state: UnitState
  readonly carried: Carried
}

/** Brings what lists show of a job up to date with events that came to its log, and the due days with what was handed over. */
export async function summariseAfter(db: Doing, job: Job, fresh: readonly JobEvent[]): Promise<void> {
  const byUnit = groupBy(fresh, ({ happening }) => happening.unitId)
  const runs = await runsAfter(db, job.id, byUnit)
  // What was used changes by a word of it, or where something is taken back.
  const mayBeUsed = fresh.some(({ happening }) => happening.type === 'product-used' || happening.type === 'undone')
  await summarise(db, job, runs, mayBeUsed)
}

/** The same from the whole log: of a job that was read in. */
export async function summariseJob(db: Doing, job: Job): Promise<void> {
  const byUnit = groupBy(await eventsOf(db, job.id), ({ happening }) => happening.unitId)
  await summarise(db, job, new Map([...byUnit].map(([unitId, events]) => [unitId, carry(events)])), true)
}

/** States of units after some more events. */
async function runsAfter(db: Doing, jobId: string, byUnit: ReadonlyMap<string, readonly JobEvent[]>): Promise<Map<string, Run>> {
  const unitIds = [...byUnit.keys()]
  const stored = await UnitRun.findAll({ where: { jobId, unitId: { [Op.in]: unitIds } }, transaction: db.transaction })
  const kept = new Map(stored.map(({ unitId, carried }) => [unitId, parsed<Carried>(carried)]))
  const steps = await stepsAgreedIn(
    db,
    [...kept.values()].flatMap(({ agreedIn }) => agreedIn ?? []),
  )
  const stepsOf = ({ agreedIn }: Carried): readonly Step[] | undefined => (agreedIn === undefined ? undefined : steps.get(agreedIn))
  const runs = new Map<string, Run>()
  for (const [unitId, fresh] of byUnit) {
    const own = kept.get(unitId)
    const run = own && carryOn(own, stepsOf(own), fresh)
    if (run) runs.set(unitId, run)
  }
  const toRead = unitIds.filter((unitId) => !runs.has(unitId))
  const logs = groupBy(await eventsOfUnits(db, jobId, toRead), ({ happening }) => happening.unitId)
  for (const unitId of toRead) runs.set(unitId, carry(logs.get(unitId) ?? []))
  return runs
}

async function summarise(db: Doing, job: Job, runs: ReadonlyMap<string, Run>, mayBeUsed: boolean): Promise<void> {
  const { transaction } = db
  const units = await JobUnit.findAll({ where: { jobId: job.id }, include: ['unit'], transaction })
  const site = await Site.findByPk(job.siteId, { transaction })
  if (!site) throw new Fault('not-there')
  const isHandedOver = [...runs.values()].some(({ state }) => state.handedOver)
  const firm = isHandedOver ? await Firm.findByPk(job.firmId, { transaction }) : null
  const treatmentWeeks = firm?.products.find((product) => product.class === 'pan-treatment')?.label.lifeWeeks ?? usualTreatmentWeeks.value
  const stages: string[] = []
  for (const jobUnit of units) {
    const run = runs.get(jobUnit.unitId)
    const { unit, unitId } = jobUnit
    if (!unit) throw new Fault('not-there')
    if (!run) {
      stages.push(jobUnit.stage)
      continue
    }
    const summary = summaryOf(run.state, unit, site, treatmentWeeks)
    stages.push(summary.stage)
    await keepRun(db, job.id, unitId, run)
    if (differs(jobUnit, summary)) await JobUnit.update(summary, { where: { jobId: job.id, unitId }, transaction })
    await noteAtUnit(db, job, unit, run.state, summary)
    const wasHandedOver = jobUnit.handedOverAt?.getTime() ?? null
    if (wasHandedOver !== (summary.handedOverAt?.getTime() ?? null)) await renewDues(db, [unit])
  }
  if (mayBeUsed) await settleUse(db, job, new Map([...runs].map(([unitId, { state }]) => [unitId, state])))
  // What was cancelled stays so, whatever a phone without a signal still sends.
  const closed = stages.every((stage) => stage === 'handed-over')
  if (!job.cancelledAt && job.closed !== closed) await job.update({ closed, changedAt: new Date() }, { transaction })
}

/** What is handed over is rarely spoken of again: then the log is read. */
async function keepRun({ transaction }: Doing, jobId: string, unitId: string, { state, carried }: Run): Promise<void> {
  if (state.handedOver) await UnitRun.destroy({ where: { jobId, unitId }, transaction })
  else await UnitRun.upsert({ jobId, unitId, carried: JSON.stringify(carried) }, { transaction })
}

const plain = (value: unknown) => JSON.stringify(value ?? null)
const differs = (row: JobUnit, summary: Summary): boolean =>
  (Object.keys(summary) as (keyof Summary)[]).some((name) => plain(row[name]) !== plain(summary[name]))

/** What the unit itself shows of it: when it was cleaned last, and its nameplate. */
async function noteAtUnit({ transaction }: Doing, job: Job, unit: Unit, state: UnitState, { handedOverAt, scope }: Summary): Promise<void> {
  if (handedOverAt && scope !== 'decline')
    await Unit.update(
      { lastCleanedAt: handedOverAt },
      { where: { id: unit.id, lastCleanedAt: { [Op.or]: [null, { [Op.lt]: handedOverAt }] } }, transaction },
    )
  // The last that was taken; where it was taken on this visit and is undone, there is none any more.
  const plate = photosOfPlate(state.photos).at(-1)
  if (plate && plate.photoId !== unit.platePhotoId) await unit.update({ platePhotoId: plate.photoId, platePhotoJobId: job.id }, { transaction })
  else if (!plate && unit.platePhotoJobId === job.id) await unit.update({ platePhotoId: null, platePhotoJobId: null }, { transaction })
}
