// Is no step planned on a part that is not reached at that moment? Every family, however far it is opened, every step, in the order of the work.
import fc from 'fast-check'
import { choicesOf, type ChoiceOf } from '../method/index.ts'
import { checkJob, planJob, type UnitJob } from '../plan/index.ts'
import { allGrades } from '../quantities/index.ts'
import { componentsOf, families, isReached, knownDesign, partsOf, type Family, type KnownDesign, type Part, type Touch } from '../units/index.ts'
import { visitJob } from '../tests/referenceVisits.ts'
import type { Step } from './index.ts'

/** Steps that are done from a distance, with a mist, a jet, a long brush or a nozzle; all others take hands at their part. */
const fromAfar: readonly string[] = [
  'vacuum-coil',
  'apply-coil',
  'apply-degreaser',
  'rinse-coil',
  'rinse-degreaser',
  'draw-off',
  'brush-wheel',
  'apply-condenser',
  'rinse-condenser',
  'clear-condenser',
]
/** Steps at the outside end of the drain, at the unit as it runs, or at something that is already in one's hands. */
const elsewhere: readonly string[] = ['draw-drain', 'see-condensate', 'pump-test', 'first-spin', 'wash-filters', 'renew-filters', 'empty-pan']
const touchOf = ({ id }: Step): Touch => (fromAfar.includes(id) ? 'spray' : 'hands')

/** Steps at parts that are not reached when they begin. */
function outOfReach(unit: Pick<UnitJob, 'family' | 'findings'>, design: KnownDesign, steps: readonly Step[]): string[] {
  const components = componentsOf(unit.family, design)
  const off = new Set<string>()
  const faults: string[] = []
  // A filter that is missing is in nobody's way.
  const isOff = (id: string) => off.has(id) || (id === 'filters' && unit.findings?.includes('missing-filter') === true)
  for (const step of steps) {
    const handled = components.find(({ name }) => name === step.takesOff || name === step.putsBack)
    if (handled) {
      if (step.takesOff) off.add(handled.id)
      else off.delete(handled.id)
      continue
    }
    if (step.part === undefined || elsewhere.includes(step.id) || step.id.includes('set-screw') || step.id === 'spin-by-hand') continue
    const { part } = step
    const inHand = components.some((component) => component.part === part && off.has(component.id))
    if (!inHand && !isReached(unit.family, design, part, touchOf(step), isOff))
      faults.push(`${step.id} at ${part} with ${[...off].join('+') || 'nothing'} off`)
  }
  return faults
}

const scopes = choicesOf.scope.filter((scope) => scope !== 'decline')
const designs: Record<Family, readonly UnitJob['design'][]> = {
  'wall-head': [{}, { quickAccessOutlet: true }, { panRemovable: true, wheelRemovable: true, coilLiftable: true, boardRemovable: true }],
  'ceiling-cassette': [{ drain: 'pump' }, { drain: 'gravity', drainPlug: false }, { panRemovable: false, wheelRemovable: false }],
  window: [
    { removable: true, weightKg: 20, wheelRemovable: true },
    { removable: false, storey: 0 },
    { removable: true, slideOut: true, weightKg: 40 },
  ],
  'through-wall': [
    { removable: true, slideOut: true, weightKg: 40, sleeveDrain: true },
    { removable: false, storey: 0, sleeveDrain: true },
    { removable: true, weightKg: 20, panRemovable: true },
  ],
  'rv-rooftop': [{ wheelReachable: true }, { wheelReachable: false, wheelRemovable: true }],
}
const people = [
  { name: 'Ilke', trained: ['wheel-removal' as const, 'electrics' as const, 'roof' as const] },
  { name: 'Odo', trained: [] },
]

const cases = families.flatMap((family) => scopes.map((scope) => [family, scope] as const))
describe.each(cases)('%s, chosen as %s', (family, scope) => {
  it('is worked on only where it is reached', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...designs[family]),
        fc.array(fc.constantFrom(...allGrades), { minLength: partsOf[family].length, maxLength: partsOf[family].length }),
        fc.subarray(['bent-fins', 'missing-filter', 'drain-slow', 'insect-nest'] as const),
        fc.constantFrom<ChoiceOf<'pan'> | undefined>(undefined, ...choicesOf.pan),
        fc.constantFrom<ChoiceOf<'drain'> | undefined>(undefined, ...choicesOf.drain),
        fc.constantFrom<ChoiceOf<'wheel'> | undefined>(undefined, ...choicesOf.wheel),
        (design, grades, findings, pan, drain, wheel) => {
          const unit: Omit<UnitJob, 'id'> = {
            family,
            design,
            complaints: [],
            grades: Object.fromEntries(partsOf[family].map((part: Part, at) => [part, { grade: grades[at] }])),
            findings,
            findingExtent: { 'insect-nest': 'little' },
            choices: { scope, ...(pan ? { pan } : {}), ...(drain ? { drain } : {}), ...(wheel ? { wheel } : {}) },
          }
          const [planned] = planJob(checkJob(visitJob({ crew: people, units: [unit] }))).units
          expect(outOfReach(unit, knownDesign(family, design).design, planned.steps)).toEqual([])
        },
      ),
      { numRuns: 40 },
    )
  })
})
