// Sites: as a list by name, and one with its units.
import type { Plate, SiteForm, SitePage, SiteQuery, SiteRecord } from '@yastik/core/wire'
import { parsed, type Db } from '../db/database.ts'
import { notThere } from '../db/find.ts'
import { likePart, markOf, pageLimit, pageOf, readMark } from '../db/paging.ts'
import { siteRecord, type UnitRow } from './records.ts'

interface SiteRow {
  readonly id: string
  readonly name: string
  readonly form: string
  /** Names, one a line; null where there is none. */
  readonly units: string | null
  readonly lastCleanedAt: Date | null
}

/** @param asked part of a site's name or address, or of a unit's name; and the mark of the page before */
export async function sitePage(db: Db, firmId: number, { find, after, retired = false }: SiteQuery): Promise<SitePage> {
  const mark = after === undefined ? undefined : readMark(after, 2)
  const wheres = [
    's.firm_id = :firmId',
    `s.retired_at IS ${retired ? 'NOT' : ''} NULL`,
    ...(mark ? ['(s.name, s.id) > (:name, :id)'] : []),
    ...(find
      ? [
          `(s.name LIKE :find OR JSON_VALUE(s.form, '$.address') LIKE :find OR EXISTS (SELECT 1 FROM units v WHERE v.site_id = s.id AND v.name LIKE :find))`,
        ]
      : []),
  ]
  const rows = await db.read<SiteRow>(
    `SELECT s.id, s.name, s.form, (SELECT GROUP_CONCAT(u.name ORDER BY u.name SEPARATOR '\\n') FROM units u WHERE u.site_id = s.id AND u.retired_at IS NULL) AS units,
            (SELECT MAX(u.last_cleaned_at) FROM units u WHERE u.site_id = s.id) AS lastCleanedAt
     FROM sites s WHERE ${wheres.join(' AND ')} ORDER BY s.name, s.id LIMIT ${pageLimit}`,
    { firmId, find: likePart(find ?? ''), name: mark?.[0], id: mark?.[1] },
  )
  return pageOf(
    rows,
    ({ name, id }) => markOf(name, id),
    ({ id, name, form, units, lastCleanedAt }) => {
      const { address, site } = parsed<SiteForm>(form)
      return {
        id,
        name,
        address,
        setting: site.setting,
        surroundings: site.surroundings ?? [],
        units: units?.split('\n') ?? [],
        lastCleanedAt: lastCleanedAt?.toISOString() ?? null,
      }
    },
  )
}

type StoredUnit = Omit<UnitRow, 'design' | 'plate'> & { readonly design: string; readonly plate: string | null }

/** Units as they are written for whoever asks, without a model for each. @param which what is joined, asked of a unit `u`, and their order */
export async function unitRows(db: Db, which: string, values: Readonly<Record<string, unknown>>): Promise<UnitRow[]> {
  const rows = await db.read<StoredUnit>(
    `SELECT u.id, u.site_id AS siteId, u.version, u.name, u.family, u.design, u.hours_per_day AS hoursPerDay, u.plate, u.last_cleaned_at AS lastCleanedAt,
            u.retired_at AS retiredAt, u.plate_photo_id AS platePhotoId, u.plate_photo_job_id AS platePhotoJobId
     FROM units u ${which}`,
    values,
  )
  return rows.map(({ design, plate, ...unit }) => ({
    ...unit,
    design: parsed<UnitRow['design']>(design),
    plate: plate === null ? null : parsed<Plate>(plate),
  }))
}

/** @throws Fault `not-there` */
export async function fullSite(db: Db, id: string, firmId: number): Promise<SiteRecord> {
  const [[site], units] = await Promise.all([
    db.read<{ version: number; form: string; retiredAt: Date | null }>(
      'SELECT version, form, retired_at AS retiredAt FROM sites WHERE id = :id AND firm_id = :firmId',
      { id, firmId },
    ),
    unitRows(db, 'WHERE u.site_id = :id ORDER BY u.name', { id }),
  ])
  if (!site) throw notThere('site', id)
  return siteRecord({ ...site, id, form: parsed<SiteForm>(site.form) }, units)
}
