// All that is kept of the customer of a site.
import { visitId } from '@yastik/core/procedure'
import { unitStateOf } from '@yastik/core/run'
import { keepsAll, type CustomerData, type Retention } from '@yastik/core/wire'
import type { Db } from '../db/database.ts'
import { findOwn } from '../db/find.ts'
import { Job, Photo, Quote, Site, type Firm } from '../db/models.ts'
import { eventsOf } from '../events/queries.ts'
import { messagesOfSite } from '../messages/queries.ts'
import { unitForm } from '../sites/records.ts'

export const retentionOf = ({ retention }: Firm): Retention => retention ?? keepsAll

/** Jobs of a site with their units, oldest first. */
export const jobsOfSite = ({ transaction }: Db, siteId: string): Promise<Job[]> =>
  Job.findAll({
    where: { siteId },
    include: [{ association: 'jobUnits', include: ['unit'] }],
    order: [
      ['onDate', 'ASC'],
      ['jobUnits', 'position', 'ASC'],
    ],
    transaction,
  })

/** @throws Fault `not-there` */
export async function customerData(db: Db, siteId: string, firmId: number): Promise<CustomerData> {
  const { transaction } = db
  const site = await findOwn(db, Site, 'site', siteId, firmId, ['units'])
  const jobs = await jobsOfSite(db, siteId)
  const jobIds = jobs.map(({ id }) => id)
  const visits: CustomerData['visits'] = []
  for (const { id, onDate, jobUnits = [] } of jobs) {
    const events = await eventsOf(db, id)
    const notesOf = (list: string) =>
      events.flatMap(({ happening }) => (happening.unitId === list && happening.type === 'note' ? happening.text : []))
    visits.push({
      onDate,
      notes: notesOf(visitId),
      units: jobUnits.map(({ unitId, unit }) => {
        const state = unitStateOf(events, unitId)
        const own = events.map(({ happening }) => happening).filter((happening) => happening.unitId === unitId)
        return {
          name: unit?.name ?? '',
          told: state.handedOver?.customerText ?? null,
          signedBy: own.flatMap((happening) => (happening.type === 'signed' ? happening.name : [])).at(-1) ?? null,
          notes: notesOf(unitId),
        }
      }),
    })
  }
  const photos = await Photo.findAll({ where: { jobId: jobIds }, order: [['id', 'ASC']], transaction })
  const quotes = await Quote.findAll({ where: { siteId }, order: [['madeOn', 'ASC']], transaction })
  return {
    format: 'yastik.customer/1',
    madeAt: new Date().toISOString(),
    site: site.form,
    units: (site.units ?? []).map(unitForm),
    visits,
    quotes: quotes.map(({ madeOn, state, total }) => ({ madeOn, state, total })),
    messages: await messagesOfSite(db, siteId),
    photographs: photos.map(({ id, unitId, width, height, bytes }) => ({ id, unitId, width, height, bytes })),
  }
}
