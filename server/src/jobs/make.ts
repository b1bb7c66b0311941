// A new visit: units of one site, on a day, with people of the firm.
import { Fault, type JobForm } from '@yastik/core'
import { Op, type Transaction } from 'sequelize'
import { v7 as newId } from 'uuid'
import { Job, JobUnit, Unit, User, Site } from '../db/models.ts'
import { findOwn } from '../sites/routes.ts'

/** @throws Fault `not-there` without the site, `does-not-hold-up` where units or people are not the firm's own, once each. */
export async function makeJob({ siteId, unitIds, onDate, crewIds }: JobForm, firmId: number, transaction: Transaction): Promise<Job> {
  await findOwn(Site, 'site', siteId, firmId)
  const units = await Unit.count({ where: { id: { [Op.in]: unitIds }, siteId }, transaction })
  if (units !== new Set(unitIds).size || units !== unitIds.length)
    throw new Fault('does-not-hold-up', {
      lines: [{ where: 'unitIds', what: 'not all of these are units of this site, once each', allowed: 'ids of units of the site' }],
    })
  await checkCrew(crewIds, firmId, transaction)
  const job = await Job.create({ id: newId(), firmId, siteId, onDate, crewIds }, { transaction })
  await JobUnit.bulkCreate(
    unitIds.map((unitId, position) => ({ jobId: job.id, unitId, firmId, position })),
    { transaction },
  )
  return job
}

/** @throws Fault `does-not-hold-up` where not all are people of the firm, once each. */
export async function checkCrew(crewIds: readonly number[], firmId: number, transaction?: Transaction): Promise<void> {
  if ((await User.count({ where: { id: { [Op.in]: [...crewIds] }, firmId }, transaction })) !== crewIds.length)
    throw new Fault('does-not-hold-up', {
      lines: [{ where: 'crewIds', what: 'not all of these are people of your firm, once each', allowed: 'ids of people of your firm' }],
    })
}
