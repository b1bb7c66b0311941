// Does the water leave? Level, flushing, flow test, pan treatment, and pump and float of a cassette.
import { isOffLevel, leastFallMmPerM } from '../lookover/index.ts'
import { isCarried, isOnRoof } from '../units/index.ts'
import { caution } from './cautions.ts'
import { flowTestL, hasDrainLine, isOpened, isWet, step, type Drafting } from './drafting.ts'
import type { Step } from './step.ts'
import { stepMin } from './stepTimes.ts'

export const hasLiftPump = ({ facts: { lookOver, design } }: Pick<Drafting, 'facts'>): boolean =>
  lookOver.family === 'ceiling-cassette' && design.drain === 'pump'
const drainPart = (drafting: Drafting) => (hasDrainLine(drafting) ? 'drainLine' : 'pan')
/** Whether the drain is proved at the end: wherever water was used, or somebody had to see to it. */
export const isProved = (drafting: Drafting): boolean => isOpened(drafting) && isWet(drafting)

export function flushDrainSteps(drafting: Drafting, after: readonly string[]): Step[] {
  const { decided } = drafting
  if (decided.drain === 'flow-test-only' || !isOpened(drafting)) return []
  return [
    step({
      id: 'flush-drain',
      phase: 'pan-and-drain',
      title: hasDrainLine(drafting) ? 'Flush the drain line with clear water' : 'Flush the way out with clear water: pan, channels and drain holes',
      part: drainPart(drafting),
      handsMin: stepMin.flushDrain.value,
      after: [...after],
      cautions: [caution.wasteWater],
    }),
  ]
}

/** Off level found: put right or referred, before the drain is proved and the unit handed over. */
export function levelSteps({ facts }: Drafting, phase: 'pan-and-drain' | 'prove', after: readonly string[]): Step[] {
  if (!isOffLevel(facts.lookOver)) return []
  return [
    step({
      id: 'set-level',
      phase,
      title: isCarried(facts.lookOver.family)
        ? 'Set it to fall to the outside again'
        : 'Set it to fall towards its drain again; where its bracket does not allow that, refer it',
      handsMin: stepMin.setLevel.value,
      after: [...after],
      equipment: facts.has('level') ? ['level'] : [],
      gate: `Off level was put right: it falls ${leastFallMmPerM.value} mm or more per metre; or the customer has it in writing who has to set it`,
      cautions: [],
    }),
  ]
}

/** Where the water of the flow test is poured, and where it leaves. */
function pour(drafting: Drafting): string {
  const { family } = drafting.facts.lookOver
  if (isOnRoof(family))
    return `Flow test: pour a cup (${flowTestL(drafting)} L) into the evaporator pan; it leaves by the gutter, and is caught in the bucket below it`
  if (isCarried(family)) return 'Flow test: pour one litre into the indoor pan and time it; it runs to the base pan and out by its drain'
  if (hasLiftPump(drafting)) return 'Flow test: pour one litre into the drain line behind the lift pump and time it'
  return 'Flow test: pour one litre into the pan and time it'
}

/** Flow test, float and pan treatment: with the pan in its place, before the unit is closed and while what catches water still hangs. */
export function drainProof(drafting: Drafting, phase: 'pan-and-drain' | 'rebuild', after: readonly string[]): Step[] {
  if (!isProved(drafting)) return []
  const roof = isOnRoof(drafting.facts.lookOver.family)
  const test = step({
    id: 'flow-test',
    phase,
    title: pour(drafting),
    part: drainPart(drafting),
    handsMin: stepMin.flowTest.value,
    after: [...after],
    equipment: roof ? ['bucket'] : [],
    how: hasDrainLine(drafting)
      ? 'One litre within a minute is good. Slower: draw from outside, flush, part and flush, and test again. Still failing: the unit is not handed over as done.'
      : 'It has to run off at once. Else open channels and drain holes, and test again. Still failing: the unit is not handed over as done.',
    gate: roof ? 'The cup ran off at once, and nothing runs indoors' : 'One litre ran off within a minute, and nothing drips',
    cautions: [caution.wasteWater],
  })
  const float = hasLiftPump(drafting)
    ? [
        step({
          id: 'float-test',
          phase,
          title: 'Float switch: lift the float by hand; it moves free, clicks, and falls back',
          part: 'pan',
          handsMin: stepMin.floatTest.value,
          after: [test.id],
          equipment: ['step-ladder'],
          gate: 'The float switch moves free and clicks',
          cautions: [caution.ladder],
        }),
      ]
    : []
  if (drafting.decided['pan-treatment'] !== 'slow-release') return [test, ...float]
  return [
    test,
    ...float,
    step({
      id: 'treat-pan',
      phase,
      title: 'Lay the pan treatment in, clear of the spout',
      part: 'pan',
      handsMin: stepMin.treatPan.value,
      after: [test.id, ...float.map(({ id }) => id)],
      gate: 'The treatment lies in the pan, clear of the spout',
      cautions: [caution.chemicals],
    }),
  ]
}

/** The one check that needs power, over a bucket of its own: the pump lifts what is poured, and its float stops the unit when it does not. */
export function pumpTestSteps(drafting: Drafting, after: readonly string[]): Step[] {
  if (!hasLiftPump(drafting) || !isProved(drafting)) return []
  return [
    step({
      id: 'pump-test',
      phase: 'prove',
      title:
        'Pump and float test with power: its own bucket below; pour water in by the inspection opening until the lift pump runs and empties the pan, then lift the float switch',
      part: 'pan',
      handsMin: stepMin.pumpTest.value,
      after: [...after],
      equipment: ['step-ladder', 'bucket'],
      how: 'The float lifted, the unit has to stop cooling. A cassette whose float does not stop it floods the ceiling one day.',
      gate: 'The pump ran and emptied the pan; the float switch stopped the unit when it was lifted',
      cautions: [caution.electricity, caution.ladder, caution.wasteWater],
    }),
  ]
}
