// House rules: everybody reads them, the owner sets them.
import {
  Fault,
  durationsOf,
  houseRulesRecordSchema,
  learnStepTimes,
  readBy,
  unitStateOf,
  type HouseRulesRecord,
  type JobEvent,
  type StepDuration,
  type StepTimesRecord,
} from '@yastik/core'
import type { FastifyInstance } from 'fastify'
import { Op } from 'sequelize'
import { owner, people } from '../auth/audience.ts'
import { Firm, JobUnit } from '../db/models.ts'
import { eventsOf } from '../jobs/events.ts'

/** Step times are learned from so many units that were handed over last: crews change, and so do their ways. */
const latestUnits = 300

export async function houseRulesRoutes(app: FastifyInstance): Promise<void> {
  app.get('/api/house-rules', people, async ({ firm }): Promise<HouseRulesRecord> => ({ rules: firm.houseRules, version: firm.houseRulesVersion }))

  app.get('/api/step-times', owner, async ({ firm }): Promise<StepTimesRecord> => {
    const rows = await JobUnit.findAll({
      where: { firmId: firm.id, handedOverAt: { [Op.ne]: null } },
      order: [['handedOverAt', 'DESC']],
      limit: latestUnits,
    })
    const events = new Map<string, JobEvent[]>()
    const durations: StepDuration[] = []
    for (const { jobId, unitId } of rows) {
      const own = events.get(jobId) ?? (await eventsOf(jobId))
      events.set(jobId, own)
      durations.push(...durationsOf(unitStateOf(own, unitId)))
    }
    return { units: rows.length, steps: learnStepTimes(durations).sort((a, b) => b.runs - a.runs || a.stepId.localeCompare(b.stepId)) }
  })

  app.put('/api/house-rules', owner, async ({ body, firm }): Promise<HouseRulesRecord> => {
    const { rules, version } = readBy(houseRulesRecordSchema, body)
    const [changed] = await Firm.update({ houseRules: rules, houseRulesVersion: version + 1 }, { where: { id: firm.id, houseRulesVersion: version } })
    if (changed !== 1) throw new Fault('changed-meanwhile')
    return { rules, version: version + 1 }
  })
}
