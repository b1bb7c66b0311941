// What is set up before anything is wet: room, roof or bench, and whatever catches the water.
import { isOutOfWall, isUncovered, staysInItsWall, type ChoiceOf } from '../method/index.ts'
import { isOnRoof, isSplit } from '../units/index.ts'
import { caution } from './cautions.ts'
import { hangsAtUnit, ids, isWet, ladderFor, offId, onStand, step, takeDownId, type Drafting } from './drafting.ts'
import type { Step } from './step.ts'
import { provedDead } from './isolate.ts'
import { stepMin, takes } from './stepTimes.ts'
import { says, type Message } from '../words/index.ts'

const belowWords = {
  clear: says('procedure.belowWords.see-floor-below-clear'),
  bed: says('procedure.belowWords.move-customers-bed-cover'),
  desk: says('procedure.belowWords.clear-cover-desk-below'),
  worktop: says('procedure.belowWords.clear-cover-worktop-below'),
  electronics: says('procedure.belowWords.move-customers-devices-stand'),
  'patient-chair': says('procedure.belowWords.move-chair-below-out'),
} as const

/** How each way of containment is set, what it takes, and what proves that it stands. */
const containments = {
  'trough-and-towel': {
    title: says('procedure.containments.hang-trough-below-coil'),
    equipment: ['bucket'],
    gate: says('procedure.containments.containment-stands-upper-edge'),
    minutes: stepMin.setTrough,
  },
  'wash-bag-to-bucket': {
    title: says('procedure.containments.hang-wash-bag-above'),
    equipment: ['wash-bag', 'bucket'],
    gate: says('procedure.containments.containment-stands-upper-edge'),
    minutes: stepMin.setContainment,
  },
  'funnel-sheet-to-bucket': {
    title: says('procedure.containments.hang-sheet-below-unit'),
    equipment: ['funnel-sheet', 'bucket'],
    gate: says('procedure.containments.sheet-hangs-all-sides'),
    minutes: stepMin.setContainment,
  },
  'opening-plug-and-rags': {
    title: says('procedure.containments.cloth-below-ceiling-grille'),
    equipment: ['bucket'],
    gate: says('procedure.containments.cloth-rags-lie-bucket'),
    minutes: stepMin.setRags,
  },
  outdoors: {
    title: says('procedure.containments.set-bench-outdoors-two'),
    equipment: ['floor-sheet'],
    gate: says('procedure.containments.bench-stands-level-run'),
    minutes: stepMin.setBench,
  },
  'floor-sheet': {
    title: says('procedure.containments.draw-floor-sheet-up'),
    equipment: ['floor-sheet'],
    gate: says('procedure.containments.containment-stands-sheet-taped'),
    minutes: stepMin.setSheet,
  },
} as const
/** Before its sleeve: the stand carries the chassis, and the sheet in it catches its water. */
const stand = {
  title: says('procedure.containments.set-stand'),
  equipment: ['stand', 'funnel-sheet', 'bucket'],
  gate: says('procedure.containments.stand-level'),
  minutes: stepMin.setStand,
} as const

/** What proves at the coil that whatever was set still stands, before the first liquid. */
const standsWords: Readonly<Record<ChoiceOf<'containment'>, Message>> = {
  'trough-and-towel': says('procedure.standsWords.trough-and-towel'),
  'wash-bag-to-bucket': says('procedure.standsWords.wash-bag-to-bucket'),
  'funnel-sheet-to-bucket': says('procedure.standsWords.funnel-sheet-to-bucket'),
  'opening-plug-and-rags': says('procedure.standsWords.opening-plug-and-rags'),
  outdoors: says('procedure.standsWords.outdoors'),
  'floor-sheet': says('procedure.standsWords.floor-sheet'),
}
export const standsOf = ({ containment }: Drafting['decided']): Message => standsWords[containment as ChoiceOf<'containment'>]

/** Whether what catches the water hangs round the opened body of a head or a cassette: then it comes after its cover. */
const comesAfterCover = (drafting: Drafting) => isSplit(drafting.facts.lookOver.family) && isUncovered(drafting)
const hasOwnStep = (drafting: Drafting) =>
  drafting.decided.scope !== 'filter-service' &&
  (onStand(drafting) || drafting.decided.containment !== 'floor-sheet' || (staysInItsWall(drafting.facts) && isWet(drafting)))

/** The step that sets the containment; undefined where the floor sheet that lies anyway is all of it. */
export function containmentStep(drafting: Drafting, phase: 'protect' | 'strip', after: readonly string[]): Step | undefined {
  if (comesAfterCover(drafting) !== (phase === 'strip') || !hasOwnStep(drafting)) return undefined
  const way = onStand(drafting) ? stand : containments[drafting.decided.containment as keyof typeof containments]
  const ladder = ladderFor(drafting) === 'step-ladder'
  return step({
    id: 'set-containment',
    phase,
    title: way.title,
    ...takes(way.minutes),
    after: [...after],
    equipment: [...way.equipment],
    ...hangs(drafting, way.equipment),
    ...catches(drafting),
    gate: way.gate,
    cautions: ladder && phase === 'protect' ? [caution.ladder] : [],
  })
}

export function protectSteps(drafting: Drafting, isolated: readonly Step[]): Step[] {
  const { decided, facts } = drafting
  const ladder = ladderFor(drafting) === 'step-ladder'
  const before = ['ask']
  const moved = facts.design.below !== 'clear'
  const steps = [
    step({
      id: 'clear-below',
      phase: 'protect',
      title: says('procedure.clear-below.title', { below: belowWords[facts.design.below] }),
      ...takes(moved ? stepMin.moveThings : stepMin.clearBelow),
      after: before,
      equipment: ['floor-sheet', ...(ladder ? ['step-ladder'] : [])],
      ...(moved ? { photo: says('procedure.clear-below') } : {}),
      cautions: ladder ? [caution.ladder] : [],
    }),
  ]
  const add = (entry: Step) => steps.push(entry)
  const roof = isOnRoof(facts.lookOver.family) && decided.scope !== 'filter-service'
  if (roof)
    add(
      step({
        id: 'go-up',
        phase: 'protect',
        title: says('procedure.go-up.title'),
        ...takes(stepMin.goUp),
        after: ids(provedDead(isolated).slice(-1)),
        equipment: ['roof-ladder'],
        how: facts.design.roof === 'membrane' ? says('procedure.go-up.how') : says('procedure.go-up.how.mats-under-knees-tools'),
        gate: says('procedure.go-up.gate', { wind: { Ms: facts.houseRules.roofWindLimitMs } }),
        cautions: [caution.roof],
      }),
    )
  if (facts.lookOver.family === 'window' && isOutOfWall(drafting))
    add(
      step({
        id: 'secure-unit',
        phase: 'protect',
        title: says('procedure.secure-unit.title'),
        ...takes(stepMin.secureUnit),
        after: before,
        gate: says('procedure.secure-unit.gate'),
        cautions: [caution.lifting],
      }),
    )
  const set = containmentStep(drafting, 'protect', ['clear-below', ...(roof ? ['go-up'] : [])])
  if (set) add(set)
  if (staysInItsWall(facts) && isWet(drafting))
    add(
      step({
        id: 'cover-outlet',
        phase: 'protect',
        title: says('procedure.cover-outlet.title'),
        ...takes(stepMin.coverOutlet),
        after: ['clear-below'],
        gate: says('procedure.cover-outlet.gate'),
        cautions: [],
      }),
    )
  if (decided.scope === 'clean-in-place')
    add(
      step({
        id: 'cover-electronics',
        phase: 'protect',
        title: says('procedure.cover-electronics.title'),
        ...takes(stepMin.coverInPlace),
        after: ids(steps),
        gate: says('procedure.cover-electronics.gate'),
        cautions: [],
      }),
    )
  return [...steps, ...firstOff(drafting, [...isolated.slice(-1), ...steps])]
}

/** What hangs on one unit cannot hang on another before it is taken down. */
const hanging: readonly string[] = ['wash-bag', 'funnel-sheet', 'stand']
function hangs(drafting: Drafting, equipment: readonly string[]): Pick<Step, 'holds'> {
  const held = equipment.filter((kind) => hanging.includes(kind))
  return held.length > 0 && (hangsAtUnit(drafting) || onStand(drafting)) ? { holds: { equipment: held, until: takeDownId } } : {}
}

function catches({ washWater }: Drafting): { how?: Message } {
  if (!washWater || washWater.caughtL <= 0) return {}
  const water = { L: washWater.caughtL }
  const { peakLevelShare } = washWater
  return {
    how:
      peakLevelShare > 0
        ? says('procedure.catches.fills-most', { water, level: { share: Math.max(1, Math.ceil(peakLevelShare * 100)) / 100 } })
        : says('procedure.catches.about-wash-water-will', { water }),
  }
}

/** What comes out before stripping begins, over a bucket, and the wait until it runs empty. */
function firstOff({ strip, facts }: Drafting, before: readonly Step[]): Step[] {
  return strip
    .filter(({ first }) => first)
    .flatMap((component) => [
      step({
        id: offId(component),
        phase: 'protect',
        title: component.takeOff,
        ...takes(component.offMin),
        after: ids(before),
        equipment: ['step-ladder', 'bucket'],
        takesOff: component.name,
        slot: component.slot,
        fasteners: [...component.fasteners(facts.design)],
        cautions: [...component.cautions, caution.ladder],
      }),
      step({
        id: 'empty-pan',
        phase: 'protect',
        title: says('procedure.empty-pan.title'),
        part: 'pan',
        ...takes(stepMin.emptyPan),
        after: [offId(component)],
        equipment: ['bucket'],
        gate: says('procedure.empty-pan.gate'),
        cautions: [caution.wasteWater],
      }),
    ])
}
