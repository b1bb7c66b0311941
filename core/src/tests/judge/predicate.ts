// What is a predicate of the judge? A sentence of the brief, and what has to hold of every plan so that it does.
import { builtInProducts, builtInVan, type Product } from '../../products/index.ts'
import { type JobFile, type UnitJob } from '../../plan/index.ts'
import { traitsOf, type Part, type Trait } from '../../units/index.ts'
import { type ToldPlan, type ToldUnitPlan, type ToldStep } from '../inEnglish.ts'

/** One unit of a job with its plan, and what a reader asks of them again and again. */
export class Case {
  readonly products: readonly Product[]
  constructor(
    readonly job: JobFile,
    readonly plan: ToldPlan,
    readonly unit: UnitJob,
    readonly own: ToldUnitPlan,
  ) {
    this.products = job.products ?? builtInProducts
  }
  choice(topic: string): string {
    return this.own.decisions.find((decision) => decision.topic === topic)?.choice ?? ''
  }
  because(topic: string): string {
    return this.own.decisions.find((decision) => decision.topic === topic)?.because.join('; ') ?? ''
  }
  get steps(): readonly ToldStep[] {
    return this.own.steps
  }
  step(id: string): ToldStep | undefined {
    return this.steps.find((step) => step.id === id)
  }
  /** Place of a step in the order of the work, −1 where there is none. */
  at(id: string): number {
    return this.steps.findIndex((step) => step.id === id)
  }
  has(kind: string): boolean {
    return (this.job.equipment ?? builtInVan).some((entry) => entry.kind === kind && entry.count > 0)
  }
  grade(part: Part): number {
    return this.unit.grades[part]?.grade ?? 0
  }
  isGraded(part: Part): boolean {
    return this.unit.grades[part] !== undefined
  }
  kinds(part: Part): readonly string[] {
    return this.grade(part) >= 1 ? (this.unit.grades[part]?.kinds ?? []) : []
  }
  found(...findings: string[]): boolean {
    return findings.some((finding) => this.unit.findings?.some((entry) => entry === finding))
  }
  complains(...complaints: string[]): boolean {
    return complaints.some((complaint) => this.unit.complaints.some((entry) => entry === complaint))
  }
  /** A trait as it was noted; one of another family says nothing. */
  noted<T extends Trait>(trait: T): UnitJob['design'][T] {
    return traitsOf[this.unit.family].includes(trait) ? this.unit.design[trait] : undefined
  }
  get declined(): boolean {
    return this.choice('scope') === 'decline'
  }
  get opened(): boolean {
    return !this.declined && this.choice('scope') !== 'filter-service'
  }
  get split(): boolean {
    return this.unit.family === 'wall-head' || this.unit.family === 'ceiling-cassette'
  }
  get roof(): boolean {
    return this.unit.family === 'rv-rooftop'
  }
  get carriedFamily(): boolean {
    return this.unit.family === 'window' || this.unit.family === 'through-wall'
  }
  get inItsWall(): boolean {
    return this.carriedFamily && this.choice('location') === 'in-place'
  }
  /** Whether a cup of water gets into the pan: not into that of a closed unit, save through an outlet that is made for it. */
  get reachesPan(): boolean {
    const outlet = this.noted('quickAccessOutlet') === true && this.steps.some(({ takesOff }) => takesOff === 'louvres')
    return this.opened && (this.choice('scope') !== 'clean-in-place' || outlet)
  }
  /** Whether its pan is emptied by a pump, which lifts nothing without power. */
  get hasPump(): boolean {
    return this.unit.family === 'ceiling-cassette' && this.noted('drain') !== 'gravity'
  }
  /** Whoever is in the crew with all of these trainings. */
  trained(...skills: string[]): boolean {
    return this.job.crew.some(({ trained = [] }) => skills.every((skill) => trained.some((own) => own === skill)))
  }
  /** Steps after all that they wait for, at whatever distance. */
  isAfter(later: string, earlier: string): boolean {
    const seen = new Set<string>()
    const ask = (id: string): boolean => {
      if (id === earlier) return true
      if (seen.has(id)) return false
      seen.add(id)
      return this.step(id)?.after.some(ask) ?? false
    }
    return later !== earlier && this.step(later) !== undefined && this.step(earlier) !== undefined && ask(later)
  }
  /** Everything that anybody reads of this unit. */
  get words(): string {
    const { own } = this
    return [
      own.customerText,
      ...own.decisions.flatMap(({ because, turnedDown }) => [...because, ...turnedDown.map((other) => other.because)]),
      ...own.notReached.map(({ because }) => because),
      ...this.plan.warnings,
      ...own.steps.flatMap(({ title, how = '', gate = '' }) => [title, how, gate]),
    ].join('\n')
  }
}

export interface Predicate {
  readonly id: string
  /** Safety faults are counted apart. */
  readonly kind: 'safety' | 'judgement' | 'arithmetic' | 'words'
  /** The sentence of the brief that it checks. */
  readonly quote: string
  /** What is wrong, in a sentence; undefined where nothing is. */
  readonly fault: (one: Case) => string | undefined
}

/** A predicate out of a test that answers with what is wrong, or with nothing. */
export const holds =
  (kind: Predicate['kind']) =>
  (id: string, quote: string, fault: Predicate['fault']): Predicate => ({ id, kind, quote, fault })

/** The first complaint of a list of conditions. */
export const firstOf = (...faults: (string | false | undefined)[]): string | undefined =>
  faults.find((fault): fault is string => typeof fault === 'string')
