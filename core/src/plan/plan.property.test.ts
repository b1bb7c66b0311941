// What must hold for every plan, over thousands of generated jobs.
import fc from 'fast-check'
import { builtInProducts } from '../products/index.ts'
import { complaints, findings, soilKinds } from '../lookover/index.ts'
import { phases, type Step } from '../procedure/index.ts'
import { schools } from '../method/index.ts'
import { partsOf } from '../units/index.ts'
import { planFileSchema, planJob, settings, type JobFile, type UnitJob } from './index.ts'

const maybe = <T>(arbitrary: fc.Arbitrary<T>) => fc.option(arbitrary, { nil: undefined })
const grade = fc.constantFrom(0 as const, 1 as const, 2 as const, 3 as const, 4 as const)
const design = fc.record(
  {
    ratedCoolingKw: fc.double({ min: 1.5, max: 10, noNaN: true }), ceilingGapCm: fc.integer({ min: 0, max: 40 }), aboveFloorM: fc.double({ min: 0.5, max: 4, noNaN: true }), coverScrews: fc.integer({ min: 0, max: 5 }),
    wheelRemovable: fc.boolean(), coilLiftable: fc.boolean(), panRemovable: fc.boolean(), quickAccessOutlet: fc.boolean(), boardRemovable: fc.boolean(), boardBlocksPan: fc.boolean(), roomSensor: fc.boolean(), fineFilter: fc.boolean(),
    finCoating: fc.constantFrom('none' as const, 'hydrophilic' as const, 'epoxy' as const),
  },
  { requiredKeys: [] },
)
const unit: fc.Arbitrary<UnitJob> = fc.record({
  id: fc.constant('u'), family: fc.constant('wall-head' as const), design,
  complaints: fc.subarray(complaints.filter((complaint) => complaint !== 'none')),
  grades: fc.record(Object.fromEntries(partsOf['wall-head'].map((part) => [part, fc.record({ grade, kinds: fc.subarray([...soilKinds], { maxLength: 3 }) })])), { requiredKeys: [] }),
  findings: fc.subarray([...findings], { maxLength: 2 }),
}) as fc.Arbitrary<UnitJob>
const job: fc.Arbitrary<JobFile> = fc.record({
  format: fc.constant('yastik.job/1' as const),
  site: fc.record({
    name: fc.constant('Somewhere'), setting: fc.constantFrom(...settings), waterOnSite: fc.boolean(), foulDrainOnSite: fc.boolean(), sensitiveOccupants: fc.boolean(),
    outdoorAir: maybe(fc.record({ dryBulbC: fc.double({ min: -10, max: 45, noNaN: true }), relativeHumidity: fc.double({ min: 0.05, max: 1, noNaN: true }) })),
  }),
  crew: fc.array(fc.record({ name: fc.constantFrom('A', 'B', 'C'), trained: fc.subarray(['wheel-removal' as const, 'electrics' as const]) }), { minLength: 1, maxLength: 3 }),
  units: fc.array(unit, { minLength: 1, maxLength: 1 }),
  houseRules: fc.record(Object.fromEntries(Object.entries(schools).map(([name, values]) => [name, fc.constantFrom(...values)])), { requiredKeys: [] }),
}) as fc.Arbitrary<JobFile>

const runs = { numRuns: 2000, seed: 20261125 }
const forEveryPlan = (check: (steps: Step[], job: JobFile, plan: ReturnType<typeof planJob>) => void) =>
  fc.assert(fc.property(job, (candidate) => { const plan = planJob(candidate); check(plan.units[0].steps, candidate, plan) }), runs)

const index = (steps: readonly Step[], id: string) => steps.findIndex((step) => step.id === id)
const wets = (step: Step) => ['apply', 'rinse', 'wheel'].includes(step.phase) && step.id !== 'mix-agent'

describe('every plan', () => {
  it('is in a workable order: acyclic, earlier steps only, phases in job order', () =>
    forEveryPlan((steps) => {
      const seen = new Set<string>()
      let phase = 0
      for (const step of steps) {
        for (const before of step.after) expect(seen.has(before)).toBe(true)
        expect(seen.has(step.id)).toBe(false)
        seen.add(step.id)
        expect(phases.indexOf(step.phase)).toBeGreaterThanOrEqual(phase)
        phase = phases.indexOf(step.phase)
      }
    }))

  it('isolates and proves dead before the first strip step, and contains before the first liquid', () =>
    forEveryPlan((steps, _, plan) => {
      const strip = steps.findIndex((step) => step.phase === 'strip')
      if (strip >= 0) {
        expect(index(steps, 'isolate')).toBeGreaterThanOrEqual(0)
        expect(index(steps, 'prove-dead')).toBeLessThan(strip)
        expect(steps[index(steps, 'prove-dead')].gate).toBeTruthy()
      }
      const liquid = steps.findIndex(wets)
      const caught = plan.units[0].decisions.find(({ topic }) => topic === 'containment')!.choice
      if (liquid >= 0 && caught !== 'floor-sheet') expect(index(steps, 'set-containment')).toBeLessThan(liquid)
      if (liquid >= 0) expect(index(steps, 'clear-below')).toBeLessThan(liquid)
    }))

  it('puts back whatever comes off, once, in the reverse order where one held the other', () =>
    forEveryPlan((steps) => {
      const off = steps.filter(({ takesOff }) => takesOff)
      for (const step of off) {
        const back = steps.filter(({ putsBack }) => putsBack === step.takesOff)
        expect(back).toHaveLength(1)
        expect(back[0].fasteners).toEqual(step.fasteners)
        for (const front of off.filter(({ id }) => step.after.includes(id))) {
          expect(steps.findIndex(({ putsBack }) => putsBack === front.takesOff)).toBeGreaterThan(steps.indexOf(back[0]))
        }
      }
      expect(steps.filter(({ putsBack }) => putsBack)).toHaveLength(off.length)
    }))

  it('tests the drain after every wash, balances the ledger before power, and ends the work with the run test', () =>
    forEveryPlan((steps) => {
      const power = index(steps, 'power-on')
      if (steps.some(wets)) expect(index(steps, 'flow-test')).toBeGreaterThan(steps.findLastIndex((step) => step.phase === 'rinse'))
      if (power < 0) return
      expect(index(steps, 'flow-test')).toBeLessThan(power)
      expect(steps[power].needsLedger).toBe(true)
      expect(index(steps, 'check-ledger')).toBeLessThan(power)
      expect(steps.findLastIndex((step) => step.phase !== 'hand-over')).toBe(index(steps, 'run-test'))
      const cover = index(steps, 'on-cover')
      if (cover >= 0 && index(steps, 'flow-test') >= 0) expect(index(steps, 'flow-test')).toBeLessThan(cover)
    }))

  it('keeps labels, and never puts alkaline, acid, chlorine or an outdoor product on breathed air', () =>
    forEveryPlan((_, candidate, plan) => {
      for (const { productId, dilution, part } of plan.units[0].mixes) {
        const product = builtInProducts.find(({ id }) => id === productId)!
        const [least, most] = product.label.dilution ?? [0, 0]
        expect(dilution).toBeGreaterThanOrEqual(least)
        expect(dilution).toBeLessThanOrEqual(most)
        expect(product.label.indoorSafe).toBe(true)
        expect(['alkaline-degreaser', 'acid-cleaner', 'chlorine-cleaner', 'outdoor-foam']).not.toContain(product.class)
        if (candidate.site.setting === 'food') expect(product.label.foodAreaAllowed).toBe(true)
        if (part === 'coilFace' && product.class === 'self-rinsing-foam') expect(plan.units[0].decisions.find(({ topic }) => topic === 'rinse')!.choice).toBe('condensate')
      }
    }))

  it('is the same for the same input, and a valid plan file', () =>
    forEveryPlan((_, candidate, plan) => {
      expect(JSON.stringify(planJob(candidate))).toBe(JSON.stringify(plan))
      planFileSchema.parse(plan)
    }))

  it('has a timeline that keeps every precedence, wait and skill, with nobody in two places', () =>
    forEveryPlan((steps, candidate, { timeline }) => {
      const byId = new Map(timeline.tasks.map((task) => [task.step, task]))
      for (const step of steps) {
        const task = byId.get(step.id)!
        expect(task.who.length).toBe(Math.min(step.people, candidate.crew.length))
        for (const id of step.after) {
          const before = byId.get(id)!
          const wait = steps.find((other) => other.id === id)!.wait
          expect(task.startMin).toBeGreaterThanOrEqual(before.endMin + (wait?.leastMin ?? 0) - 1e-9)
          if (wait?.mostMin !== undefined) expect(task.startMin).toBeLessThanOrEqual(before.endMin + wait.mostMin + 1e-9)
        }
      }
      expect(timeline.finishMin).toBeGreaterThanOrEqual(timeline.lowerBoundMin - 1e-9)
    }))
})
