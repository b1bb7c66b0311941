// Which soiled parts does this method not reach? The plan and the report say so.
import { gradeOf } from '../lookover/index.ts'
import { estimate } from '../quantities/index.ts'
import { partsOf, type Part } from '../units/index.ts'
import { reachesOutdoorSide, staysInItsWall, type Facts } from './facts.ts'

/** Gap to the ceiling below which hooks and upper face are hard to reach. */
export const tightCeilingGap = estimate(5, 'cm')

export interface NotReached {
  part: Part
  because: string
}

const behindTheCabinet: readonly Part[] = ['coilBack', 'wheel', 'condenserInside', 'rearFan', 'basePan']

/** Every soiled part that stays as it is, in the order of looking, with the first reason that holds. */
export function notReached(facts: Facts): NotReached[] {
  const { family } = facts.lookOver
  return partsOf[family].flatMap((part) => {
    const because = gradeOf(facts.lookOver, part) >= 1 ? whyNotReached(part, facts) : undefined
    return because ? [{ part, because }] : []
  })
}

function whyNotReached(part: Part, facts: Facts): string | undefined {
  const { decided, design } = facts
  if (decided.scope === 'decline') return 'nothing was cleaned on this visit'
  if (staysInItsWall(facts) && behindTheCabinet.includes(part)) return 'it sits behind the cabinet, which comes off only on the bench'
  switch (part) {
    case 'coilFace':
      return design.ceilingGapCm < tightCeilingGap.value && decided.scope !== 'strip-down' && decided.scope !== 'filter-service'
        ? `the upper face is hard to reach, ${design.ceilingGapCm} cm below the ceiling`
        : undefined
    case 'coilBack':
      return backOfCoil(facts)
    case 'wheel':
      return decided.wheel === 'leave' ? 'the wheel cannot be reached on this job' : undefined
    case 'pan':
      return decided.pan === 'leave' ? 'the pan stays as it is' : undefined
    case 'condenserFace':
    case 'condenserInside':
    case 'rearFan':
    case 'basePan':
      return reachesOutdoorSide(facts) ? undefined : 'it is reached from outside only, and the unit stays in above the ground'
    default:
      return undefined
  }
}

function backOfCoil({ decided }: Facts): string | undefined {
  if (decided.scope === 'strip-down' || decided.scope === 'bench-clean') return undefined
  return decided.rinse === 'none'
    ? 'dry cleaning does not reach back and upper faces'
    : 'the back face is reached only with pan or wheel out; foam and rinse go through from the front'
}
