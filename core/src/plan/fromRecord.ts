// As what is a unit of a visit planned? One way from its sheet and its state to the job file, for the server and for every device.
import type { HouseRules } from '../method/index.ts'
import type { UnitState } from '../run/index.ts'
import type { JobFile, UnitJob } from './jobFile.ts'

/** What a site's sheet says of a unit; what is not known is left out or null. */
export interface UnitSheet extends Pick<UnitJob, 'id' | 'family' | 'design' | 'name' | 'maker' | 'model' | 'serialNumber'> {
  readonly hoursPerDay?: number | null
  readonly supply?: string | null
  readonly outdoorUnit?: string | null
}

const known = <K extends string, V>(name: K, value: V | null | undefined): { readonly [key in K]?: V } =>
  (value === null || value === undefined ? {} : { [name]: value }) as { readonly [key in K]?: V }

/** A unit by its sheet alone: nobody has looked at it. */
export const unseenUnitJob = ({ id, family, name, design, hoursPerDay, supply, outdoorUnit, maker, model, serialNumber }: UnitSheet): UnitJob => ({
  id,
  family,
  design,
  complaints: [],
  grades: {},
  ...known('name', name),
  ...known('hoursPerDay', hoursPerDay),
  ...known('supply', supply),
  ...known('outdoorUnit', outdoorUnit),
  ...known('maker', maker),
  ...known('model', model),
  ...known('serialNumber', serialNumber),
})

/** A unit as it was looked over on this visit: grades, findings, readings before, and whatever somebody chose for it. */
export const unitJobOf = (sheet: UnitSheet, state: UnitState): UnitJob => ({
  ...unseenUnitJob(sheet),
  complaints: state.complaints,
  grades: state.grades,
  findings: state.findings,
  ...(Object.keys(state.findingExtent).length > 0 ? { findingExtent: state.findingExtent } : {}),
  ...(state.extras.length > 0 ? { extras: state.extras } : {}),
  ...known('readings', state.readings.before),
  ...known('wash', state.wash),
  ...(Object.keys(state.choices).length > 0 ? { choices: state.choices as UnitJob['choices'] } : {}),
})

/** What all units of a visit are planned with. */
export type VisitShared = Pick<JobFile, 'site' | 'crew' | 'houseRules' | 'products' | 'equipment'>

/** One unit of a visit as a job file: what the plan command would read. */
export const jobOfUnit = ({ houseRules, ...shared }: VisitShared, unit: UnitJob, state: Pick<UnitState, 'schools'> | undefined): JobFile => ({
  format: 'yastik.job/1',
  site: shared.site,
  crew: shared.crew,
  units: [unit],
  houseRules: rulesFor(houseRules, state),
  ...known('products', shared.products),
  ...known('equipment', shared.equipment),
})

/** House rules as they hold for one unit: a school that was chosen for it counts there alone. */
const rulesFor = (houseRules: HouseRules | undefined, state: Pick<UnitState, 'schools'> | undefined): HouseRules => ({
  ...houseRules,
  ...(state?.schools as Partial<HouseRules> | undefined),
})
