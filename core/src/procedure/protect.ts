// What is set up before anything is wet: room, roof or bench, and whatever catches the water.
import { staysInItsWall } from '../method/index.ts'
import { isOnRoof } from '../units/index.ts'
import { caution } from './cautions.ts'
import { hangsAtUnit, ids, isUncovered, isWet, ladderFor, offId, onTheBench, step, takeDownId, type Drafting } from './drafting.ts'
import type { Step } from './step.ts'
import { stepMin } from './stepTimes.ts'

const belowWords = {
  clear: 'See that the floor below is clear',
  bed: 'Move the customer’s bed or cover it',
  desk: 'Clear and cover the desk below',
  worktop: 'Clear and cover the worktop below, food out of the room',
  electronics: 'Move the customer’s devices that stand below, or cover them watertight',
  'patient-chair': 'Move the chair below out, or cover it whole',
} as const

/** How each way of containment is set, what it takes, and what proves that it stands. */
const containments = {
  'trough-and-towel': {
    title: 'Hang the trough below the coil and tuck towels in at both ends',
    equipment: ['bucket'],
    gate: 'Containment stands: its upper edge lies behind the unit, and a cup of water poured in reaches the bucket',
    minutes: stepMin.setContainment,
  },
  'wash-bag-to-bucket': {
    title: 'Hang the wash bag above the open body and round it, outlet over the bucket',
    equipment: ['wash-bag', 'bucket'],
    gate: 'Containment stands: its upper edge lies behind the unit, and a cup of water poured in reaches the bucket',
    minutes: stepMin.setContainment,
  },
  'funnel-sheet-to-bucket': {
    title: 'Hang the sheet below the unit all round and funnel it, outlet over the bucket',
    equipment: ['funnel-sheet', 'bucket'],
    gate: 'The sheet hangs on all sides, and a cup of water poured in reaches the bucket',
    minutes: stepMin.setContainment,
  },
  'opening-plug-and-rags': {
    title: 'Cloth below the ceiling grille indoors; rags below the drain side of the roof unit, a bucket under the gutter',
    equipment: ['bucket'],
    gate: 'Cloth and rags lie, the bucket stands: no dirty water can run down the side wall',
    minutes: stepMin.setRags,
  },
  outdoors: {
    title: 'Set the bench outdoors: two battens on the wash sheet, run-off led to a foul drain',
    equipment: ['floor-sheet'],
    gate: 'The bench stands level, and run-off goes where it may',
    minutes: stepMin.setBench,
  },
  'floor-sheet': {
    title: 'Draw the floor sheet up below the unit and tape it on, its front edge over a rolled towel',
    equipment: ['floor-sheet'],
    gate: 'Containment stands: the sheet is taped below the unit, and nothing runs past its edges',
    minutes: stepMin.setContainment,
  },
} as const

/** What proves at the coil that whatever was set still stands, before the first liquid. */
export const standsWords: Readonly<Record<string, string>> = {
  'trough-and-towel': 'The trough hangs, towels at both ends',
  'wash-bag-to-bucket': 'The bag is closed round the unit, its outlet over the bucket',
  'funnel-sheet-to-bucket': 'The sheet hangs all round, its outlet over the bucket',
  'opening-plug-and-rags': 'The opening is plugged, rags and bucket are in place',
  outdoors: 'The unit stands on its battens, run-off goes where it may',
  'floor-sheet': 'The sheet lies below the unit, and nothing drips beside it',
}

/** Whether what catches the water hangs above the body of an opened wall head: then it comes after its cover. */
const comesAfterCover = (drafting: Drafting) => drafting.facts.lookOver.family === 'wall-head' && isUncovered(drafting)
const hasOwnStep = (drafting: Drafting) =>
  drafting.decided.scope !== 'filter-service' &&
  (drafting.decided.containment !== 'floor-sheet' || (staysInItsWall(drafting.facts) && isWet(drafting)))

/** The step that sets the containment; undefined where the floor sheet that lies anyway is all of it. */
export function containmentStep(drafting: Drafting, phase: 'protect' | 'strip', after: readonly string[]): Step | undefined {
  if (comesAfterCover(drafting) !== (phase === 'strip') || !hasOwnStep(drafting)) return undefined
  const way = containments[drafting.decided.containment as keyof typeof containments]
  const ladder = ladderFor(drafting) === 'step-ladder'
  return step({
    id: 'set-containment',
    phase,
    title: way.title,
    handsMin: way.minutes.value,
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
  const before = ids(isolated.slice(0, 1))
  const moved = facts.design.below !== 'clear'
  const steps = [
    step({
      id: 'clear-below',
      phase: 'protect',
      title: `${belowWords[facts.design.below]}; lay the floor sheet`,
      handsMin: stepMin.clearBelow.value,
      after: before,
      equipment: ['floor-sheet', ...(ladder ? ['step-ladder'] : [])],
      ...(moved ? { photo: 'what is moved, in its place' } : {}),
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
        title: 'Tie the roof ladder, look at roof and weather, lay the mats',
        handsMin: stepMin.goUp.value,
        after: ids(isolated.slice(-1)),
        equipment: ['roof-ladder'],
        how:
          facts.design.roof === 'membrane'
            ? 'A membrane gives way under an edge or a heel: mats under knees, tools and shroud.'
            : 'Mats under knees, tools and shroud.',
        gate: `Ladder tied or held; wind below ${facts.houseRules.roofWindLimitMs} m/s, no rain, no ice; somebody below knows that you are up there`,
        cautions: [caution.roof],
      }),
    )
  if (facts.lookOver.family === 'window' && onTheBench(drafting))
    add(
      step({
        id: 'secure-unit',
        phase: 'protect',
        title: 'Secure what holds the unit up in the window, and hold the sash',
        handsMin: stepMin.secureUnit.value,
        after: before,
        gate: 'The unit cannot tip in or out, and the sash cannot rise or drop, with every screw out',
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
        title: 'Cover the indoor outlet against what is sprayed',
        handsMin: stepMin.coverOutlet.value,
        after: ['clear-below'],
        gate: 'Containment stands: the outlet is covered, and no opening to the room shows',
        cautions: [],
      }),
    )
  if (decided.scope === 'clean-in-place')
    add(
      step({
        id: 'cover-electronics',
        phase: 'protect',
        title: 'Tuck a sheet over the electronics end',
        handsMin: stepMin.coverElectronics.value,
        after: ids(steps),
        gate: 'No opening of the electronics end shows',
        cautions: [],
      }),
    )
  return [...steps, ...firstOff(drafting, [...isolated.slice(-1), ...steps])]
}

/** What hangs on one unit cannot hang on another before it is taken down. */
const hanging: readonly string[] = ['wash-bag', 'funnel-sheet']
function hangs(drafting: Drafting, equipment: readonly string[]): Pick<Step, 'holds'> {
  const held = equipment.filter((kind) => hanging.includes(kind))
  return held.length > 0 && hangsAtUnit(drafting) ? { holds: { equipment: held, until: takeDownId } } : {}
}

function catches({ washWater }: Drafting): { how?: string } {
  if (!washWater || washWater.caughtL <= 0) return {}
  const level = washWater.peakLevelShare > 0 ? `; it fills to ${Math.max(1, Math.ceil(washWater.peakLevelShare * 100))} % at most` : ''
  return { how: `About ${washWater.caughtL} L of wash water will come down${level}.` }
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
        handsMin: component.offMin.value,
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
        title: 'Let the pan run empty into the bucket',
        part: 'pan',
        handsMin: stepMin.emptyPan.value,
        after: [offId(component)],
        equipment: ['bucket'],
        gate: 'Nothing runs from the plug hole any more',
        cautions: [caution.wasteWater],
      }),
    ])
}
