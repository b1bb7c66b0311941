// What comes down where a unit hangs, besides the rinse of its coil?
import { choicesOf, type ChoiceOf, type Facts } from '../method/index.ts'
import { wheelTool } from '../procedure/index.ts'
import type { WashJob } from '../wash/index.ts'
import type { PlannedMix } from './mixes.ts'

/** The rinse that is decided; none before it is. */
export const rinseOf = (choice: string | undefined): ChoiceOf<'rinse'> => choicesOf.rinse.find((one) => one === choice) ?? 'none'
/** Agents that are rinsed off again, and what washes the wheel where it sits. */
export function comesDown(facts: Facts, mixes: readonly PlannedMix[]): Pick<WashJob, 'wheelBy' | 'sprayedL' | 'rinsedFirst'> {
  const { decided } = facts
  const inPlace = decided.wheel === 'wash-in-place'
  // Foam that condensate carries off leaves by the drain; what is misted in the dry way is drawn off.
  const coilRinsed = decided.rinse !== 'none' && decided.rinse !== 'condensate'
  const off = mixes.filter(({ part }) => (part === 'coilFace' && coilRinsed) || (part === 'wheel' && inPlace))
  const isFirst = (of: 'coilFace' | 'wheel') => off.some(({ part, goesFirst }) => part === of && goesFirst === true)
  return {
    ...(inPlace ? { wheelBy: wheelTool({ decided, facts }) } : {}),
    sprayedL: off.reduce((sum, { productL, waterL }) => sum + productL + waterL, 0),
    rinsedFirst: { coil: isFirst('coilFace'), wheel: isFirst('wheel') },
  }
}
