// What goes on the coil, and what is washed meanwhile?
import { caution } from './cautions.ts'
import { comesOff, ids, rinseTool, step, type Drafting, type MixFor } from './drafting.ts'
import { standsOf } from './protect.ts'
import type { Step } from './step.ts'
import { atLeast, runsFor, soilFactor, stepMin, stepMinPerM2, takes, times } from './stepTimes.ts'
import { gradeOf, hasKind } from '../lookover/index.ts'
import { hasGrease } from '../method/index.ts'
import { estimate } from '../quantities/index.ts'
import { says, type Message } from '../words/index.ts'

export const strengthOf = (dilution: number): Message =>
  dilution === 0 ? says('procedure.strengthOf.ready-use') : says('procedure.strengthOf.thinned', { dilution })
export const amountOf = ({ product, dilution, productL, waterL }: MixFor): Message =>
  dilution === 0
    ? says('procedure.amountOf.ready-use', { amount: { L: productL }, product: product.name })
    : says('procedure.amountOf.water-1', {
        amount: { L: productL },
        product: product.name,
        water: { L: waterL },
        dilution,
      })
/** A bottle for a film or where little water is used, a pump sprayer for more; whatever of the two is in the van. */
export function sprayer({ decided, facts }: Drafting, grade: number): string {
  const small = decided.rinse === 'none' || decided.rinse === 'spray-bottle' || grade <= 1
  const inOrder = small ? (['spray-bottle', 'pump-sprayer'] as const) : (['pump-sprayer', 'spray-bottle'] as const)
  return inOrder.find((kind) => facts.has(kind)) ?? inOrder[0]
}

/** What sprays the condenser: where two work at once, what the coil does not need. */
export function secondSprayer(drafting: Drafting): string {
  const own = sprayer(drafting, drafting.facts.condenserGrade)
  if (!drafting.isShared || !drafting.coilMix || own !== sprayer(drafting, drafting.facts.coilGrade)) return own
  return (['pump-sprayer', 'spray-bottle'] as const).find((kind) => kind !== own && drafting.facts.has(kind)) ?? own
}

/** Least and most minutes on the part, by the label; what such agents commonly take where it says nothing. */
export const dwellOf = ({ product }: MixFor): readonly [number, number] => product.label.dwellMin ?? [5, 10]
const reentry = ({ product: { label } }: MixFor): { how?: Message } =>
  (label.reentryMin ?? 0) > 0 ? { how: says('procedure.reentry.room-used-again-after', { after: { min: label.reentryMin ?? 0 } }) } : {}

/** Grease and smoke come off with warm water: it is brought before anything is mixed. */
export function warmWaterSteps({ facts, coilMix, coilFirst, wheelMix, wheelFirst, condenserMix }: Drafting, before: readonly Step[]): Step[] {
  const onCondenser = (['grease', 'smoke'] as const).some((kind) => hasKind(facts.lookOver, kind, 'condenserFace', 'condenserInside'))
  const isWanted =
    coilFirst !== undefined ||
    wheelFirst !== undefined ||
    (coilMix !== undefined && hasGrease(facts, 'coil')) ||
    (wheelMix !== undefined && hasGrease(facts, 'wheel')) ||
    (condenserMix !== undefined && onCondenser)
  if (!isWanted) return []
  return [
    step({
      id: 'bring-warm-water',
      phase: 'apply',
      title: facts.site.waterOnSite ? says('procedure.bring-warm-water.title') : says('procedure.bring-warm-water.title.carried'),
      ...takes(stepMin.warmWater),
      after: ids(before),
      equipment: facts.has('bucket') ? ['bucket'] : [],
      gate: says('procedure.bring-warm-water.gate', { warm: { C: warmWaterC.value } }),
      cautions: [caution.hotWater],
    }),
  ]
}
/** As warm as a hand bears: more scalds, and lifts coatings. */
const warmWaterC = estimate(40, '°C')

/** Minutes of putting an agent on: by the face, once for each pass. */
const applied = (facts: Drafting['facts'], { passes }: MixFor) =>
  times(atLeast(1, times(stepMinPerM2.applyCoil, facts.areaM2 * soilFactor[facts.coilGrade])), passes)

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
    title: says('procedure.mix-agent.title', { mix: amountOf(coilMix) }),
    ...takes(stepMin.mixAgent),
    after: ids(protectedBy),
    equipment: [sprayer(drafting, facts.coilGrade)],
    cautions: [caution.chemicals],
  })
  const apply = step({
    id: 'apply-coil',
    phase: 'apply',
    part: 'coilFace',
    ...takes(applied(facts, coilMix)),
    title: dryWay
      ? says('procedure.apply-coil.title.mist', { product: product.name })
      : says('procedure.apply-coil.title.spray', { product: product.name }),
    after: [...ids(before), ...ids(first), mixing.id],
    equipment: mixing.equipment,
    gate: says('procedure.apply-coil.gate', {
      stands: standsOf(decided),
      strength: strengthOf(dilution),
      least: { n: leastMin },
      most: { min: mostMin },
    }),
    ...(decided.rinse === 'condensate' ? {} : { wait: { leastMin, mostMin, for: says('procedure.apply-coil', { product: product.name }) } }),
    cautions: [caution.chemicals, caution.fins],
    ...reentry(coilMix),
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
    title: says('procedure.mix-degreaser.title', { mix: amountOf(mix) }),
    ...takes(stepMin.mixAgent),
    after: ids(protectedBy),
    equipment: [sprayer(drafting, facts.coilGrade)],
    cautions: [caution.chemicals, caution.hotWater],
  })
  const apply = step({
    id: 'apply-degreaser',
    phase: 'apply',
    title: says('procedure.apply-degreaser.title.spray', { product: mix.product.name }),
    part: 'coilFace',
    ...takes(applied(facts, mix)),
    after: [...ids(before), mixing.id],
    equipment: mixing.equipment,
    gate: says('procedure.apply-degreaser.gate', {
      stands: standsOf(decided),
      strength: strengthOf(mix.dilution),
      least: { n: leastMin },
      most: { min: mostMin },
    }),
    wait: { leastMin, mostMin, for: says('procedure.apply-degreaser.wait', { product: mix.product.name }) },
    cautions: [caution.chemicals, caution.fins],
    ...reentry(mix),
  })
  const rinse = step({
    id: 'rinse-degreaser',
    phase: 'apply',
    title: says('procedure.rinse-degreaser.title'),
    part: 'coilFace',
    ...takes(atLeast(stepMin.rinseDegreaser.value, runsFor(drafting.rinseMin))),
    after: [apply.id],
    equipment: [rinseTool(drafting, String(decided.rinse))],
    gate: says('procedure.rinse-degreaser.gate'),
    cautions: [caution.jet, caution.hotWater, caution.wasteWater],
  })
  return [mixing, apply, rinse]
}

/** Removed parts that are washed while the coil soaks, or when nothing soaks. */
export function filterSteps(drafting: Drafting, soaking: Step | undefined): Step[] {
  const off = ['filters', 'louvres', 'fine-filter'].filter((id) => comesOff(drafting, id))
  if (off.length === 0) return []
  const louvres = comesOff(drafting, 'louvres')
  const renewed = drafting.facts.design.filter === 'disposable' && comesOff(drafting, 'filters')
  const washing = times(stepMin.washFilters, soilFactor[gradeOf(drafting.facts.lookOver, 'filter')])
  const fits = soaking?.wait && (soaking.wait.mostMin ?? Infinity) >= washing.value
  const phase = fits ? 'dwell' : soaking ? 'rinse' : 'dry-clean'
  const renew = renewed
    ? [
        step({
          id: 'renew-filters',
          phase,
          part: 'filter',
          ...takes(stepMin.renewFilters),
          after: ['off-filters'],
          title: says('procedure.renew-filters.title'),
          cautions: [caution.dust],
        }),
      ]
    : []
  const washed = off.filter((id) => !renewed || id !== 'filters')
  const mesh = washed.includes('filters')
  if (washed.length === 0) return renew
  const what = !mesh
    ? louvres
      ? says('procedure.filterSteps.louvres')
      : says('procedure.filterSteps.fine-filter')
    : louvres
      ? says('procedure.filterSteps.filters-louvres')
      : says('procedure.filterSteps.filters')
  return [
    ...renew,
    step({
      id: 'wash-filters',
      phase,
      part: mesh ? 'filter' : 'outlet',
      ...takes(washing),
      after: washed.map((id) => `off-${id}`),
      title: says('procedure.wash-filters.title', { what }),
      how: says('procedure.wash-filters.how'),
      cautions: [caution.wasteWater],
    }),
  ]
}
