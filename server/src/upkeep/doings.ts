// When does each unit fall due? Reckoned when something was handed over, and kept as days, so that lists are read and not reckoned.
import { setImmediate as others } from 'node:timers/promises'
import { evidenceOf, learnRates, priorRateOf, ratesAtFirst, unitDues, type FirmRates } from '@yastik/core/upkeep'
import { Op } from 'sequelize'
import type { Db, Doing } from '../db/database.ts'
import { DueDay, Firm, JobUnit, Site, Unit } from '../db/models.ts'
import { dayOf } from '../days.ts'
import { dayAfter, pastOf } from './past.ts'
import { insertDues, newestVisits } from './queries.ts'

/** Visits that are read for at most so many units at once. */
const unitsAtOnce = 500
/** Units that are reckoned before others get their turn. */
const unitsInATurn = 50

/** Does something for each in turn, and lets others get theirs. */
async function inTurns<Item>(items: readonly Item[], each: (item: Item) => void): Promise<void> {
  for (const [at, item] of items.entries()) {
    if (at % unitsInATurn === unitsInATurn - 1) await others()
    each(item)
  }
}

const sitesOf = async ({ transaction }: Db, units: readonly Unit[]) =>
  new Map(
    (await Site.findAll({ where: { id: { [Op.in]: [...new Set(units.map(({ siteId }) => siteId))] } }, transaction })).map((site) => [site.id, site]),
  )

/** Writes the due days of these units anew, with the rates that the firm has learned so far. */
export async function renewDues(db: Doing, units: readonly Unit[], evidences?: ReadonlyMap<string, Float64Array>): Promise<void> {
  if (units.length === 0) return
  const { transaction } = db
  const unitIds = units.map(({ id }) => id)
  // Two at the same unit come one after the other, and always in the same order.
  await Unit.findAll({ where: { id: { [Op.in]: unitIds } }, attributes: ['id'], order: [['id', 'ASC']], lock: transaction.LOCK.UPDATE, transaction })
  const firmIds = [...new Set(units.map(({ firmId }) => firmId))]
  const firms = new Map((await Firm.findAll({ where: { id: { [Op.in]: firmIds } }, transaction })).map((firm) => [firm.id, firm]))
  const sites = await sitesOf(db, units)
  const visits = await newestVisits(db, unitIds)
  const rows: (string | number | null)[][] = []
  await inTurns(units, (unit) => {
    const site = sites.get(unit.siteId)
    const own = visits.get(unit.id)
    const firm = firms.get(unit.firmId)
    const lastMs = own?.at(-1)?.handedOverAt.getTime()
    if (!site || !own || !firm || lastMs === undefined || site.retiredAt || unit.retiredAt) return
    const dues = unitDues(pastOf(unit, site.form.site, own), firm.foulingRates ?? ratesAtFirst, evidences?.get(unit.id))
    const last = dayOf(lastMs, firm)
    const on = (weeks: number | undefined) => (weeks === undefined ? null : dayAfter(last, weeks))
    const deepOn = on(dues.find(({ what }) => what === 'deep-clean')?.weeks)
    for (const { what, weeks, low, high } of dues)
      rows.push([unit.id, unit.siteId, unit.firmId, unit.family, deepOn, what, on(weeks), on(low), on(high)])
  })
  await DueDay.destroy({ where: { unitId: { [Op.in]: unitIds } }, transaction })
  if (rows.length > 0) await insertDues(db, rows)
}

/** Learns the firm's rates from all its units and writes all due days anew, batch by batch; others get their turn meanwhile. */
export async function learnAndRenew(db: Db, { id: firmId }: Pick<Firm, 'id'>): Promise<FirmRates> {
  const units = await Unit.findAll({ where: { firmId }, order: [['id', 'ASC']], transaction: db.transaction })
  const evidences = new Map<string, Float64Array>()
  const batches = Array.from({ length: Math.ceil(units.length / unitsAtOnce) }, (_, at) => units.slice(at * unitsAtOnce, (at + 1) * unitsAtOnce))
  for (const batch of batches) {
    const sites = await sitesOf(db, batch)
    const visits = await newestVisits(
      db,
      batch.map(({ id }) => id),
    )
    await inTurns(batch, (unit) => {
      const own = visits.get(unit.id)
      const site = sites.get(unit.siteId)
      if (!own || !site) return
      const { visits: past, use } = pastOf(unit, site.form.site, own)
      if (past.length < 2) return
      evidences.set(unit.id, evidenceOf(past, priorRateOf(use)))
    })
  }
  const rates = learnRates([...evidences.values()])
  await db.change(({ transaction }) => Firm.update({ foulingRates: rates }, { where: { id: firmId }, transaction }))
  for (const batch of batches) await db.change((doing) => renewDues(doing, batch, evidences))
  return rates
}

/** Learns the rates of firms that have handed something over and have not learned any yet: later it is the owner's word. */
export async function learnWhereNew(db: Db): Promise<void> {
  for (const firm of await Firm.findAll({ where: { foulingRates: { [Op.is]: null } } }))
    if (await JobUnit.findOne({ where: { firmId: firm.id, stage: 'handed-over' } })) await learnAndRenew(db, firm)
}

/** The same now and every so often. @returns what ends it */
export function keepLearning(db: Db, everyMs: number, failed: (error: unknown) => void): () => void {
  const learn = () => void learnWhereNew(db).catch(failed)
  learn()
  const timer = setInterval(learn, everyMs)
  timer.unref()
  return () => clearInterval(timer)
}
