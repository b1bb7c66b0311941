// Instruments at a unit: a stream of readings for as long as somebody holds them there.
import { Fault, unitStateOf, type InstrumentReading } from '@yastik/core'
import type { FastifyInstance } from 'fastify'
import { Job, JobUnit, Site, StoredEvent, Unit } from '../db/models.ts'
import { eventsOf } from '../jobs/events.ts'
import { findOwn } from '../sites/routes.ts'
import { openStream } from '../streams.ts'
import type { AtUnit, InstrumentSource } from './source.ts'

const everyMs = 500
/** Steps that are done meanwhile change what is read. */
const lookEveryMs = 2000

export function instrumentRoutes(source: InstrumentSource | undefined) {
  return async (app: FastifyInstance): Promise<void> => {
    app.get<{ Params: { id: string; unitId: string } }>('/api/jobs/:id/units/:unitId/instruments', async (request, reply) => {
      const { params, user } = request
      const job = await findOwn(Job, 'job', params.id, user.firmId)
      const jobUnit = await JobUnit.findOne({ where: { jobId: job.id, unitId: params.unitId } })
      if (!jobUnit || !source)
        throw new Fault('not-there', { lines: [{ where: 'instruments', what: 'none are connected here', allowed: 'readings by hand' }] })
      const unit = await findOwn(Unit, 'unit', params.unitId, user.firmId)
      const site = await findOwn(Site, 'site', job.siteId, user.firmId)
      let known = -1
      let at: AtUnit | undefined
      const look = async (): Promise<AtUnit> => {
        const newest = Number((await StoredEvent.max('seq', { where: { jobId: job.id } })) ?? 0)
        if (at && newest === known) return at
        known = newest
        at = { unitId: unit.id, form: unit, site: site.form.site, state: unitStateOf(await eventsOf(job.id), unit.id) }
        return at
      }
      const sinceMs = Date.now()
      let lookedMs = 0
      await look()
      openStream(request, reply, {
        everyMs,
        next: async () => {
          const nowMs = Date.now()
          if (nowMs - lookedMs >= lookEveryMs) {
            await look()
            lookedMs = nowMs
          }
          const readings: InstrumentReading[] = at ? source.read(at, sinceMs, nowMs) : []
          return `data: ${JSON.stringify({ readings })}\n\n`
        },
      })
      return reply
    })
  }
}
