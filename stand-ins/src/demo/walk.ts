// How does a whole visit look as events? Plans the unit with the core and walks through its steps.
import { airflowShare, airOf, coilAt, pressureAt } from '@yastik/core/air'
import { gradeOf, type Complaint, type Grades, type Readings } from '@yastik/core/lookover'
import type { JobFile, Plan, UnitPlan } from '@yastik/core/plan'
import { partsOfRef, refOf, workOrder, type Step } from '@yastik/core/procedure'
import { assess } from '@yastik/core/proof'
import type { Happening, JobEvent } from '@yastik/core/run'
import { knownDesign } from '@yastik/core/units'
import { v5 as idFrom } from 'uuid'

const space = '6f0d9a1e-2b7c-5c1d-9f7e-3a54c0de2026'
export const demoId = (key: string): string => idFrom(key, space)

const minuteMs = 60_000

/** Writes events one after the other with a running clock. */
export class Diary {
  readonly events: JobEvent[] = []
  readonly key: string
  readonly unitId: string
  readonly by: number
  nowMs: number

  constructor(key: string, unitId: string, by: number, startMs: number) {
    this.key = key
    this.unitId = unitId
    this.by = by
    this.nowMs = Math.round(startMs)
  }

  add(happening: DistributiveOmit<Happening, 'unitId'>, afterMin = 0, list = this.unitId): void {
    this.nowMs += Math.round(afterMin * minuteMs) + 1
    this.events.push({
      id: demoId(`${this.key}/${this.events.length}`),
      atMs: this.nowMs,
      by: this.by,
      happening: { ...happening, unitId: list } as Happening,
    })
  }

  lookOver(complaints: readonly Complaint[], grades: Grades): void {
    for (const complaint of complaints) this.add({ type: 'complaint-set', complaint, present: true }, 0.1)
    for (const [part, entry] of Object.entries(grades))
      this.add({ type: 'grade-set', part: part as keyof Grades & string as never, grade: entry.grade, kinds: entry.kinds ?? [] }, 0.3)
  }

  /** Agrees what was planned for the unit, and what that asks of the visit. */
  agree({ units: [{ decisions, steps }], visit }: Plan): void {
    const decided = decisions.map(({ topic, choice, rule }) => ({ topic, choice, rule }))
    this.add({ type: 'method-agreed', decisions: decided, steps, visitSteps: visit.steps }, 3)
  }

  /** Does the steps of a plan until `stopBefore` (or all), gates confirmed, fasteners counted out and in, waits waited; `pace` is how slow each goes. */
  work({ units: [unit], visit }: Plan, stopBefore?: string, pace: (step: Step) => number = () => 1, after?: Readings): void {
    const endsAt = new Map<string, number>()
    for (const { list, step } of workOrder(unit.id, unit.steps, visit.steps)) {
      if (step.id === stopBefore || step.doneBy === 'hand-over') return
      const add = (happening: Parameters<Diary['add']>[0], afterMin = 0) => this.add(happening, afterMin, list)
      const ends = step.after.map((ref) => {
        const to = partsOfRef(ref, list)
        return endsAt.get(refOf(to.list, to.step)) ?? 0
      })
      this.nowMs = Math.max(this.nowMs, ...ends)
      add({ type: 'step-begun', stepId: step.id }, 0.2)
      for (const { kind, count } of step.fasteners ?? [])
        add({ type: 'fasteners-counted', stepId: step.id, kind, count, direction: step.takesOff ? 'out' : 'in' })
      if (step.needsPhoto) add({ type: 'photo-left-out', stepId: step.id, because: 'as on the photograph of the last visit' }, 0.1)
      if (step.doneBy === 'after-readings' && after) add({ type: 'reading-taken', when: 'after', readings: after }, 1)
      if (step.gate) add({ type: 'gate-confirmed', stepId: step.id }, step.handsMin * pace(step) * 0.8)
      for (const { productId, litres } of step.uses ?? []) add({ type: 'product-used', stepId: step.id, productId, litres })
      add({ type: 'step-done', stepId: step.id }, step.handsMin * pace(step) * (step.gate ? 0.2 : 1))
      endsAt.set(refOf(list, step.id), this.nowMs + (step.wait?.leastMin ?? 0) * minuteMs + 1000)
    }
  }
}

type DistributiveOmit<T, K extends PropertyKey> = T extends unknown ? Omit<T, K> : never

/** Readings as the core's coil model has them for these grades, with a small offset that depends on `seed`. */
export function modelReadings(job: JobFile, grades: Grades, seed: number): Readings {
  const unit = job.units[0]
  const { design } = knownDesign(unit.family, unit.design)
  const lookOver = { family: unit.family, complaints: [], grades, findings: [] }
  const share = airflowShare({
    filter: gradeOf(lookOver, 'filter'),
    coilFace: gradeOf(lookOver, 'coilFace'),
    coilBack: gradeOf(lookOver, 'coilBack'),
    wheel: gradeOf(lookOver, 'wheel'),
  })
  const offset = ((seed * 37) % 7) / 10 - 0.3
  const returnC = 26 + offset
  const coil = coilAt(
    {
      ratedCoolingKw: design.ratedCoolingKw,
      ratedAirflowM3h: design.ratedAirflowM3h,
      returnAir: airOf(returnC, 0.54, pressureAt(job.site.altitudeM ?? 0)),
      outdoorC: job.site.outdoorAir?.dryBulbC,
    },
    share,
  )
  const tenth = (value: number) => Math.round(value * 10) / 10
  return {
    returnC: tenth(returnC),
    returnRh: 0.54,
    supplyC: tenth(coil.supplyAir.dryBulbC),
    supplyRh: Math.min(0.97, Math.round(coil.supplyAir.relativeHumidity * 100) / 100),
    airflowM3h: Math.round(coil.airflowM3h),
    amps: tenth(3.4 + offset),
    levelMmPerM: 3,
    flowTest: { litres: 1, seconds: (grades.drainLine?.grade ?? 0) >= 3 ? 240 : 38 },
  }
}

/** Readings after cleaning: as of a unit that is clear, or nearly. */
export const readingsAfter = (job: JobFile, seed: number): Readings => modelReadings(job, { coilBack: { grade: seed % 3 === 0 ? 1 : 0 } }, seed + 1)

/** The verdict that the readings earn. */
export function verdictOf(job: JobFile, { notReached, referrals }: UnitPlan, before: Readings, after: Readings) {
  const unit = job.units[0]
  return assess({
    design: knownDesign(unit.family, unit.design).design,
    before,
    after,
    altitudeM: job.site.altitudeM,
    outdoorC: job.site.outdoorAir?.dryBulbC,
    notReached,
    referrals,
  }).verdict
}
