// Does more ask for more? Pairs of jobs that differ in one thing, and which way the plan has to go.
import { type JobFile } from '../../plan/index.ts'
import { builtInProducts, builtInVan } from '../../products/index.ts'
import { allGrades, seeded } from '../../quantities/index.ts'
import { partsOf } from '../../units/index.ts'
import { jobOf } from './generator.ts'
import { planInEnglish, type ToldPlan } from '../inEnglish.ts'

export interface Comparison {
  readonly what: 'worse-grade' | 'added-person' | 'better-van' | 'bigger-unit' | 'more-screws' | 'second-unit' | 'missing-face' | 'later-date'
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
/** Whether both plans decide the same at every unit that they share. */
const decidedAlike = (one: ToldPlan, other: ToldPlan): boolean => {
  const choices = ({ units }: ToldPlan) => JSON.stringify(units[0].decisions.map(({ choice }) => choice))
  return choices(one) === choices(other)
}
/** By the same method one grade more makes no step longer than this; washing a wheel grows most. */
const mostPerGrade = 1.6
/** The second of a kind takes so much of the first one’s minutes; what is rounded to quarters may add up. */
const secondShare = { least: 0.8, most: 0.9, roundedMin: 2 }
/** Two people share no visit better than by half. */
const leastOfOne = 0.5
/** Out and in again, from a ladder. */
const mostPerScrewMin = 0.6
/** What rounding to quarters of a minute may add out and in. */
const quarters = 0.5

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
      fault: (one, other) => {
        const grown = work(other) < work(one) - slack || (decidedAlike(one, other) && work(other) > work(one) * mostPerGrade + slack)
        return grown ? `${part} from grade ${grade} to ${grade + 1}: ${work(one)} min become ${work(other)}` : undefined
      },
    })
  if (grade < 4)
    comparisons.push({
      what: 'later-date',
      seed,
      before: { ...before, units: [{ ...unit, grades: { ...unit.grades, [part]: { ...noted, grade } } }] },
      after: { ...before, units: [{ ...unit, grades: { ...unit.grades, [part]: { ...noted, grade: allGrades[grade + 1] } } }] },
      fault: (one, other) => {
        // By another method another date is right.
        if (!decidedAlike(one, other) || one.units[0].notReached.length > other.units[0].notReached.length) return undefined
        const weeks = ({ units }: ToldPlan) => units[0].due.find(({ what }) => what === 'deep-clean')?.weeks ?? Infinity
        return weeks(other) > weeks(one) + slack
          ? `${part} from grade ${grade} to ${grade + 1}: due in ${weeks(one)}, then in ${weeks(other)} weeks`
          : undefined
      },
    })
  const face = pick(['coilFace', 'coilBack'] as const)
  if (unit.grades[face] !== undefined) {
    const { [face]: _, ...others } = unit.grades
    const clear = { ...before, units: [{ ...unit, grades: { ...others, [face]: { grade: 0 as const } } }] }
    comparisons.push({
      what: 'missing-face',
      seed,
      before: clear,
      after: { ...before, units: [{ ...unit, grades: others }] },
      fault: (one, other) =>
        work(other) > work(one) + slack ? `${face} not looked at instead of clear: ${work(one)} min become ${work(other)}` : undefined,
    })
  }
  if (before.crew.length < 4)
    comparisons.push({
      what: 'added-person',
      seed,
      before,
      after: { ...before, crew: [...before.crew, { name: 'Eli', trained: pick([[], before.crew[0].trained ?? []]), liftKg: before.crew[0].liftKg }] },
      fault: (one, other) => {
        const decided = ({ units }: ToldPlan) => JSON.stringify(units.map(({ decisions }) => decisions.map(({ choice }) => choice)))
        if (decided(one) !== decided(other)) return undefined
        const [alone, together] = [one.timeline.finishMin, other.timeline.finishMin]
        const isFair = together <= alone + slack && (before.crew.length > 1 || together >= alone * leastOfOne - slack)
        return isFair ? undefined : `done after ${alone} min, with one more after ${together}`
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
  const { coverScrews } = unit.design
  if (coverScrews !== undefined && coverScrews < 18)
    comparisons.push({
      what: 'more-screws',
      seed,
      before,
      after: { ...before, units: [{ ...unit, design: { ...unit.design, coverScrews: coverScrews + 2 } }] },
      fault: (one, other) =>
        work(other) < work(one) - slack || work(other) > work(one) + 2 * mostPerScrewMin * before.crew.length + quarters
          ? `two screws more: ${work(one)} min become ${work(other)}`
          : undefined,
    })
  comparisons.push({
    what: 'second-unit',
    seed,
    before: { ...before, units: [{ ...unit, supply: 'first' }] },
    after: {
      ...before,
      units: [
        { ...unit, supply: 'first' },
        { ...unit, id: 'twin', supply: 'second' },
      ],
    },
    fault: (_, { units: [first, second] }) => {
      const ofFirst = first.minutes?.hands ?? 0
      const [most, least] = [ofFirst * secondShare.most + secondShare.roundedMin, ofFirst * secondShare.least - secondShare.roundedMin]
      const hands = second.minutes?.hands ?? 0
      return hands > most + slack || hands < least - slack ? `the second of a kind takes ${hands} min beside ${ofFirst}` : undefined
    },
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
