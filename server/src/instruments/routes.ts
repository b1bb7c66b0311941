// Instruments at a unit: a stream of readings for as long as somebody holds them there.
import { Fault, partSchema, surfaceOf, unitStateOf, type InstrumentReading } from '@yastik/core'
import type { FastifyInstance } from 'fastify'
import { people } from '../auth/audience.ts'
import { Job, JobUnit, Site, StoredEvent, Unit } from '../db/models.ts'
import { eventsOf } from '../jobs/events.ts'
import { findOwn } from '../sites/routes.ts'
import { openStream } from '../streams.ts'
import type { AtUnit, InstrumentSource } from './source.ts'

const everyMs = 500
/** Steps that are done meanwhile change what is read. */
const lookEveryMs = 2000

interface Address {
  Params: { id: string; unitId: string }
}

export function instrumentRoutes(source: InstrumentSource | undefined) {
  return async (app: FastifyInstance): Promise<void> => {
    /** @throws Fault `not-there`: no such job or unit, or no instruments. */
    async function unitAt(jobId: string, unitId: string, firmId: number) {
      const job = await findOwn(Job, 'job', jobId, firmId)
      const jobUnit = await JobUnit.findOne({ where: { jobId: job.id, unitId } })
      if (!jobUnit || !source)
        throw new Fault('not-there', { lines: [{ where: 'instruments', what: 'none are connected here', allowed: 'readings by hand' }] })
      const unit = await findOwn(Unit, 'unit', unitId, firmId)
      const site = await findOwn(Site, 'site', job.siteId, firmId)
      const look = async (): Promise<AtUnit> => ({
        unitId: unit.id,
        form: unit,
        site: site.form.site,
        state: unitStateOf(await eventsOf(job.id), unit.id),
      })
      return { job, source, look }
    }

    app.get<Address & { Querystring: { part?: string } }>('/api/jobs/:id/units/:unitId/instruments/camera', people, async (request, reply) => {
      const { params, query, user } = request
      const { source, look } = await unitAt(params.id, params.unitId, user.firmId)
      const part = partSchema.safeParse(query.part)
      const picture = part.success ? await source.photograph(await look(), part.data, Date.now()) : undefined
      if (!picture)
        throw new Fault('not-there', {
          lines: [
            { where: 'part', what: `the camera does not reach “${query.part ?? ''}”`, allowed: [...partSchema.values].filter(surfaceOf).join(', ') },
          ],
        })
      return reply.header('content-type', 'image/jpeg').header('cache-control', 'no-store').send(picture)
    })

    app.get<Address>('/api/jobs/:id/units/:unitId/instruments', people, async (request, reply) => {
      const { params, user } = request
      const { job, source, look: lookNow } = await unitAt(params.id, params.unitId, user.firmId)
      let known = -1
      let at: AtUnit | undefined
      const look = async (): Promise<AtUnit> => {
        const newest = Number((await StoredEvent.max('seq', { where: { jobId: job.id } })) ?? 0)
        if (at && newest === known) return at
        known = newest
        at = await lookNow()
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
