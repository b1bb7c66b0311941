// A visit is put on another day, given to others, cancelled, or planned again.
import { Fault } from '@yastik/core'
import type { Transaction } from 'sequelize'
import { Job, JobUnit } from '../db/models.ts'
import { checkCrew } from './make.ts'

/** The visit, held until the transaction ends. @throws Fault `in-use` once it is handed over, `changed-meanwhile` for another revision. */
async function held(id: string, revision: number | undefined, transaction: Transaction): Promise<Job> {
  const job = (await Job.findByPk(id, { transaction, lock: transaction.LOCK.UPDATE }))!
  if (job.closed && !job.cancelledAt) throw new Fault('in-use', { sentence: 'This visit is handed over: its day stands.' })
  if (revision !== undefined && job.revision !== revision)
    throw new Fault('changed-meanwhile', {
      sentence: 'Somebody moved or cancelled this visit in the meantime. Look at it again.',
      lines: [{ where: 'revision', what: `you saw ${revision}, and it is ${job.revision} now`, allowed: String(job.revision) }],
    })
  return job
}

export interface JobMove {
  readonly onDate: string
  readonly crewIds?: readonly number[]
  /** That was seen; without it whatever is there is moved. */
  readonly revision?: number
  /** The number that a calendar gave the change: the next one is higher. */
  readonly sequence?: number
}

/** What was cancelled is planned again. */
export async function moveJob(
  id: string,
  { onDate, crewIds, revision, sequence = 0 }: JobMove,
  firmId: number,
  transaction: Transaction,
): Promise<Job> {
  const job = await held(id, revision, transaction)
  if (crewIds) await checkCrew(crewIds, firmId, transaction)
  return job.update(
    { onDate, ...(crewIds ? { crewIds: [...crewIds] } : {}), revision: Math.max(job.revision + 1, sequence), cancelledAt: null, closed: false },
    { transaction },
  )
}

/** @throws Fault `in-use` where work has begun: it is finished, or handed over as far as it went. */
export async function cancelJob(
  id: string,
  { revision, sequence = 0 }: Pick<JobMove, 'revision' | 'sequence'>,
  transaction: Transaction,
): Promise<Job> {
  const job = await held(id, revision, transaction)
  if (job.cancelledAt) return job
  const begun = (await JobUnit.findAll({ where: { jobId: id }, transaction })).some(({ done }) => (done ?? 0) > 0)
  if (begun) throw new Fault('in-use', { sentence: 'Work has begun on this visit: finish it, or hand over what was done.' })
  return job.update({ revision: Math.max(job.revision + 1, sequence), cancelledAt: new Date(), closed: true }, { transaction })
}
