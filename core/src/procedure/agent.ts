// What goes on the coil, and what is washed meanwhile?
import { caution } from './cautions.ts'
import { comesOff, ids, rinseTool, step, type Drafting, type MixFor } from './drafting.ts'
import { standsWords } from './protect.ts'
import type { Step } from './step.ts'
import { stepMin, stepMinPerM2 } from './stepTimes.ts'

export const strengthOf = (dilution: number): string => (dilution === 0 ? 'ready to use' : `1:${dilution}`)
export const amountOf = ({ product, dilution, productL, waterL }: MixFor): string =>
  dilution === 0 ? `${productL} L of ${product.name}, ready to use` : `${productL} L of ${product.name} in ${waterL} L of water (1:${dilution})`
/** A bottle for a film or where little water is used, a pump sprayer for more; whatever of the two is in the van. */
export function sprayer({ decided, facts }: Drafting, grade: number): string {
  const small = decided.rinse === 'none' || decided.rinse === 'spray-bottle' || grade <= 1
  const inOrder = small ? (['spray-bottle', 'pump-sprayer'] as const) : (['pump-sprayer', 'spray-bottle'] as const)
  return inOrder.find((kind) => facts.has(kind)) ?? inOrder[0]
}

/** Least and most minutes on the part, by the label; what such agents commonly take where it says nothing. */
export const dwellOf = ({ product }: MixFor): readonly [number, number] => product.label.dwellMin ?? [5, 10]
const reentry = ({ product }: MixFor): string[] =>
  (product.label.reentryMin ?? 0) > 0 ? [`Room is used again ${product.label.reentryMin} min after the last spraying at the earliest.`] : []

export function agentSteps(drafting: Drafting, before: readonly Step[], protectedBy: readonly Step[]): Step[] {
  const { decided, facts, coilMix, coilFirst } = drafting
  const agent = decided['coil-agent']
  if (!agent || agent === 'none' || agent === 'water' || !coilMix) return []
  const first = coilFirst ? degreaseSteps(drafting, coilFirst, before, protectedBy) : []
  const { product, dilution } = coilMix
  const [leastMin, mostMin] = dwellOf(coilMix)
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
    handsMin: Math.max(3, stepMinPerM2.applyCoil.value * facts.areaM2) * coilMix.passes,
    title: dryWay ? 'Mist the agent thinly on the coil, face by face' : 'Put the agent on the coil from the bottom up, every face that is reached',
    after: [...ids(before), ...ids(first), mixing.id],
    equipment: mixing.equipment,
    gate: `${standsWords[String(decided.containment)]}; the label is read: ${strengthOf(dilution)}, ${leastMin} to ${mostMin} min on the coil`,
    ...(decided.rinse === 'condensate' ? {} : { wait: { leastMin, mostMin, for: `${product.name} to work` } }),
    cautions: [caution.chemicals, caution.fins, ...reentry(coilMix)],
  })
  return [...first, mixing, apply]
}

/** Grease comes off first, with warm water and a rinse between: two agents never meet on a part. */
function degreaseSteps(drafting: Drafting, mix: MixFor, before: readonly Step[], protectedBy: readonly Step[]): Step[] {
  const { decided, facts } = drafting
  const [leastMin, mostMin] = dwellOf(mix)
  const mixing = step({
    id: 'mix-degreaser',
    phase: 'apply',
    title: `First, for the grease, make up ${amountOf(mix)}, warm`,
    handsMin: stepMin.mixAgent.value,
    after: ids(protectedBy),
    equipment: [sprayer(drafting, facts.coilGrade)],
    cautions: [caution.chemicals, caution.hotWater],
  })
  const apply = step({
    id: 'apply-degreaser',
    phase: 'apply',
    title: 'Put the degreasing agent on the coil from the bottom up, every face that is reached',
    part: 'coilFace',
    handsMin: Math.max(3, stepMinPerM2.applyCoil.value * facts.areaM2) * mix.passes,
    after: [...ids(before), mixing.id],
    equipment: mixing.equipment,
    gate: `${standsWords[String(decided.containment)]}; the label is read: ${strengthOf(mix.dilution)}, ${leastMin} to ${mostMin} min on the coil`,
    wait: { leastMin, mostMin, for: `${mix.product.name} to work` },
    cautions: [caution.chemicals, caution.fins, ...reentry(mix)],
  })
  const rinse = step({
    id: 'rinse-degreaser',
    phase: 'apply',
    title: 'Rinse the degreasing agent off with warm water, from the top down',
    part: 'coilFace',
    handsMin: Math.max(stepMin.rinseDegreaser.value, drafting.rinseMin),
    after: [apply.id],
    equipment: [rinseTool(drafting, String(decided.rinse))],
    gate: 'The run-off is clear: no two agents meet on the coil',
    cautions: [caution.jet, caution.hotWater, caution.wasteWater],
  })
  return [mixing, apply, rinse]
}

/** Removed parts that are washed while the coil soaks, or when nothing soaks. */
export function filterSteps(drafting: Drafting, soaking: Step | undefined): Step[] {
  const off = ['filters', 'louvres', 'fine-filter'].filter((id) => comesOff(drafting, id))
  if (off.length === 0) return []
  const louvres = comesOff(drafting, 'louvres')
  const renewed = drafting.facts.design.filter === 'disposable'
  const handsMin = stepMin.washFilters.value
  const fits = soaking?.wait && (soaking.wait.mostMin ?? Infinity) >= handsMin
  const phase = fits ? 'dwell' : soaking ? 'rinse' : 'dry-clean'
  const renew = renewed
    ? [
        step({
          id: 'renew-filters',
          phase,
          part: 'filter',
          handsMin: stepMin.renewFilters.value,
          after: ['off-filters'],
          title: 'Bag the used filters, lay new ones ready; wipe what holds them',
          cautions: [caution.dust],
        }),
      ]
    : []
  const washed = off.filter((id) => !renewed || id !== 'filters')
  if (washed.length === 0) return renew
  const what = renewed ? (louvres ? 'louvres' : 'the fine filter') : louvres ? 'filters and louvres' : 'the filters'
  return [
    ...renew,
    step({
      id: 'wash-filters',
      phase,
      part: renewed ? 'outlet' : 'filter',
      handsMin,
      after: washed.map((id) => `off-${id}`),
      title: `Wash ${what} at the tap, clean side first, and shake them dry`,
      how: 'Lukewarm water, no scrubbing of the mesh. Away from the unit.',
      cautions: [caution.wasteWater],
    }),
  ]
}
