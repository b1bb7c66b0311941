// Which sites came with an import, and what happened to each since?
import type { Doing } from '../db/database.ts'

/** By name, held until the doing ends; `because` says why one stays, where somebody or a visit has touched it. */
interface SiteOfImport {
  readonly id: string
  readonly what: string
  readonly because: 'visited' | 'quoted' | 'written' | 'changed' | null
}
export const sitesOfImport = (db: Doing, importId: string): Promise<SiteOfImport[]> =>
  db.read<SiteOfImport>(
    `SELECT s.id, s.name AS what,
            CASE WHEN EXISTS (SELECT 1 FROM jobs j WHERE j.site_id = s.id) THEN 'visited'
                 WHEN EXISTS (SELECT 1 FROM quotes q WHERE q.site_id = s.id) THEN 'quoted'
                 WHEN EXISTS (SELECT 1 FROM messages m WHERE m.site_id = s.id) THEN 'written'
                 WHEN s.version > 1 OR s.retired_at IS NOT NULL OR EXISTS (SELECT 1 FROM units u WHERE u.site_id = s.id
                        AND (u.version > 1 OR u.retired_at IS NOT NULL OR u.import_id IS NULL OR u.import_id <> s.import_id))
                   THEN 'changed' END AS because
     FROM sites s WHERE s.import_id = :importId ORDER BY s.name FOR UPDATE`,
    { importId },
  )
