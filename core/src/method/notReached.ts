// Which soiled parts does this method not reach, or not get clean? The plan and the report say so.
import { gradeOf, hasKind, inWords, type SoilKind } from '../lookover/index.ts'
import { estimate } from '../quantities/index.ts'
import { isOnRoof, partsOf, type Part } from '../units/index.ts'
import { degreaserBefore, reachesOutdoorSide, staysInItsWall, type Facts } from './facts.ts'
import { whyWheelStays } from './rules/scope.ts'

/** Gap to the ceiling below which hooks and upper face are hard to reach. */
export const tightCeilingGap = estimate(5, 'cm')

export interface NotReached {
  part: Part
  because: string
}

const behindTheCabinet: readonly Part[] = ['coilBack', 'wheel', 'condenserInside', 'rearFan', 'basePan']
const onlyFilter: readonly Part[] = ['filter', 'outlet', 'housing']

/** Every soiled part that stays as it is or is not cleaned by this method, in the order of looking, with the first reason that holds. */
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
  if (decided.scope === 'filter-service') return onlyFilter.includes(part) ? undefined : 'no more than the filters is done on this visit'
  if (staysInItsWall(facts) && behindTheCabinet.includes(part)) return 'it sits behind the cabinet, which comes off only on the bench'
  switch (part) {
    case 'coilFace':
      return design.ceilingGapCm < tightCeilingGap.value && decided.scope !== 'strip-down'
        ? `the upper face is hard to reach, ${design.ceilingGapCm} cm below the ceiling`
        : leftOnCoil(part, facts)
    case 'coilBack':
      return backOfCoil(facts) ?? leftOnCoil(part, facts)
    case 'wheel':
      return leftOnWheel(facts)
    case 'pan':
      return decided.pan === 'leave' ? 'the pan stays as it is' : undefined
    case 'condenserFace':
    case 'condenserInside':
      return reachesOutdoorSide(facts) ? leftOnCondenser(part, facts) : 'it is reached from outside only, and the unit stays in above the ground'
    case 'rearFan':
    case 'basePan':
      return reachesOutdoorSide(facts) ? undefined : 'it is reached from outside only, and the unit stays in above the ground'
    default:
      return undefined
  }
}

/** What asks for more than a brush or a little mist: a mat, or soil that sticks. */
const sticky: readonly SoilKind[] = ['biofilm', 'grease', 'smoke']
function heavyWords({ lookOver }: Facts, part: Part): string | undefined {
  const grade = gradeOf(lookOver, part)
  const kinds = sticky.filter((kind) => hasKind(lookOver, kind, part)).map(inWords)
  if (grade >= 3) return `grade ${grade}${kinds.length > 0 ? ` with ${kinds.join(' and ')}` : ''}`
  return kinds.length > 0 ? kinds.join(' and ') : undefined
}

/** What treats slime does not degrease: where nothing else went on before it, grease stays. */
function greaseLeft(part: 'coilFace' | 'coilBack' | 'wheel', facts: Facts): string | undefined {
  const where = part === 'wheel' ? 'wheel' : 'coil'
  if (facts.decided[`${where}-agent`] !== 'antimicrobial-foam' || degreaserBefore(facts, where)) return undefined
  const kinds = (['grease', 'smoke'] as const).filter((kind) => hasKind(facts.lookOver, kind, part)).map(inWords)
  return kinds.length > 0 ? `${kinds.join(' and ')}: nothing that degreases goes on before the antimicrobial; not clean yet` : undefined
}

/** Dry on heavy soil is not a clean; nor is a little mist on a mat, where more water would have been right. */
function leftOnCoil(part: 'coilFace' | 'coilBack', facts: Facts): string | undefined {
  const heavy = heavyWords(facts, part)
  const { rinse } = facts.decided
  if (rinse === 'none' && heavy) return `${heavy}: the dry way does not carry that off; not clean yet`
  if (rinse === 'spray-bottle' && gradeOf(facts.lookOver, part) >= 3 && !isOnRoof(facts.lookOver.family))
    return `${heavy ?? ''}: rinsed with little water only; not sure to be clean`
  return greaseLeft(part, facts)
}

function leftOnWheel(facts: Facts): string | undefined {
  const { decided } = facts
  if (decided.wheel === 'leave') return whyWheelStays(facts) ?? 'the wheel is not reached on this job'
  const heavy = heavyWords(facts, 'wheel')
  return decided.wheel === 'brush-through-outlet' && heavy
    ? `${heavy}: brushed dry through the outlet only; not clean yet`
    : greaseLeft('wheel', facts)
}

/** Kinds that a brush alone does not get out of a condenser. */
const lodged: readonly SoilKind[] = ['insects', 'leaf-litter', ...sticky]
function leftOnCondenser(part: Part, facts: Facts): string | undefined {
  const { lookOver, decided } = facts
  if (decided['condenser-rinse'] !== 'none' || decided['condenser-agent'] !== 'none') return undefined
  const grade = gradeOf(lookOver, part)
  const kinds = lodged.filter((kind) => hasKind(lookOver, kind, part)).map(inWords)
  if (grade < 3 && kinds.length === 0) return undefined
  return `${[...(grade >= 3 ? [`grade ${grade}`] : []), ...kinds].join(', ')}: brushed only, with nothing put on and nothing rinsed; not proved clean`
}

function backOfCoil({ decided }: Facts): string | undefined {
  if (decided.scope === 'strip-down' || decided.scope === 'bench-clean') return undefined
  return decided.rinse === 'none'
    ? 'dry cleaning does not reach back and upper faces'
    : 'the back face is reached only with pan or wheel out; foam and rinse go through from the front'
}
