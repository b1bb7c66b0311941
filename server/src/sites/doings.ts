// Sites and units are put down, saved and retired. Two people saving the same one: the second is told, nothing is overwritten.
import { ofStored } from '@yastik/core/wire'
import { says } from '@yastik/core/words'
import { doesNotHoldUp, Fault } from '@yastik/core/faults'
import type { SiteForm, UnitForm } from '@yastik/core/wire'
import { Op } from 'sequelize'
import { v7 as newId } from 'uuid'
import { note, type Actor } from '../audit/doings.ts'
import type { Doing } from '../db/database.ts'
import { findOwn, holdOwn } from '../db/find.ts'
import { Job, Site, Unit, type Firm, type User } from '../db/models.ts'
import { dayOf } from '../days.ts'
import { renewDues } from '../upkeep/doings.ts'
import { unitValues } from './records.ts'

/** @throws Fault `does-not-hold-up` where a customer is said to have agreed on a day that has not come. */
function checkConsent({ reminders }: SiteForm, firm: Firm): void {
  const today = dayOf(Date.now(), firm)
  if (reminders && reminders.agreedOn > today)
    throw doesNotHoldUp(
      'reminders.agreedOn',
      says('fault.sites.not-yet', { day: { day: reminders.agreedOn } }),
      says('fault.day-or-before', { day: { day: today } }),
    )
}

/** Only over the version that the person has seen. @throws Fault `changed-meanwhile` naming who was faster. */
export function checkVersion(row: Site | Unit, seen: number): void {
  if (row.version === seen) return
  throw new Fault('changed-meanwhile', {
    sentence: says('fault.sites.saved-by', { by: ofStored(row.savedBy) }),
    lines: [{ where: 'version', what: says('fault.call.version', { seen, now: row.version }), allowed: String(row.version) }],
  })
}

export async function makeSite({ transaction }: Doing, form: SiteForm, { firmId, name: savedBy }: User, firm: Firm): Promise<string> {
  checkConsent(form, firm)
  const { id } = await Site.create({ id: newId(), firmId, name: form.site.name, form, savedBy }, { transaction })
  return id
}

/** Saves a site, and reckons the due days of its units anew: other surroundings, other days. */
export async function saveSite(db: Doing, id: string, { version, ...form }: SiteForm & { version: number }, user: User, firm: Firm): Promise<void> {
  checkConsent(form, firm)
  const { transaction } = db
  const site = await holdOwn(db, Site, 'site', id, user.firmId)
  checkVersion(site, version)
  await site.update({ name: form.site.name, form, version: version + 1, savedBy: user.name }, { transaction })
  await renewDues(db, await Unit.findAll({ where: { siteId: id }, transaction }))
}

/** @throws Fault `not-there` without the site */
export async function makeUnits(db: Doing, siteId: string, forms: readonly UnitForm[], { firmId, name: savedBy }: User): Promise<Unit[]> {
  await findOwn(db, Site, 'site', siteId, firmId)
  return Unit.bulkCreate(
    forms.map((form) => ({ id: newId(), firmId, siteId, ...unitValues(form), savedBy })),
    { transaction: db.transaction },
  )
}

/** Saves a unit, and reckons its due days anew. */
export async function saveUnit(db: Doing, id: string, { version, ...form }: UnitForm & { version: number }, user: User): Promise<Unit> {
  const unit = await holdOwn(db, Unit, 'unit', id, user.firmId)
  checkVersion(unit, version)
  await unit.update({ ...unitValues(form), version: version + 1, savedBy: user.name }, { transaction: db.transaction })
  await renewDues(db, [unit])
  return unit
}

/** Nobody is going to one of these. @throws Fault `in-use`, naming the day on which somebody is. */
async function checkUnplanned({ transaction }: Doing, siteId: string, unitIds?: readonly string[]): Promise<void> {
  const job = await Job.findOne({
    where: { siteId, closed: false },
    include: [{ association: 'jobUnits', required: true, where: { handedOverAt: null, ...(unitIds ? { unitId: { [Op.in]: [...unitIds] } } : {}) } }],
    order: [['onDate', 'ASC']],
    transaction,
  })
  if (job) throw new Fault('in-use', { sentence: says('fault.sites.visit-planned', { day: { day: job.onDate } }) })
}

/**
 * Retires a site with all its units, or takes it into use again: nobody is sent there, and nothing is due; its past stays. Saying the same
 * twice does nothing. @throws Fault `in-use` while somebody is going there
 */
export async function retireSite(db: Doing, id: string, retired: boolean, actor: Actor): Promise<void> {
  const { transaction } = db
  const site = await holdOwn(db, Site, 'site', id, actor.user.firmId)
  if ((site.retiredAt !== null) === retired) return
  if (retired) await checkUnplanned(db, id)
  await site.update({ retiredAt: retired ? new Date() : null }, { transaction })
  await renewDues(db, await Unit.findAll({ where: { siteId: id }, transaction }))
  await note(db, actor, { what: retired ? 'retired' : 'in-use-again', about: `site ${id}` })
}

/** The same for one unit. @throws Fault `in-use` while somebody is going to it */
export async function retireUnit(db: Doing, id: string, retired: boolean, actor: Actor): Promise<Unit> {
  const { transaction } = db
  const unit = await holdOwn(db, Unit, 'unit', id, actor.user.firmId)
  if ((unit.retiredAt !== null) === retired) return unit
  if (retired) await checkUnplanned(db, unit.siteId, [id])
  await unit.update({ retiredAt: retired ? new Date() : null }, { transaction })
  await renewDues(db, [unit])
  await note(db, actor, { what: retired ? 'retired' : 'in-use-again', about: `unit ${id}` })
  return unit
}
