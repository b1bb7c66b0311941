// At which step is how much of which product used?
import type { Part } from '../units/index.ts'
import type { MixFor } from './drafting.ts'
import type { Step } from './step.ts'

/** The step at which the product for a part is measured out. */
const stepFor: Partial<Record<Part, string>> = { coilFace: 'mix-agent', wheel: 'wash-wheel', condenserFace: 'mix-condenser', pan: 'treat-pan' }
/** And of what degreases before. */
const firstStepFor: Partial<Record<Part, string>> = { ...stepFor, coilFace: 'mix-degreaser' }

/** Steps with what each uses of the mixes, litres of product before it is thinned. */
export function withUses(
  steps: readonly Step[],
  mixes: readonly (Pick<MixFor, 'product' | 'productL'> & { part: Part; goesFirst?: boolean })[],
): Step[] {
  return steps.map((step) => {
    const uses = mixes
      .filter(({ part, goesFirst }) => (goesFirst ? firstStepFor : stepFor)[part] === step.id)
      .map(({ product, productL }) => ({ productId: product.id, name: product.name, litres: productL }))
    return uses.length > 0 ? { ...step, uses } : step
  })
}
