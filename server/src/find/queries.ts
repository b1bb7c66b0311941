// What is found by a few letters: sites, units and visits of a firm, the first few of each.
import type { Found } from '@yastik/core/wire'
import type { Db } from '../db/database.ts'
import { likePart } from '../db/paging.ts'

/** More of a kind nobody looks through: more letters find it. */
const mostOfAKind = 8

/** The database knows truth as a number. */
type Retirable<Own> = Omit<Own, 'isRetired'> & { readonly isRetired: number }
const told = <Own>({ isRetired, ...own }: Own & { readonly isRetired: number }) => ({ ...own, isRetired: isRetired === 1 })

export async function foundBy(db: Db, firmId: number, words: string): Promise<Found> {
  const asked = { firmId, find: likePart(words), begins: likePart(words).slice(1) }
  // What begins so comes first.
  const byName = (name: string) => `ORDER BY isRetired, ${name} LIKE :begins DESC, ${name} LIMIT ${mostOfAKind}`
  const [sites, units, visits] = await Promise.all([
    db.read<Retirable<Found['sites'][number]>>(
      `SELECT s.id AS siteId, s.name, COALESCE(JSON_VALUE(s.form, '$.address'), '') AS address, s.retired_at IS NOT NULL AS isRetired FROM sites s
       WHERE s.firm_id = :firmId AND (s.name LIKE :find OR JSON_VALUE(s.form, '$.address') LIKE :find) ${byName('s.name')}`,
      asked,
    ),
    db.read<Retirable<Found['units'][number]>>(
      `SELECT u.id AS unitId, u.site_id AS siteId, u.name, s.name AS siteName, u.family,
              u.retired_at IS NOT NULL OR s.retired_at IS NOT NULL AS isRetired
       FROM units u JOIN sites s ON s.id = u.site_id
       WHERE u.firm_id = :firmId AND u.name LIKE :find ${byName('u.name')}`,
      asked,
    ),
    db.read<Found['visits'][number]>(
      `SELECT j.id AS jobId, u.id AS unitId, u.name AS unitName, s.name AS siteName, DATE_FORMAT(j.on_date, '%Y-%m-%d') AS onDate, ju.stage
       FROM jobs j JOIN sites s ON s.id = j.site_id JOIN job_units ju ON ju.job_id = j.id JOIN units u ON u.id = ju.unit_id
       WHERE j.firm_id = :firmId AND j.cancelled_at IS NULL AND (s.name LIKE :find OR u.name LIKE :find)
       ORDER BY j.on_date DESC, j.id, ju.position LIMIT ${mostOfAKind}`,
      asked,
    ),
  ])
  return { sites: sites.map(told), units: units.map(told), visits }
}
