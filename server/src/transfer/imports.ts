// What came in at once is taken back; what something happened to since stays, and says why.
import { says, type Message } from '@yastik/core/words'
import { Fault } from '@yastik/core/faults'
import type { ImportRecord, TakenBack } from '@yastik/core/wire'
import { note, type Actor } from '../audit/doings.ts'
import type { Db, Doing } from '../db/database.ts'
import { holdOwn } from '../db/find.ts'
import { Import, Job, JobUnit, Photo, Site, Unit } from '../db/models.ts'
import type { VisitBefore } from '../db/trustModels.ts'
import { sitesOfImport } from './queries.ts'

/** Older ones nobody takes back. */
const newest = 10
/** So many of what stays are named; the rest is a count. */
const mostNamed = 50
type Kept = TakenBack['kept'][number]

export async function importsOf(db: Db, firmId: number): Promise<ImportRecord[]> {
  const rows = await Import.findAll({
    where: { firmId },
    attributes: { exclude: ['beforeIt'] },
    order: [
      ['madeAt', 'DESC'],
      ['id', 'DESC'],
    ],
    limit: newest,
    transaction: db.transaction,
  })
  return rows.map(({ id, kind, madeAt, madeBy, counts, takenBackAt }) => ({
    id,
    kind,
    madeAt: madeAt.toISOString(),
    madeBy,
    counts,
    takenBackAt: takenBackAt?.toISOString() ?? null,
  }))
}

/** @throws Fault `not-there`, or `in-use` where it was taken back before */
export async function takeBack(db: Doing, id: string, actor: Actor): Promise<TakenBack> {
  const own = await holdOwn(db, Import, 'import', id, actor.user.firmId)
  if (own.takenBackAt) throw new Fault('in-use', { sentence: says('fault.import.taken-back') })
  const { takenBack, kept } = own.kind === 'sites' ? await takeBackSites(db, id) : await takeBackVisits(db, own.beforeIt ?? [], own.firmId)
  await own.update({ takenBackAt: new Date() }, { transaction: db.transaction })
  await note(db, actor, { what: 'taken-back', about: own.kind, after: { takenBack, kept: kept.length } })
  return { takenBack, kept: kept.slice(0, mostNamed), keptInAll: kept.length }
}

/** Sites go with their units, where neither a person nor a visit has touched them. */
async function takeBackSites(db: Doing, importId: string): Promise<{ takenBack: number; kept: Kept[] }> {
  const { transaction } = db
  const rows = await sitesOfImport(db, importId)
  const gone = rows.filter(({ because }) => because === null).map(({ id }) => id)
  await Unit.destroy({ where: { siteId: gone }, transaction })
  await Site.destroy({ where: { id: gone }, transaction })
  return {
    takenBack: gone.length,
    kept: rows.flatMap(({ what, because }) => (because === null ? [] : [{ what, because: says(`fault.import.${because}`) }])),
  }
}

/** Visits are as they were before: those that it planned go. */
async function takeBackVisits(db: Doing, before: readonly VisitBefore[], firmId: number): Promise<{ takenBack: number; kept: Kept[] }> {
  const { transaction } = db
  const kept: Kept[] = []
  for (const { jobId, revision, was } of before) {
    const job = await Job.findOne({ where: { id: jobId, firmId }, include: ['site'], transaction })
    // One that is gone needs no taking back.
    if (!job) continue
    const keep = (because: Message) =>
      kept.push({ what: says('fault.import.visit', { site: job.site?.name ?? '', day: { day: job.onDate } }), because })
    if (job.revision !== revision) keep(says('fault.import.moved'))
    else if (job.closed && !job.cancelledAt) keep(says('fault.import.handed-over'))
    else if (was) {
      const { isCancelled, ...when } = was
      await job.update({ ...when, closed: isCancelled, cancelledAt: isCancelled ? new Date() : null, revision: revision + 1 }, { transaction })
    } else if (job.logLength > 0 || (await Photo.count({ where: { jobId }, transaction })) > 0) keep(says('fault.import.begun'))
    else {
      await JobUnit.destroy({ where: { jobId }, transaction })
      await job.destroy({ transaction })
    }
  }
  return { takenBack: before.length - kept.length, kept }
}
