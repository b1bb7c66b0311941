// What goes on the coil, and what is washed meanwhile?
import { caution } from './cautions.ts'
import { comesOff, ids, step, type Drafting, type MixFor } from './drafting.ts'
import type { Step } from './step.ts'
import { stepMin, stepMinPerM2 } from './stepTimes.ts'

export const strengthOf = (dilution: number): string => (dilution === 0 ? 'ready to use' : `1:${dilution}`)
export const amountOf = ({ product, dilution, productL, waterL }: MixFor): string =>
  dilution === 0 ? `${productL} L of ${product.name}, ready to use` : `${productL} L of ${product.name} in ${waterL} L of water (1:${dilution})`
/** A bottle for a film or where little water is used, a pump sprayer for more. */
export const sprayer = ({ decided }: Drafting, grade: number): string =>
  decided.rinse === 'none' || decided.rinse === 'spray-bottle' || grade <= 1 ? 'spray-bottle' : 'pump-sprayer'

export function agentSteps(drafting: Drafting, before: readonly Step[], protectedBy: readonly Step[]): Step[] {
  const { decided, facts, coilMix } = drafting
  const agent = decided['coil-agent']
  if (!agent || agent === 'none' || agent === 'water' || !coilMix) return []
  const { product, dilution } = coilMix
  const [leastMin, mostMin] = product.label.dwellMin ?? [5, 10]
  const dryWay = decided.rinse === 'none'
  const mixing = step({
    id: 'mix-agent',
    phase: 'apply',
    title: `Make up ${amountOf(coilMix)}`,
    handsMin: stepMin.mixAgent.value,
    after: ids(protectedBy),
    equipment: [sprayer(drafting, facts.coilGrade)],
    cautions: [caution.chemicals],
  })
  const apply = step({
    id: 'apply-coil',
    phase: 'apply',
    part: 'coilFace',
    handsMin: Math.max(3, stepMinPerM2.applyCoil.value * facts.areaM2),
    title: dryWay ? 'Mist the agent thinly on the coil, face by face' : 'Put the agent on the coil from the bottom up, every face that is reached',
    after: [...ids(before), mixing.id],
    equipment: mixing.equipment,
    gate: `Containment is closed round the unit; the label is read: ${strengthOf(dilution)}, ${leastMin} to ${mostMin} min on the coil`,
    ...(decided.rinse === 'condensate' ? {} : { wait: { leastMin, mostMin, for: `${product.name} to work` } }),
    cautions: [
      caution.chemicals,
      caution.fins,
      ...((product.label.reentryMin ?? 0) > 0 ? [`Room is used again ${product.label.reentryMin} min after the last spraying at the earliest.`] : []),
    ],
  })
  return [mixing, apply]
}

/** Removed parts that are washed while the coil soaks, or when nothing soaks. */
export function filterSteps(drafting: Drafting, soaking: Step | undefined): Step[] {
  const after = ['filters', 'louvres', 'fine-filter'].filter((id) => comesOff(drafting, id)).map((id) => `off-${id}`)
  if (after.length === 0) return []
  const disposable = drafting.facts.design.filter === 'disposable'
  const louvres = comesOff(drafting, 'louvres')
  const handsMin = stepMin.washFilters.value
  const fits = soaking?.wait && (soaking.wait.mostMin ?? Infinity) >= handsMin
  return [
    step({
      id: 'wash-filters',
      phase: fits ? 'dwell' : soaking ? 'rinse' : 'dry-clean',
      part: 'filter',
      handsMin,
      after,
      title: disposable
        ? 'Have new filters ready; wipe what holds them'
        : `Wash ${louvres ? 'filters and louvres' : 'the filters'} at the tap, clean side first, and shake them dry`,
      how: 'Lukewarm water, no scrubbing of the mesh. Away from the unit.',
      cautions: [caution.wasteWater],
    }),
  ]
}
