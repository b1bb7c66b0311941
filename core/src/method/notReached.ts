// Which soiled parts does this method not reach? The plan and the report say so.
import { gradeOf } from '../lookover/index.ts'
import { estimate } from '../quantities/index.ts'
import type { Part } from '../units/index.ts'
import type { Facts } from './facts.ts'

/** Gap to the ceiling below which hooks and upper face are hard to reach. */
export const tightCeilingGap = estimate(5, 'cm')

export interface NotReached {
  part: Part
  because: string
}

export function notReached({ decided, design, lookOver }: Facts): NotReached[] {
  const list: NotReached[] = []
  const soiled = (part: Part) => gradeOf(lookOver, part) >= 1
  const add = (part: Part, because: string) => list.push({ part, because })
  if (decided.scope === 'decline') {
    for (const part of Object.keys(lookOver.grades) as Part[]) if (soiled(part)) add(part, 'nothing was cleaned: see the referral')
    return list
  }
  const stripped = decided.scope === 'strip-down'
  if (soiled('coilBack') && !stripped)
    add(
      'coilBack',
      decided.rinse === 'none'
        ? 'dry cleaning does not reach back and upper faces'
        : 'the back face is reached only with pan or wheel out; foam and rinse go through from the front',
    )
  if (soiled('wheel') && decided.wheel === 'leave') add('wheel', 'the wheel cannot be reached on this job')
  if (soiled('coilFace') && design.ceilingGapCm < tightCeilingGap.value && !stripped && decided.scope !== 'filter-service')
    add('coilFace', `the upper face is hard to reach, ${design.ceilingGapCm} cm below the ceiling`)
  if (soiled('pan') && decided.pan === 'leave') add('pan', 'the pan stays as it is')
  return list
}
