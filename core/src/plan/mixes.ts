// How much of which product is mixed for which part?
import { agentProduct, type Choice, type Facts } from '../method/index.ts'
import { dilutionFor, mix, type ProductClass } from '../products/index.ts'
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
  readonly cost?: number
}

const agentClasses: readonly Choice[] = ['mild-detergent', 'self-rinsing-foam', 'rinse-off-foam', 'antimicrobial-foam']

const outdoorClasses: readonly Choice[] = ['mild-detergent', 'outdoor-foam', 'alkaline-degreaser']

/** What is mixed for the decisions made, each within its label. */
export function mixesFor(facts: Facts): PlannedMix[] {
  const { decided, areaM2, coilGrade } = facts
  const agent = decided['coil-agent']
  const mixes: PlannedMix[] = []
  if (agent !== undefined && agentClasses.includes(agent)) {
    const { product } = agentProduct(facts, agent as ProductClass)
    if (product) {
      const passes = coilGrade >= 3 ? 2 : 1
      const dilution = dilutionFor(product, coilGrade >= 3)
      mixes.push({ product, part: 'coilFace', passes, ...mix(product, areaM2, passes, dilution) })
      if (decided.wheel === 'remove-and-wash' || decided.wheel === 'wash-in-place')
        mixes.push({ product, part: 'wheel', passes: 1, ...mix(product, areaM2 * wheelAreaShare.value, 1, dilution) })
    }
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
      dilution: 0,
      productL: panDoseL.value,
      waterL: 0,
      passes: 1,
      ...(cost === undefined ? {} : { cost }),
    })
  }
  return mixes
}
