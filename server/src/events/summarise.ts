// What do lists show of a job? Kept up event by event: each unit's state is kept, later events are put on top of it, and the log is read only where
// one of them reaches back.
import { usualTreatmentWeeks } from '@yastik/core/method'
import { visitId, type Step } from '@yastik/core/procedure'
import { carry, carryOn, photosOfPlate, type Carried, type JobEvent, type UnitState } from '@yastik/core/run'
import { Op } from 'sequelize'
import type { Doing } from '../db/database.ts'
import { groupBy } from '../db/groupBy.ts'
import { Firm, Unit } from '../db/models.ts'
import { settleUse } from '../stock/doings.ts'
import { renewDues } from '../upkeep/doings.ts'
import {
  dropState,
  eventsOf,
  eventsOfUnits,
  growJob,
  heldJob,
  keepState,
  saveSummary,
  stepsAgreedIn,
  type HeldJob,
  type Kept,
  type UnitUnder,
} from './queries.ts'
import { summaryOf, type Summary } from './summary.ts'

interface Run {
  readonly state: UnitState
  readonly carried: Carried
}

/** What is still to be written with the job's own row. */
interface Summed {
  /** Whether the job is closed by it. */
  readonly closes: boolean
  /** State of one of its units: most batches are of one unit, of which there is one already. */
  readonly kept: Kept | undefined
}

/**
 * Brings what lists show of a job up to date with events that came to its log, and the due days with what was handed over.
 */
export async function summariseAfter(db: Doing, job: HeldJob, fresh: readonly JobEvent[]): Promise<Summed> {
  const byUnit = ofUnits(fresh)
  const runs = await runsAfter(db, job, byUnit)
  // What was used changes by a word of it, or where something is taken back.
  const mayBeUsed = fresh.some(({ happening }) => happening.type === 'product-used' || happening.type === 'undone')
  return summarise(db, job, runs, mayBeUsed)
}

/** Events by unit; what happens to the visit itself changes no unit's state. */
const ofUnits = (events: readonly JobEvent[]) =>
  groupBy(
    events.filter(({ happening }) => happening.unitId !== visitId),
    ({ happening }) => happening.unitId,
  )

/** The same from the whole log: of a job that was read in. */
export async function summariseJob(db: Doing, jobId: string, firmId: number): Promise<void> {
  const job = await heldJob(db, jobId, firmId, [])
  const byUnit = ofUnits(await eventsOf(db, jobId))
  const runs = new Map([...byUnit].map(([unitId, events]) => [unitId, carry(events)]))
  const { closes, kept } = await summarise(db, job, runs, true)
  await growJob(db, job, job.logLength, closes, kept)
}

/** States of units after some more events. */
async function runsAfter(db: Doing, { id: jobId, units }: HeldJob, byUnit: ReadonlyMap<string, readonly JobEvent[]>): Promise<Map<string, Run>> {
  const kept = new Map(units.flatMap(({ unitId, carried }) => (carried && byUnit.has(unitId) ? [[unitId, carried] as const] : [])))
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
  const toRead = [...byUnit.keys()].filter((unitId) => !runs.has(unitId))
  const logs = groupBy(await eventsOfUnits(db, jobId, toRead), ({ happening }) => happening.unitId)
  for (const unitId of toRead) runs.set(unitId, carry(logs.get(unitId) ?? []))
  return runs
}

async function summarise(db: Doing, job: HeldJob, runs: ReadonlyMap<string, Run>, mayBeUsed: boolean): Promise<Summed> {
  const { transaction } = db
  const isHandedOver = [...runs.values()].some(({ state }) => state.handedOver)
  const firm = isHandedOver ? await Firm.findByPk(job.firmId, { transaction }) : null
  const treatmentWeeks = firm?.products.find((product) => product.class === 'pan-treatment')?.label.lifeWeeks ?? usualTreatmentWeeks.value
  const stages: string[] = []
  let kept: Kept | undefined
  for (const unit of job.units) {
    const { unitId, summary: before } = unit
    const run = runs.get(unitId)
    const summary = run ? summaryOf(run.state, unit, treatmentWeeks) : before
    stages.push(summary.stage)
    if (!run) continue
    // What is handed over is rarely spoken of again: then the log is read.
    const state = { unitId, carried: run.carried }
    if (run.state.handedOver) await dropState(db, job.id, unitId)
    else if (unit.carried && !kept) kept = state
    else await keepState(db, job.id, state)
    if (differs(before, summary)) await saveSummary(db, job.id, unitId, summary)
    await noteAtUnit(db, job, unit, run.state, summary)
    if (before.handedOverAt?.getTime() !== summary.handedOverAt?.getTime())
      await renewDues(db, await Unit.findAll({ where: { id: unitId }, transaction }))
  }
  if (mayBeUsed) await settleUse(db, job, new Map([...runs].map(([unitId, { state }]) => [unitId, state])))
  // What was cancelled stays so, whatever a phone without a signal still sends.
  return { closes: job.cancelledAt ? job.closed : stages.every((stage) => stage === 'handed-over'), kept }
}

const plain = (value: unknown) => JSON.stringify(value ?? null)
const differs = (before: Summary, summary: Summary): boolean =>
  (Object.keys(summary) as (keyof Summary)[]).some((name) => plain(before[name]) !== plain(summary[name]))

/** What the unit itself shows of it: when it was cleaned last, and its nameplate. */
async function noteAtUnit({ transaction }: Doing, job: HeldJob, unit: UnitUnder, state: UnitState, { handedOverAt, scope }: Summary): Promise<void> {
  const where = { id: unit.unitId }
  if (handedOverAt && scope !== 'decline')
    await Unit.update(
      { lastCleanedAt: handedOverAt },
      { where: { ...where, lastCleanedAt: { [Op.or]: [null, { [Op.lt]: handedOverAt }] } }, transaction },
    )
  // The last that was taken; where it was taken on this visit and is undone, there is none any more.
  const plate = photosOfPlate(state.photos).at(-1)
  if (plate && plate.photoId !== unit.platePhotoId)
    await Unit.update({ platePhotoId: plate.photoId, platePhotoJobId: job.id }, { where, transaction })
  else if (!plate && unit.platePhotoJobId === job.id) await Unit.update({ platePhotoId: null, platePhotoJobId: null }, { where, transaction })
}
