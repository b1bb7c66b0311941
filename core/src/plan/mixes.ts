// How much of which product is mixed for which part?
import { gradeOf } from '../lookover/index.ts'
import { agentProduct, degreaserBefore, type Choice, type Facts } from '../method/index.ts'
import { dilutionFor, doseOf, mix, type Product, type ProductClass } from '../products/index.ts'
import type { MixFor } from '../procedure/index.ts'
import { estimate, round } from '../quantities/index.ts'
import type { Part } from '../units/index.ts'

/** Blower wheel's surface as a share of the coil's face, for mixing. */
const wheelAreaShare = estimate(0.6, 'share of coil face')
/** Condenser's face as a multiple of the indoor coil's, for mixing. */
const condenserAreaShare = estimate(1.4, 'times the indoor coil face')
/** One dose of pan treatment. */
const panDoseL = estimate(0.05, 'L')

export interface PlannedMix extends MixFor {
  readonly part: Part
  /** Goes on first and is rinsed off before another agent goes on the same part. */
  readonly goesFirst?: boolean
  readonly cost?: number
}

const agentClasses: readonly Choice[] = ['mild-detergent', 'self-rinsing-foam', 'rinse-off-foam', 'antimicrobial-foam']

const outdoorClasses: readonly Choice[] = ['mild-detergent', 'outdoor-foam', 'alkaline-degreaser']

/** What is mixed for the decisions made, each within its label; what degreases a part stands before what treats its slime. */
export function mixesFor(facts: Facts): PlannedMix[] {
  const { decided, areaM2, coilGrade, lookOver } = facts
  const mixes: PlannedMix[] = []
  const onPart = (part: 'coilFace' | 'wheel', product: Product | undefined, heavy: boolean, area: number, goesFirst?: boolean) => {
    if (!product) return
    const passes = heavy && part === 'coilFace' ? 2 : 1
    mixes.push({ product, part, passes, ...(goesFirst ? { goesFirst } : {}), ...mix(product, area, passes, dilutionFor(product, heavy)) })
  }
  const agent = decided['coil-agent']
  if (agent !== undefined && agentClasses.includes(agent)) {
    onPart('coilFace', degreaserBefore(facts, 'coil'), coilGrade >= 3, areaM2, true)
    onPart('coilFace', agentProduct(facts, agent as ProductClass).product, coilGrade >= 3, areaM2)
  }
  const wheelAgent = decided['wheel-agent']
  if (wheelAgent !== undefined && agentClasses.includes(wheelAgent)) {
    const heavy = gradeOf(lookOver, 'wheel') >= 3
    onPart('wheel', degreaserBefore(facts, 'wheel'), heavy, areaM2 * wheelAreaShare.value, true)
    onPart('wheel', facts.product(wheelAgent as ProductClass, 'rinsed').product, heavy, areaM2 * wheelAreaShare.value)
  }
  const outdoorAgent = decided['condenser-agent']
  const onCondenser =
    outdoorAgent && outdoorClasses.includes(outdoorAgent) ? facts.product(outdoorAgent as ProductClass, 'outdoors').product : undefined
  if (onCondenser) {
    const passes = facts.condenserGrade >= 3 ? 2 : 1
    const dilution = dilutionFor(onCondenser, facts.condenserGrade >= 3)
    mixes.push({ product: onCondenser, part: 'condenserFace', passes, ...mix(onCondenser, areaM2 * condenserAreaShare.value, passes, dilution) })
  }
  const treatment = decided['pan-treatment'] === 'slow-release' ? facts.product('pan-treatment').product : undefined
  if (treatment) {
    const cost =
      treatment.pricePerPack !== undefined && treatment.packLitres
        ? round((treatment.pricePerPack / treatment.packLitres) * panDoseL.value, 2)
        : undefined
    mixes.push({
      product: treatment,
      part: 'pan',
      ...doseOf(treatment, panDoseL.value),
      passes: 1,
      ...(cost === undefined ? {} : { cost }),
    })
  }
  return mixes
}
