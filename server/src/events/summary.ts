// What do lists and forecasts show of a unit's run, as its log says it?
import { worstOf, type Readings } from '@yastik/core/lookover'
import { cleanCoolingAt, coolingBy } from '@yastik/core/proof'
import { progressOf, stationOf, type UnitState } from '@yastik/core/run'
import { knownDesign, type Design, type Family } from '@yastik/core/units'
import { foundChances, indexFound, indexLeft, indexSeenAfter } from '@yastik/core/upkeep'
import type { SiteForm, VisitFound } from '@yastik/core/wire'

/** What the line of the unit's life shows of this visit. */
function seenOn(state: UnitState, unit: SummedUnit, { altitudeM, outdoorAir }: SiteForm['site']): VisitFound {
  const { design } = knownDesign(unit.family, unit.design)
  const kw = (value: number | undefined) => (value === undefined ? undefined : Math.round(value * 1000) / 1000)
  const measured = (readings: Readings | undefined) => kw(readings && coolingBy(readings, altitudeM).cooling?.totalKw.value)
  const clean = (readings: Readings | undefined) =>
    kw(readings && cleanCoolingAt(design, readings, { altitudeM, outdoorC: outdoorAir?.dryBulbC }).coil.totalKw)
  const { before, after } = state.readings
  return {
    grades: Object.fromEntries(Object.entries(state.grades).map(([part, { grade }]) => [part, grade])),
    findings: state.findings,
    parts: state.partsNoted,
    cooling: { beforeKw: measured(before), cleanBeforeKw: clean(before), afterKw: measured(after), cleanAfterKw: clean(after) },
  }
}

/** A unit, as far as its summary rests on it. */
export interface SummedUnit {
  readonly family: Family
  readonly design: Design
  readonly site: SiteForm
}
export interface Summary {
  readonly stage: string
  readonly done: number
  readonly steps: number
  readonly verdict: string | null
  readonly worstGrade: number | null
  readonly handedOverAt: Date | null
  readonly handedOverBy: number | null
  readonly scope: string
  readonly coolingBeforeKw: number | null
  readonly coolingAfterKw: number | null
  /** What was seen and done, once it is handed over. */
  readonly seen: VisitFound | null
  readonly soilKinds: string
  readonly coilGrade: number | null
  readonly coilChances: string | null
  readonly leftIndex: number | null
  readonly panTreatmentWeeks: number | null
}

/** @param panTreatmentWeeks how long a pan treatment of the firm lasts */
export function summaryOf(state: UnitState, unit: SummedUnit, panTreatmentWeeks: number | undefined): Summary {
  const { site } = unit.site
  const { altitudeM } = site
  const lookOver = { family: unit.family, complaints: state.complaints, grades: state.grades, findings: state.findings }
  const graded = Object.keys(state.grades)
  const { done, all } = progressOf(state)
  const cooling = (readings: UnitState['readings']['before']) => (readings && coolingBy(readings, altitudeM).cooling?.totalKw.value) ?? null
  const scope = state.handedOver ? (state.agreed.scope ?? '') : ''
  const coilGrade = indexFound(state.grades) ?? null
  return {
    stage: stationOf(state),
    done,
    steps: all,
    verdict: state.handedOver?.verdict ?? null,
    worstGrade: graded.length > 0 ? worstOf(lookOver, ...(graded as (keyof UnitState['grades'])[])) : null,
    handedOverAt: state.handedOver ? new Date(state.handedOver.atMs) : null,
    handedOverBy: state.handedOver?.by ?? null,
    scope,
    coolingBeforeKw: cooling(state.readings.before),
    coolingAfterKw: cooling(state.readings.after),
    seen: state.handedOver ? seenOn(state, unit, site) : null,
    soilKinds: [...new Set(Object.values(state.grades).flatMap(({ kinds }) => kinds ?? []))].sort().join(','),
    coilGrade,
    coilChances: foundChances(state)?.join(' ') ?? null,
    leftIndex: coilGrade === null ? null : (indexSeenAfter(state) ?? indexLeft(scope, state.grades, state.handedOver?.notReached)),
    panTreatmentWeeks: state.handedOver && state.agreed['pan-treatment'] === 'slow-release' ? (panTreatmentWeeks ?? null) : null,
  }
}
