// How long do steps take here? Learned from the runs that are finished.
import { visitId } from '@yastik/core/procedure'
import { durationsOf, learnPaces, learnStepTimes, unitStateOf, type JobEvent, type StepDuration } from '@yastik/core/run'
import type { StepTimesRecord } from '@yastik/core/wire'
import { Op } from 'sequelize'
import type { Db } from '../db/database.ts'
import { JobUnit } from '../db/models.ts'
import { eventsOf } from '../events/queries.ts'
import { crewOf } from '../jobs/queries.ts'

/** Step times are learned from so many units that were handed over last: crews change, and so do their ways. */
const latestUnits = 300

export async function stepTimes(db: Db, firmId: number): Promise<StepTimesRecord> {
  const rows = await JobUnit.findAll({ where: { firmId, handedOverAt: { [Op.ne]: null } }, order: [['handedOverAt', 'DESC']], limit: latestUnits })
  const events = new Map<string, JobEvent[]>()
  const durations: StepDuration[] = []
  for (const { jobId, unitId } of rows) {
    const isNew = !events.has(jobId)
    const own = events.get(jobId) ?? (await eventsOf(db, jobId))
    events.set(jobId, own)
    // Of a visit with several units, what was done once for all counts once.
    for (const list of isNew ? [unitId, visitId] : [unitId]) durations.push(...durationsOf(unitStateOf(own, list)))
  }
  const paces = new Map(learnPaces(durations).map(({ by, ...pace }) => [by, pace]))
  const people = (await crewOf(db, firmId)).flatMap(({ id, name }) => {
    const pace = paces.get(id)
    return pace === undefined ? [] : [{ id, name, ...pace }]
  })
  return {
    units: rows.length,
    people,
    steps: learnStepTimes(durations).sort((a, b) => b.runs - a.runs || a.stepId.localeCompare(b.stepId)),
  }
}
