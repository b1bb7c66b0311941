// Instruments at a unit: a stream of readings for as long as somebody holds them there, and photographs by a camera that is connected.
import { says } from '@yastik/core/words'
import { Fault } from '@yastik/core/faults'
import { surfaceOf } from '@yastik/core/proof'
import { visitId } from '@yastik/core/procedure'
import { emptyUnitState, stateOf } from '@yastik/core/run'
import { partSchema } from '@yastik/core/units'
import { endpoints } from '@yastik/core/wire'
import type { FastifyInstance } from 'fastify'
import type { Db } from '../db/database.ts'
import { findOwn } from '../db/find.ts'
import { Job, JobUnit } from '../db/models.ts'
import { eventsOf, logLength } from '../events/queries.ts'
import { serverOf } from '../http/serve.ts'
import { openStream } from '../http/streams.ts'
import type { AtUnit, InstrumentSource } from './source.ts'

const everyMs = 500
/** Steps that are done meanwhile change what is read. */
const lookEveryMs = 2000

export const instrumentRoutes =
  (house: Db, source: InstrumentSource | undefined) =>
  async (app: FastifyInstance): Promise<void> => {
    const { serves } = serverOf(app, house)

    /** @throws Fault `not-there`: no such job or unit, or no instruments. */
    async function unitAt(db: Db, jobId: string, unitId: string, firmId: number) {
      await findOwn(db, Job, 'job', jobId, firmId)
      const at = await JobUnit.findOne({ where: { jobId, unitId }, include: ['unit', { association: 'job', include: ['site'] }] })
      const [unit, site] = [at?.unit, at?.job?.site]
      if (!unit || !site || !source)
        throw new Fault('not-there', {
          lines: [{ where: 'instruments', what: says('fault.instruments.none'), allowed: says('fault.instruments.none-allowed') }],
        })
      const look = async (): Promise<AtUnit> => {
        const { [unitId]: state = emptyUnitState(), [visitId]: visit } = stateOf(await eventsOf(db, jobId))
        return { unitId, form: unit, site: site.form.site, state, ...(visit ? { visit } : {}) }
      }
      return { source, look }
    }

    serves(endpoints.camera, async ({ db, params, query: { part }, user, reply }) => {
      const { source, look } = await unitAt(db, params.id, params.unitId, user.firmId)
      const picture = await source.photograph(await look(), part, Date.now())
      if (!picture)
        throw new Fault('not-there', {
          lines: [{ where: 'part', what: says('fault.instruments.part', { part }), allowed: [...partSchema.values].filter(surfaceOf).join(', ') }],
        })
      return reply.header('content-type', 'image/jpeg').send(picture)
    })

    serves(endpoints.instruments, async ({ db, params, user, request, reply }) => {
      const { source, look } = await unitAt(db, params.id, params.unitId, user.firmId)
      let known = await logLength(db, params.id)
      let at = await look()
      const sinceMs = Date.now()
      let lookedMs = sinceMs
      openStream(request, reply, {
        everyMs,
        next: async () => {
          const nowMs = Date.now()
          if (nowMs - lookedMs >= lookEveryMs) {
            const newest = await logLength(db, params.id)
            if (newest !== known) at = await look()
            known = newest
            lookedMs = nowMs
          }
          return `data: ${JSON.stringify({ readings: source.read(at, sinceMs, nowMs) })}\n\n`
        },
      })
      return reply
    })
  }
