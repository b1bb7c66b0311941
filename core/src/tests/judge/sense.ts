// Does more ask for more? Pairs of jobs that differ in one thing, and which way the plan has to go.
import { type JobFile } from '../../plan/index.ts'
import { builtInProducts, builtInVan } from '../../products/index.ts'
import { allGrades, seeded } from '../../quantities/index.ts'
import { partsOf } from '../../units/index.ts'
import { jobOf } from './generator.ts'
import { planInEnglish, type ToldPlan } from '../inEnglish.ts'

export interface Comparison {
  readonly what: 'worse-grade' | 'added-person' | 'better-van' | 'bigger-unit'
  readonly seed: number
  readonly before: JobFile
  readonly after: JobFile
  /** Why the second plan makes no sense beside the first. */
  readonly fault: (before: ToldPlan, after: ToldPlan) => string | undefined
}

/** Hands-on minutes of all people at all units. */
const work = ({ units }: ToldPlan): number =>
  units.reduce((sum, { steps }) => sum + steps.reduce((own, { handsMin, people }) => own + handsMin * people, 0), 0)
const reached = ({ units }: ToldPlan): number => units.reduce((sum, { notReached }) => sum + notReached.length, 0)
const slack = 1e-6

/** One job of each seed without choices by hand, and without what stops all work. */
function plainJob(seed: number): JobFile {
  const job = jobOf(seed)
  return { ...job, units: job.units.slice(0, 1).map(({ choices: _, findings: __, findingExtent: ___, ...unit }) => unit) }
}

/** The comparisons of a seed. */
export function comparisonsOf(seed: number): Comparison[] {
  const random = seeded(seed + 7)
  const pick = <T>(list: readonly T[]): T => list[Math.min(list.length - 1, Math.floor(random() * list.length))]
  const before = plainJob(seed)
  const [unit] = before.units
  const comparisons: Comparison[] = []
  const part = pick(partsOf[unit.family])
  const grade = unit.grades[part]?.grade ?? 0
  // Where there was nothing, no kind of soil was noted that could count.
  const noted = grade === 0 ? {} : unit.grades[part]
  if (grade < 4)
    comparisons.push({
      what: 'worse-grade',
      seed,
      before: { ...before, units: [{ ...unit, grades: { ...unit.grades, [part]: { ...noted, grade } } }] },
      after: { ...before, units: [{ ...unit, grades: { ...unit.grades, [part]: { ...noted, grade: allGrades[grade + 1] } } }] },
      fault: (one, other) =>
        work(other) < work(one) - slack ? `${part} from grade ${grade} to ${grade + 1}: ${work(one)} min become ${work(other)}` : undefined,
    })
  if (before.crew.length < 4)
    comparisons.push({
      what: 'added-person',
      seed,
      before,
      after: { ...before, crew: [...before.crew, { name: 'Eli', trained: pick([[], before.crew[0].trained ?? []]), liftKg: before.crew[0].liftKg }] },
      fault: (one, other) => {
        const decided = ({ units }: ToldPlan) => JSON.stringify(units.map(({ decisions }) => decisions.map(({ choice }) => choice)))
        const same = decided(one) === decided(other)
        return same && other.timeline.finishMin > one.timeline.finishMin + slack
          ? `done after ${one.timeline.finishMin} min, with one more after ${other.timeline.finishMin}`
          : undefined
      },
    })
  comparisons.push({
    what: 'better-van',
    seed,
    before,
    after: {
      ...before,
      equipment: [...(before.equipment ?? builtInVan), ...builtInVan.map((entry) => ({ ...entry, id: `more-${entry.id}` }))],
      products: [...(before.products ?? builtInProducts)],
    },
    fault: (one, other) => (reached(other) > reached(one) ? `${reached(one)} parts not reached, with a better van ${reached(other)}` : undefined),
  })
  const kw = unit.design.ratedCoolingKw
  if (kw !== undefined && kw < 10 && unit.design.faceWidthMm === undefined)
    comparisons.push({
      what: 'bigger-unit',
      seed,
      before,
      after: {
        ...before,
        units: [
          {
            ...unit,
            design: {
              ...unit.design,
              ratedCoolingKw: kw * 1.5,
              ...(unit.design.ratedAirflowM3h ? { ratedAirflowM3h: unit.design.ratedAirflowM3h * 1.5 } : {}),
            },
          },
        ],
      },
      fault: (one, other) => {
        const sameWay =
          JSON.stringify(one.units[0].decisions.map(({ choice }) => choice)) === JSON.stringify(other.units[0].decisions.map(({ choice }) => choice))
        return sameWay && work(other) < work(one) - slack ? `a bigger unit takes ${work(other)} min instead of ${work(one)}` : undefined
      },
    })
  return comparisons
}

/** What makes no sense among the comparisons of a seed, and how many there were. */
export function senseOf(seed: number): { compared: number; faults: { what: string; says: string; seed: number }[] } {
  const comparisons = comparisonsOf(seed)
  return {
    compared: comparisons.length,
    faults: comparisons.flatMap(({ what, before, after, fault }) => {
      const says = fault(planInEnglish(before), planInEnglish(after))
      return says === undefined ? [] : [{ what, says, seed }]
    }),
  }
}
