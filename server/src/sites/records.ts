// How are a site and its units written for whoever asks, and kept as somebody filled them in?
import type { SiteRecord, UnitForm, UnitRecord } from '@yastik/core/wire'
import type { Site, Unit } from '../db/models.ts'

/** What a unit is told apart and described by, as a row or as a model. */
export type UnitRow = Pick<Unit, 'id' | 'siteId' | 'version' | 'name' | 'family' | 'design' | 'hoursPerDay' | 'plate'> & {
  readonly lastCleanedAt?: Date | null
  readonly retiredAt?: Date | null
  readonly platePhotoId?: string | null
  readonly platePhotoJobId?: string | null
}

export const unitForm = ({
  name,
  family,
  design,
  hoursPerDay,
  plate,
}: Pick<UnitRow, 'name' | 'family' | 'design' | 'hoursPerDay' | 'plate'>): UnitForm => ({
  name,
  family,
  design,
  ...(hoursPerDay === null ? {} : { hoursPerDay }),
  ...(plate ?? {}),
})
export const unitValues = ({ name, family, design, hoursPerDay, ...plate }: UnitForm) => ({
  name,
  family,
  design,
  hoursPerDay: hoursPerDay ?? null,
  plate: Object.values(plate).some((value) => value !== undefined) ? plate : null,
})

export const unitRecord = (unit: UnitRow): UnitRecord => ({
  id: unit.id,
  siteId: unit.siteId,
  version: unit.version,
  ...unitForm(unit),
  lastCleanedAt: unit.lastCleanedAt?.toISOString() ?? null,
  retiredAt: unit.retiredAt?.toISOString() ?? null,
  platePhoto: unit.platePhotoId && unit.platePhotoJobId ? { photoId: unit.platePhotoId, jobId: unit.platePhotoJobId } : null,
})

export const siteRecord = (
  site: Pick<Site, 'id' | 'version' | 'form'> & { readonly retiredAt?: Date | null },
  units: readonly UnitRow[],
): SiteRecord => ({
  id: site.id,
  version: site.version,
  ...site.form,
  retiredAt: site.retiredAt?.toISOString() ?? null,
  units: units.map(unitRecord),
})
