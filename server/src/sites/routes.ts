// Sites and their units: read, make, save. Two people saving the same one: the second is told, nothing is overwritten.
import {
  alikeUnitsSchema,
  Fault,
  readBy,
  siteFormSchema,
  siteQuerySchema,
  siteSaveSchema,
  unitFormSchema,
  unitSaveSchema,
  type SiteForm,
  type SitePage,
  type SiteRecord,
  type UnitForm,
  type UnitRecord,
} from '@yastik/core'
import type { FastifyInstance } from 'fastify'
import type { Model, ModelStatic, Sequelize, WhereOptions } from 'sequelize'
import { v7 as newId } from 'uuid'
import { people } from '../auth/audience.ts'
import { Site, Unit, type User } from '../db/models.ts'
import { parsed, read } from '../db/read.ts'
import { renewDues } from '../upkeep/dues.ts'
import { dayOf } from '../days.ts'
import { markOf, readMark } from '../db/pageMark.ts'

/** What a unit is told apart and described by, as a row or as a model. */
export type UnitRow = Pick<Unit, 'id' | 'siteId' | 'version' | 'name' | 'family' | 'design' | 'hoursPerDay'> & {
  readonly lastCleanedAt?: Date | null
}

export const unitForm = ({ name, family, design, hoursPerDay }: Pick<UnitRow, keyof UnitForm>): UnitForm => ({
  name,
  family,
  design,
  ...(hoursPerDay === null ? {} : { hoursPerDay }),
})

export const unitRecord = (unit: UnitRow): UnitRecord => ({
  id: unit.id,
  siteId: unit.siteId,
  version: unit.version,
  ...unitForm(unit),
  lastCleanedAt: unit.lastCleanedAt?.toISOString() ?? null,
})

export const siteRecord = (site: Pick<Site, 'id' | 'version' | 'form'>, units: readonly UnitRow[]): SiteRecord => ({
  id: site.id,
  version: site.version,
  ...site.form,
  units: units.map(unitRecord),
})

/** One row of this firm by its id. @throws Fault `not-there`. */
export async function findOwn<M extends Model>(model: ModelStatic<M>, what: string, id: string, firmId: number): Promise<M> {
  const row = await model.findOne({ where: { id, firmId } as unknown as WhereOptions<M> })
  if (!row) throw new Fault('not-there', { lines: [{ where: 'id', what: `there is no ${what} ${id}`, allowed: `the id of a ${what} of your firm` }] })
  return row
}

/** Saves only over the version that the person has seen. @throws Fault `changed-meanwhile` naming who was faster. */
async function saveOver<M extends Model & { version: number; savedBy: string }>(
  model: ModelStatic<M>,
  row: M,
  version: number,
  values: object,
  user: User,
): Promise<void> {
  const [changed] = await model.update({ ...values, version: version + 1, savedBy: user.name } as Parameters<ModelStatic<M>['update']>[0], {
    where: { id: row.get('id'), version } as unknown as WhereOptions<M>,
  })
  if (changed === 1) return
  await row.reload()
  throw new Fault('changed-meanwhile', {
    sentence: `${row.savedBy} saved this in the meantime. Your entries are still in the form; load the newer version and enter them again.`,
    lines: [{ where: 'version', what: `you edited version ${version}, and it is version ${row.version} now`, allowed: String(row.version) }],
  })
}

export const unitValues = ({ name, family, design, hoursPerDay }: UnitForm) => ({ name, family, design, hoursPerDay: hoursPerDay ?? null })

/** @throws Fault `does-not-hold-up` where a customer is said to have agreed on a day that has not come. */
function checkConsent({ reminders }: SiteForm): void {
  const today = dayOf(Date.now())
  if (reminders && reminders.agreedOn > today)
    throw new Fault('does-not-hold-up', {
      lines: [{ where: 'reminders.agreedOn', what: `${reminders.agreedOn} has not come yet`, allowed: `${today} or before` }],
    })
}

const pageSize = 50
interface SiteRow {
  readonly id: string
  readonly name: string
  readonly form: string
  /** Names, one a line; null where there is none. */
  readonly units: string | null
  readonly lastCleanedAt: Date | null
}

export const siteRoutes =
  (sequelize: Sequelize) =>
  async (app: FastifyInstance): Promise<void> => {
    const fullSite = async (id: string, firmId: number): Promise<SiteRecord> => {
      const site = await findOwn(Site, 'site', id, firmId)
      return siteRecord(site, await Unit.findAll({ where: { siteId: id }, order: [['name', 'ASC']] }))
    }

    app.get('/api/sites', people, async ({ query, user }): Promise<SitePage> => {
      const { find, after } = readBy(siteQuerySchema, query, 'query')
      const mark = after === undefined ? undefined : readMark(after, 2)
      const wheres = [
        's.firm_id = :firmId',
        ...(mark ? ['(s.name, s.id) > (:name, :id)'] : []),
        ...(find
          ? [
              `(s.name LIKE :find OR JSON_VALUE(s.form, '$.address') LIKE :find OR EXISTS (SELECT 1 FROM units v WHERE v.site_id = s.id AND v.name LIKE :find))`,
            ]
          : []),
      ]
      const rows = await read<SiteRow>(
        `SELECT s.id, s.name, s.form, (SELECT GROUP_CONCAT(u.name ORDER BY u.name SEPARATOR '\\n') FROM units u WHERE u.site_id = s.id) AS units,
                (SELECT MAX(u.last_cleaned_at) FROM units u WHERE u.site_id = s.id) AS lastCleanedAt
         FROM sites s WHERE ${wheres.join(' AND ')} ORDER BY s.name, s.id LIMIT ${pageSize + 1}`,
        { firmId: user.firmId, find: `%${find?.replace(/[%_\\]/g, '\\$&')}%`, name: mark?.[0], id: mark?.[1] },
      )
      const page = rows.slice(0, pageSize)
      const last = page.at(-1)
      return {
        entries: page.map(({ id, name, form: text, units, lastCleanedAt }) => {
          const { address, site } = parsed<SiteForm>(text)
          return {
            id,
            name,
            address,
            setting: site.setting,
            surroundings: site.surroundings ?? [],
            units: units?.split('\n') ?? [],
            lastCleanedAt: lastCleanedAt?.toISOString() ?? null,
          }
        }),
        next: rows.length > pageSize && last ? markOf(last.name, last.id) : null,
      }
    })

    app.get<{ Params: { id: string } }>('/api/sites/:id', people, async ({ params, user }) => fullSite(params.id, user.firmId))

    app.post('/api/sites', people, async ({ body, user }, reply) => {
      const form = readBy(siteFormSchema, body)
      checkConsent(form)
      const site = await Site.create({ id: newId(), firmId: user.firmId, name: form.site.name, form, savedBy: user.name })
      return reply.status(201).send(siteRecord(await site.reload(), []))
    })

    app.put<{ Params: { id: string } }>('/api/sites/:id', people, async ({ params, body, user }) => {
      const { version, ...form } = readBy(siteSaveSchema, body)
      checkConsent(form)
      const site = await findOwn(Site, 'site', params.id, user.firmId)
      await saveOver(Site, site, version, { name: form.site.name, form }, user)
      // Other surroundings, other days.
      await renewDues(await Unit.findAll({ where: { siteId: site.id } }))
      return fullSite(params.id, user.firmId)
    })

    app.post<{ Params: { id: string } }>('/api/sites/:id/units', people, async ({ params, body, user }, reply) => {
      const form = readBy(unitFormSchema, body)
      const site = await findOwn(Site, 'site', params.id, user.firmId)
      const unit = await Unit.create({ id: newId(), firmId: user.firmId, siteId: site.id, ...unitValues(form), savedBy: user.name })
      return reply.status(201).send(unitRecord(await unit.reload()))
    })

    app.post<{ Params: { id: string } }>('/api/sites/:id/alike-units', people, async ({ params, body, user }, reply) => {
      const { names, ...alike } = readBy(alikeUnitsSchema, body)
      const site = await findOwn(Site, 'site', params.id, user.firmId)
      await sequelize.transaction((transaction) =>
        Unit.bulkCreate(
          names.map((name) => ({ id: newId(), firmId: user.firmId, siteId: site.id, ...unitValues({ name, ...alike }), savedBy: user.name })),
          { transaction },
        ),
      )
      return reply.status(201).send(await fullSite(params.id, user.firmId))
    })

    app.put<{ Params: { id: string } }>('/api/units/:id', people, async ({ params, body, user }) => {
      const { version, ...form } = readBy(unitSaveSchema, body)
      const unit = await findOwn(Unit, 'unit', params.id, user.firmId)
      await saveOver(Unit, unit, version, unitValues(form), user)
      await unit.reload()
      await renewDues([unit])
      return unitRecord(unit)
    })
  }
