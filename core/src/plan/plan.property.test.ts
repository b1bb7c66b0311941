// What must hold for every plan, over thousands of generated jobs.
import fc from 'fast-check'
import { builtInProducts } from '../products/index.ts'
import { complaints, findings, soilKinds } from '../lookover/index.ts'
import { phases, skills, type Step } from '../procedure/index.ts'
import { schools } from '../method/index.ts'
import { families, partsOf, traitsOf, type Family, type Trait } from '../units/index.ts'
import { planFileSchema, planJob, settings, type JobFile, type UnitJob } from './index.ts'

const maybe = <T>(arbitrary: fc.Arbitrary<T>) => fc.option(arbitrary, { nil: undefined })
const grade = fc.constantFrom(0 as const, 1 as const, 2 as const, 3 as const, 4 as const)
/** A value of each trait; what is asked of a family is what `traitsOf` says. */
const traits: Partial<Record<Trait, fc.Arbitrary<unknown>>> = {
  ratedCoolingKw: fc.double({ min: 1.5, max: 10, noNaN: true }),
  ceilingGapCm: fc.integer({ min: 0, max: 40 }),
  aboveFloorM: fc.double({ min: 0.5, max: 4, noNaN: true }),
  coverScrews: fc.integer({ min: 0, max: 5 }),
  finCoating: fc.constantFrom('none', 'hydrophilic', 'epoxy'),
  refrigerantSafety: fc.constantFrom('A1', 'A2L', 'A3'),
  below: fc.constantFrom('clear', 'bed', 'electronics'),
  drain: fc.constantFrom('gravity', 'pump'),
  filter: fc.constantFrom('washable', 'disposable'),
  ways: fc.constantFrom(1, 2, 4),
  weightKg: fc.integer({ min: 12, max: 70 }),
  storey: fc.integer({ min: 0, max: 3 }),
  heaterKw: fc.integer({ min: 0, max: 5 }),
  roof: fc.constantFrom('membrane', 'fibreglass', 'metal'),
}
const skippedTraits: readonly Trait[] = ['ratedAirflowM3h', 'ratedPowerW', 'nameplateAmps', 'volts', 'faceWidthMm', 'faceSlantMm']
const designOf = (family: Family) =>
  fc.record(
    Object.fromEntries(traitsOf[family].filter((trait) => !skippedTraits.includes(trait)).map((trait) => [trait, traits[trait] ?? fc.boolean()])),
    { requiredKeys: [] },
  )
const unitOf = (family: Family): fc.Arbitrary<UnitJob> =>
  fc.record({
    id: fc.constant('u'),
    family: fc.constant(family),
    design: designOf(family),
    complaints: fc.subarray(
      complaints.filter((complaint) => complaint !== 'none'),
      { maxLength: 3 },
    ),
    grades: fc.record(
      Object.fromEntries(partsOf[family].map((part) => [part, fc.record({ grade, kinds: fc.subarray([...soilKinds], { maxLength: 3 }) })])),
      { requiredKeys: [] },
    ),
    // Most findings stop the job: too many of them would leave little to check.
    findings: fc.oneof({ weight: 2, arbitrary: fc.constant([]) }, { weight: 1, arbitrary: fc.subarray([...findings], { maxLength: 2 }) }),
  }) as fc.Arbitrary<UnitJob>
const unit = fc.constantFrom(...families).chain(unitOf)
const job: fc.Arbitrary<JobFile> = fc.record({
  format: fc.constant('yastik.job/1' as const),
  site: fc.record({
    name: fc.constant('Somewhere'),
    setting: fc.constantFrom(...settings),
    waterOnSite: fc.boolean(),
    foulDrainOnSite: fc.boolean(),
    sensitiveOccupants: fc.boolean(),
    outdoorAir: maybe(
      fc.record({
        dryBulbC: fc.double({ min: -10, max: 45, noNaN: true }),
        relativeHumidity: fc.double({ min: 0.05, max: 1, noNaN: true }),
        windMs: fc.integer({ min: 0, max: 11 }),
      }),
    ),
  }),
  crew: fc.array(fc.record({ name: fc.constantFrom('A', 'B', 'C'), trained: fc.subarray([...skills]) }), {
    minLength: 1,
    maxLength: 3,
  }),
  units: fc.array(unit, { minLength: 1, maxLength: 1 }),
  houseRules: fc.record(Object.fromEntries(Object.entries(schools).map(([name, values]) => [name, fc.constantFrom(...values)])), {
    requiredKeys: [],
  }),
}) as fc.Arbitrary<JobFile>

const plans = fc.sample(job, { numRuns: 4000, seed: 20261125 }).map((candidate) => ({ candidate, plan: planJob(candidate) }))
const forEveryPlan = (check: (steps: Step[], job: JobFile, plan: ReturnType<typeof planJob>) => void) => {
  for (const { candidate, plan } of plans) check(plan.units[0].steps, candidate, plan)
}
/** Cheaper than `expect` where it is asked a million times; the message names the job that fails. */
function must(holds: boolean, what: string, candidate: JobFile): void {
  if (!holds) throw new Error(`${what}: ${JSON.stringify(candidate)}`)
}

const index = (steps: readonly Step[], id: string) => steps.findIndex((step) => step.id === id)
const wets = (step: Step) => ['apply', 'rinse', 'wheel'].includes(step.phase) && step.id !== 'mix-agent'

describe('every plan', () => {
  it('is in a workable order: acyclic, earlier steps only, phases in job order', () =>
    forEveryPlan((steps, candidate) => {
      const seen = new Set<string>()
      let phase = 0
      for (const step of steps) {
        must(
          step.after.every((before) => seen.has(before)),
          `${step.id} comes before what it waits for`,
          candidate,
        )
        must(!seen.has(step.id), `${step.id} is there twice`, candidate)
        seen.add(step.id)
        must(phases.indexOf(step.phase) >= phase, `${step.id} is out of phase`, candidate)
        phase = phases.indexOf(step.phase)
      }
    }))

  it('isolates and proves dead before the first strip step, and contains before the first liquid', () =>
    forEveryPlan((steps, candidate, plan) => {
      const strip = steps.findIndex((step) => step.phase === 'strip')
      if (strip >= 0) {
        const dead = steps[index(steps, 'prove-dead')]
        must(index(steps, 'isolate') >= 0 && steps.indexOf(dead) < strip && Boolean(dead.gate), 'stripped before proved dead', candidate)
      }
      const liquid = steps.findIndex(wets)
      if (liquid < 0) return
      const caught = plan.units[0].decisions.find(({ topic }) => topic === 'containment')!.choice
      must(index(steps, 'clear-below') < liquid, 'wet before the floor is covered', candidate)
      if (caught !== 'floor-sheet')
        must(index(steps, 'set-containment') >= 0 && index(steps, 'set-containment') < liquid, 'wet before containment', candidate)
    }))

  it('puts back whatever comes off, once, in the reverse order where one held the other', () =>
    forEveryPlan((steps, candidate) => {
      const off = steps.filter(({ takesOff }) => takesOff)
      const backAt = (item: string | undefined) => steps.findIndex(({ putsBack }) => putsBack === item)
      for (const step of off) {
        const back = steps.filter(({ putsBack }) => putsBack === step.takesOff)
        must(back.length === 1, `${step.takesOff} does not go back once`, candidate)
        must(JSON.stringify(back[0].fasteners) === JSON.stringify(step.fasteners), `${step.takesOff} goes back with other fasteners`, candidate)
        for (const front of off.filter(({ id }) => step.after.includes(id)))
          must(backAt(front.takesOff) > backAt(step.takesOff), `${front.takesOff} goes back too early`, candidate)
      }
      must(steps.filter(({ putsBack }) => putsBack).length === off.length, 'something goes back that never came off', candidate)
    }))

  it('tests the drain after every wash, balances the ledger before power, and ends the work with the run test', () =>
    forEveryPlan((steps, candidate) => {
      const power = index(steps, 'power-on')
      const flow = index(steps, 'flow-test')
      if (steps.some(wets)) must(flow > steps.findLastIndex((step) => step.phase === 'rinse'), 'washed without a flow test', candidate)
      if (power < 0) return
      must(flow < power && index(steps, 'check-ledger') < power && steps[power].needsLedger === true, 'power before flow test and ledger', candidate)
      must(steps.findLastIndex((step) => step.phase !== 'hand-over') === index(steps, 'run-test'), 'the run test is not last', candidate)
      const cover = index(steps, 'on-cover')
      if (cover >= 0) must(flow < cover, 'covered before the flow test', candidate)
    }))

  it('keeps labels, and never puts alkaline, acid, chlorine or an outdoor product on breathed air', () =>
    forEveryPlan((steps, candidate, plan) => {
      for (const { productId, dilution, part } of plan.units[0].mixes) {
        const product = builtInProducts.find(({ id }) => id === productId)!
        const [least, most] = product.label.dilution ?? [0, 0]
        must(dilution >= least && dilution <= most, `${productId} outside its dilution`, candidate)
        if (part === 'condenserFace') {
          must(product.label.aluminiumSafe && !['acid-cleaner', 'chlorine-cleaner'].includes(product.class), `${productId} on fins`, candidate)
          continue
        }
        must(
          product.label.indoorSafe && !['alkaline-degreaser', 'acid-cleaner', 'chlorine-cleaner', 'outdoor-foam'].includes(product.class),
          `${productId} on breathed air`,
          candidate,
        )
        if (candidate.site.setting === 'food') must(product.label.foodAreaAllowed === true, `${productId} in a food area`, candidate)
        if (product.label.rinse === 'required' && part === 'coilFace')
          must(
            steps.some(({ id }) => id === 'rinse-coil'),
            `${productId} is not rinsed`,
            candidate,
          )
        if (part === 'coilFace' && product.class === 'self-rinsing-foam')
          must(plan.units[0].decisions.find(({ topic }) => topic === 'rinse')!.choice === 'condensate', 'foam that nothing rinses', candidate)
      }
    }))

  it('is the same for the same input, and a valid plan file', () => {
    for (const { candidate, plan } of plans.slice(0, 500)) {
      must(JSON.stringify(planJob(candidate)) === JSON.stringify(plan), 'another plan for the same job', candidate)
      planFileSchema.parse(plan)
    }
  })

  it('has a timeline that keeps every precedence, wait and skill', () =>
    forEveryPlan((steps, candidate, { timeline }) => {
      const byId = new Map(timeline.tasks.map((task) => [task.step, task]))
      const waitOf = new Map(steps.map(({ id, wait }) => [id, wait]))
      for (const step of steps) {
        const task = byId.get(step.id)!
        must(task.who.length === Math.min(step.people, candidate.crew.length), `${step.id} by too few`, candidate)
        for (const id of step.after) {
          const gap = task.startMin - byId.get(id)!.endMin
          must(gap >= (waitOf.get(id)?.leastMin ?? 0) - 1e-9, `${step.id} starts too early`, candidate)
          must(gap <= (waitOf.get(id)?.mostMin ?? Infinity) + 1e-9, `${step.id} starts too late`, candidate)
        }
      }
      must(timeline.finishMin >= timeline.lowerBoundMin - 1e-9, 'finished before the bound', candidate)
    }))

  it('of a roof unit parts both sources, plugs the opening before anything flies or runs, and ends with the probe', () =>
    forEveryPlan((steps, candidate) => {
      if (candidate.units[0].family !== 'rv-rooftop' || index(steps, 'power-on') < 0) return
      const at = (id: string) => index(steps, id)
      must(at('part-battery') >= 0 && at('part-battery') < at('prove-dead'), 'the battery is not parted', candidate)
      must(at('join-battery') > at('check-ledger') && at('join-battery') < at('power-on'), 'the battery is joined too early', candidate)
      if (at('off-cover') < 0) return
      const flies = steps.findIndex((step) => step.phase === 'dry-clean' || wets(step))
      must(at('plug-opening') > at('off-cover') && (flies < 0 || at('plug-opening') < flies), 'brushed or sprayed over an open hole', candidate)
      must(at('unplug-opening') > 0 && at('unplug-opening') < at('on-cover'), 'closed over a plug', candidate)
      if (at('off-ice-probe') >= 0) must(at('on-ice-probe') === at('on-cover') - 1, 'the probe is not last before the lid', candidate)
    }))

  it('of a cassette empties the pan before anything comes down, and has the plug back before the flow test', () =>
    forEveryPlan((steps, candidate) => {
      const plug = index(steps, 'off-drain-plug')
      if (plug < 0) return
      must(
        steps.every((step, place) => step.phase !== 'strip' || place > index(steps, 'empty-pan')),
        'stripped with a full pan',
        candidate,
      )
      const flow = index(steps, 'flow-test')
      if (flow >= 0) must(index(steps, 'on-drain-plug') < flow, 'flow test with the plug out', candidate)
    }))

  it('of a unit that is carried secures it first, takes as many people as it weighs, and lets it stand before it runs', () =>
    forEveryPlan((steps, candidate, plan) => {
      const carried = steps.filter(({ id }) => id === 'off-chassis' || id === 'on-chassis')
      if (carried.length === 0) return
      const weightKg = candidate.units[0].design.weightKg ?? Infinity
      must(carried.length === 2 && carried.every(({ people }) => people === (weightKg <= 23 ? 1 : 2)), 'carried by too few', candidate)
      must(carried[0].people <= candidate.crew.length, 'carried by people who are not there', candidate)
      if (candidate.units[0].family === 'window') must(index(steps, 'secure-unit') < index(steps, 'off-chassis'), 'not secured', candidate)
      must(steps[index(steps, 'stand-upright')].wait!.leastMin >= 60, 'not an hour upright', candidate)
      const tasks = new Map(plan.timeline.tasks.map((task) => [task.step, task]))
      must(tasks.get('power-on')!.startMin - tasks.get('stand-upright')!.endMin >= 60, 'run within the hour', candidate)
    }))
})
