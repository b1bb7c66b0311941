// Which soiled parts does this method not reach, or not get clean? The plan and the report say so.
import { gradeOf, hasKind, named, type SoilKind } from '../lookover/index.ts'
import { estimate } from '../quantities/index.ts'
import { isOnRoof, partsOf, type Part } from '../units/index.ts'
import { degreaserBefore, reaches, staysInItsWall, type Facts } from './facts.ts'
import { whyWheelStays } from './rules/scope.ts'
import { isSame, joined, says, type Key, type Message } from '../words/index.ts'

/** Gap to the ceiling below which hooks and upper face are hard to reach. */
export const tightCeilingGap = estimate(5, 'cm')

export interface NotReached {
  part: Part
  because: Message
}

const behindTheCabinet: readonly Part[] = ['coilBack', 'wheel', 'condenserInside', 'rearFan', 'basePan']
const onlyFilter: readonly Part[] = ['filter', 'outlet', 'housing']

/** Every soiled part that stays as it is or is not cleaned by this method, in the order of looking, with the first reason that holds. */
export function notReached(facts: Facts): NotReached[] {
  const { family } = facts.lookOver
  return partsOf[family].flatMap((part) => {
    const because = gradeOf(facts.lookOver, part) >= 1 ? whyNotReached(part, facts) : undefined
    if (!because) return []
    const dry = stayedDry(part, facts)
    return [{ part, because: dry && !isSame(dry, because) ? joined({ semicolon: [because, dry] }) : because }]
  })
}

function whyNotReached(part: Part, facts: Facts): Message | undefined {
  const { decided, design } = facts
  if (decided.scope === 'decline') return says('method.whyNotReached.cleaned-visit')
  if (decided.scope === 'filter-service') return onlyFilter.includes(part) ? undefined : says('method.whyNotReached.more-than-filters-done')
  if (staysInItsWall(facts) && behindTheCabinet.includes(part) && !reaches(facts, part)) return says('method.whyNotReached.sits-behind-cabinet-comes')
  switch (part) {
    case 'coilFace':
      return design.ceilingGapCm < tightCeilingGap.value && decided.scope !== 'strip-down'
        ? says('method.whyNotReached.upper-face-hard-reach', { gap: { cm: design.ceilingGapCm } })
        : leftOnCoil(part, facts)
    case 'coilBack':
      return backOfCoil(facts) ?? leftOnCoil(part, facts)
    case 'wheel':
      return leftOnWheel(facts)
    case 'pan':
      return decided.pan === 'leave' ? (reaches(facts, part) ? says('method.whyNotReached.pan-stays') : says('method.pan-closed')) : undefined
    case 'drainLine':
      return decided.drain === 'flow-test-only' && !reaches(facts, part) ? says('method.drain-closed') : undefined
    case 'condenserFace':
    case 'condenserInside':
      return reaches(facts, part) ? leftOnCondenser(part, facts) : says('method.whyNotReached.reached-outside-unit-stays')
    case 'rearFan':
    case 'basePan':
      return reaches(facts, part) ? undefined : says('method.whyNotReached.reached-outside-unit-stays')
    default:
      return undefined
  }
}

/** Dry work on heavy soil is said, whatever else keeps a face from being reached. */
function stayedDry(part: Part, facts: Facts): Message | undefined {
  if (part !== 'coilFace' && part !== 'coilBack') return undefined
  const { scope, rinse } = facts.decided
  const heavy = scope === 'decline' || scope === 'filter-service' || rinse !== 'none' ? undefined : heavyWords(facts, part)
  return heavy && says('method.leftOnCoil.dry-way-does-carry', { heavy })
}

/** What asks for more than a brush or a little mist: a mat, or soil that sticks. */
const sticky: readonly SoilKind[] = ['biofilm', 'grease', 'smoke']
function heavyWords({ lookOver }: Facts, part: Part): Message | undefined {
  const grade = gradeOf(lookOver, part)
  const kinds = sticky.filter((kind) => hasKind(lookOver, kind, part)).map(named)
  if (grade >= 3)
    return kinds.length > 0 ? says('method.heavyWords.grade-with', { grade, kinds: { and: kinds } }) : says('method.heavyWords.grade', { grade })
  return kinds.length > 0 ? joined({ and: kinds }) : undefined
}

/** What treats slime does not degrease: where nothing else went on before it, grease stays. */
function greaseLeft(part: 'coilFace' | 'coilBack' | 'wheel', facts: Facts): Message | undefined {
  const where = part === 'wheel' ? 'wheel' : 'coil'
  if (facts.decided[`${where}-agent`] !== 'antimicrobial-foam' || degreaserBefore(facts, where)) return undefined
  const kinds = (['grease', 'smoke'] as const).filter((kind) => hasKind(facts.lookOver, kind, part)).map(named)
  return kinds.length > 0 ? says('method.greaseLeft.degreases-goes-before-antimicrobial', { kinds: { and: kinds } }) : undefined
}

/** Dry on heavy soil is not a clean; nor is a little mist on a mat, where more water would have been right. */
function leftOnCoil(part: 'coilFace' | 'coilBack', facts: Facts): Message | undefined {
  const heavy = heavyWords(facts, part)
  const { rinse } = facts.decided
  if (rinse === 'none' && heavy) return says('method.leftOnCoil.dry-way-does-carry', { heavy })
  if (rinse === 'spray-bottle' && heavy && gradeOf(facts.lookOver, part) >= 3 && !isOnRoof(facts.lookOver.family))
    return says('method.leftOnCoil.rinsed-little-water-sure', { heavy })
  return greaseLeft(part, facts)
}

function leftOnWheel(facts: Facts): Message | undefined {
  const { decided } = facts
  if (decided.wheel === 'leave' && gradeOf(facts.lookOver, 'wheel') === 1 && !heavyWords(facts, 'wheel')) return says('method.wheel-film')
  if (decided.wheel === 'leave') return whyWheelStays(facts) ?? says('method.leftOnWheel.wheel-reached-job')
  const heavy = heavyWords(facts, 'wheel')
  return decided.wheel === 'brush-through-outlet' && heavy
    ? says('method.leftOnWheel.brushed-dry-through-outlet', { heavy })
    : greaseLeft('wheel', facts)
}

/** Kinds that a brush alone does not get out of a condenser. */
const lodged: readonly SoilKind[] = ['insects', 'leaf-litter', ...sticky]
function leftOnCondenser(part: Part, facts: Facts): Message | undefined {
  const { lookOver, decided } = facts
  if (decided['condenser-rinse'] !== 'none' || decided['condenser-agent'] !== 'none') return undefined
  const grade = gradeOf(lookOver, part)
  const kinds = lodged.filter((kind) => hasKind(lookOver, kind, part)).map(named)
  if (grade < 3 && kinds.length === 0) return undefined
  return says('method.leftOnCondenser.brushed-put-rinsed-proved', {
    soil: { comma: [...(grade >= 3 ? [says('method.heavyWords.grade', { grade })] : []), ...kinds] },
  })
}

function backOfCoil(facts: Facts): Message | undefined {
  const { decided } = facts
  if (decided.scope === 'strip-down' || decided.scope === 'bench-clean' || reaches(facts, 'coilBack')) return undefined
  return decided.rinse === 'none' ? says('method.backOfCoil.dry-cleaning-does-reach') : says('method.backOfCoil.back-face-reached-pan')
}

const notClean: readonly Key[] = [
  'method.greaseLeft.degreases-goes-before-antimicrobial',
  'method.leftOnCoil.dry-way-does-carry',
  'method.leftOnWheel.brushed-dry-through-outlet',
]
/** Whether a reason says that the part was cleaned and is not clean yet, so that a second visit would take off more. */
export const saysNotClean = ({ key }: Message): boolean => notClean.includes(key)
