// What is set up before anything comes off: room, roof or bench, and whatever catches the water.
import { staysInItsWall, reachesOutdoorSide } from '../method/index.ts'
import { isOnRoof } from '../units/index.ts'
import { caution } from './cautions.ts'
import { ids, ladderFor, offId, onTheBench, step, takeDownId, type Drafting } from './drafting.ts'
import type { Step } from './step.ts'
import { stepMin } from './stepTimes.ts'

const belowWords = {
  clear: 'The floor below is clear',
  bed: 'Move the bed or cover it',
  desk: 'Clear and cover the desk',
  worktop: 'Clear and cover the worktop, food out of the room',
  electronics: 'Move electronics away or cover them watertight',
  'patient-chair': 'Move the chair out, or cover it whole',
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
    title: 'Hang the wash bag round the unit, outlet over the bucket',
    equipment: ['wash-bag', 'bucket'],
    gate: 'Containment stands: its upper edge lies behind the unit, and a cup of water poured in reaches the bucket',
    minutes: stepMin.setContainment,
  },
  'funnel-sheet-to-bucket': {
    title: 'Hang the funnel sheet from the body all round, wide enough to take the panel down inside it, outlet over the bucket',
    equipment: ['funnel-sheet', 'bucket'],
    gate: 'The funnel sheet hangs from the body on all sides, and a cup of water poured in reaches the bucket',
    minutes: stepMin.setContainment,
  },
  'opening-plug-and-rags': {
    title: 'Cloth below the ceiling grille indoors; rags below the drain side of the roof unit, a bucket under the gutter',
    equipment: ['bucket'],
    gate: 'Cloth and rags lie: no dirty water can run down the side wall',
    minutes: stepMin.setRags,
  },
  outdoors: {
    title: 'Set the bench outdoors: two battens on the wash sheet, run-off led to a foul drain',
    equipment: ['floor-sheet'],
    gate: 'The bench stands level, and run-off goes where it may',
    minutes: stepMin.setBench,
  },
} as const

export function protectSteps(drafting: Drafting, before: readonly Step[]): Step[] {
  const { decided, facts } = drafting
  const ladder = ladderFor(drafting) === 'step-ladder'
  const steps = [
    step({
      id: 'clear-below',
      phase: 'protect',
      title: `${belowWords[facts.design.below]}; lay the floor sheet`,
      handsMin: stepMin.clearBelow.value,
      after: ids(before),
      equipment: ['floor-sheet', ...(ladder ? ['step-ladder'] : [])],
      cautions: ladder ? [caution.ladder] : [],
    }),
  ]
  const add = (entry: Step) => steps.push(entry)
  if (isOnRoof(facts.lookOver.family) && decided.scope !== 'filter-service')
    add(
      step({
        id: 'go-up',
        phase: 'protect',
        title: 'Tie the roof ladder, look at roof and weather, lay the mats',
        handsMin: stepMin.goUp.value,
        after: ids(before),
        equipment: ['roof-ladder'],
        how:
          facts.design.roof === 'membrane'
            ? 'A membrane gives way under an edge or a heel: mats under knees, tools and shroud.'
            : 'Mats under knees, tools and shroud.',
        gate: `Ladder tied or held; wind below ${facts.houseRules.roofWindLimitMs} m/s, no rain; somebody below knows that you are up there`,
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
        after: ids(before),
        gate: 'The unit cannot tip in or out, and the sash cannot rise or drop, with every screw out',
        cautions: [caution.lifting],
      }),
    )
  const way = containments[decided.containment as keyof typeof containments]
  if (way)
    add(
      step({
        id: 'set-containment',
        phase: 'protect',
        title: way.title,
        handsMin: way.minutes.value,
        after: ['clear-below', ...(steps.some(({ id }) => id === 'go-up') ? ['go-up'] : [])],
        equipment: [...way.equipment],
        ...hangs(drafting, way.equipment),
        ...catches(drafting),
        gate: way.gate,
        cautions: ladder ? [caution.ladder] : [],
      }),
    )
  if (staysInItsWall(facts) && reachesOutdoorSide(facts) && decided['condenser-agent'] !== 'none')
    add(
      step({
        id: 'cover-outlet',
        phase: 'protect',
        title: 'Cover the indoor outlet and front against what is sprayed from outside',
        handsMin: stepMin.coverOutlet.value,
        after: ['clear-below'],
        gate: 'No opening to the room shows',
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
  return [...steps, ...firstOff(drafting, steps)]
}

/** What hangs on one unit cannot hang on another before it is taken down. */
const hanging: readonly string[] = ['wash-bag', 'funnel-sheet']
function hangs(drafting: Drafting, equipment: readonly string[]): Pick<Step, 'holds'> {
  const held = equipment.filter((kind) => hanging.includes(kind))
  return held.length > 0 && !onTheBench(drafting) ? { holds: { equipment: held, until: takeDownId } } : {}
}

function catches({ washWater }: Drafting): { how?: string } {
  if (!washWater) return {}
  const level = washWater.peakLevelShare > 0 ? `; it fills to ${Math.max(1, Math.ceil(washWater.peakLevelShare * 100))} % at most` : ''
  return { how: `About ${washWater.litres} L of wash water will come down${level}.` }
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
