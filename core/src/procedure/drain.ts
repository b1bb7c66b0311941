// Does the water leave? Level, flushing, flow test, pan treatment, and pump and float of a cassette.
import { isOffLevel, leastFallMmPerM } from '../lookover/index.ts'
import { isOutOfSeason, staysOff } from '../method/index.ts'
import { hasLiftPump, holdsWater, isCarried, isOnRoof } from '../units/index.ts'
import { caution } from './cautions.ts'
import { flowTestL, hasDrainLine, isOpened, isPartReached, isWet, step, type Drafting } from './drafting.ts'
import type { Step } from './step.ts'
import { stepMin, takes } from './stepTimes.ts'
import { says, type Message } from '../words/index.ts'

export const pumpLifts = ({ facts: { lookOver, design } }: Pick<Drafting, 'facts'>): boolean => hasLiftPump(lookOver.family, design)
const drainPart = (drafting: Drafting) => (hasDrainLine(drafting) ? 'drainLine' : 'pan')
/** Whether the drain is proved at the end: wherever water was used, or somebody had to see to it. */
const isProved = (drafting: Drafting): boolean =>
  isOpened(drafting) && isWet(drafting) && !holdsWater(drafting.facts.lookOver.family, drafting.facts.design)
/** Whether a cup of water gets into the pan. */
const isPanReached = (drafting: Drafting): boolean => isPartReached(drafting, 'pan')
/** Whether what is poured into the pan runs off by itself: not behind a cover, nor before a lift pump without power. */
export const isPourable = (drafting: Drafting): boolean => isPanReached(drafting) && !pumpLifts(drafting)

export function flushDrainSteps(drafting: Drafting, after: readonly string[]): Step[] {
  const { decided } = drafting
  if (decided.drain === 'flow-test-only' || !isOpened(drafting) || !isPourable(drafting)) return []
  return [
    step({
      id: 'flush-drain',
      phase: 'pan-and-drain',
      title: hasDrainLine(drafting) ? says('procedure.flush-drain.title') : says('procedure.flush-drain.title.flush-way-out-clear'),
      part: drainPart(drafting),
      ...takes(stepMin.flushDrain),
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
      title: isCarried(facts.lookOver.family) ? says('procedure.set-level.title') : says('procedure.set-level.title.set-fall-towards-drain'),
      ...takes(stepMin.setLevel),
      after: [...after],
      equipment: facts.has('level') ? ['level'] : [],
      gate: says('procedure.set-level.gate', { fall: { mm: leastFallMmPerM.value } }),
      cautions: [],
    }),
  ]
}

/** Where the water of the flow test is poured, and where it leaves. */
function pour(drafting: Drafting): Message {
  const { family } = drafting.facts.lookOver
  if (isOnRoof(family)) return says('procedure.pour.flow-test-pour-cup', { water: { L: flowTestL(drafting) } })
  if (isCarried(family)) return says('procedure.pour.flow-test-pour-one')
  return says('procedure.pour.flow-test-pour-one-3')
}

/** Flow test, float and pan treatment: with the pan in its place, before the unit is closed and while what catches water still hangs. */
export function drainProof(drafting: Drafting, phase: 'pan-and-drain' | 'rebuild', after: readonly string[]): Step[] {
  if (!isProved(drafting) || !isPanReached(drafting)) return treatSteps(drafting, phase, after)
  if (pumpLifts(drafting)) {
    const float = floatTest(phase, after)
    return [float, ...treatSteps(drafting, phase, [float.id])]
  }
  const roof = isOnRoof(drafting.facts.lookOver.family)
  const test = step({
    id: 'flow-test',
    phase,
    title: pour(drafting),
    part: drainPart(drafting),
    ...takes(stepMin.flowTest),
    after: [...after],
    equipment: roof ? ['bucket'] : [],
    how: hasDrainLine(drafting) ? says('procedure.flow-test.how') : says('procedure.flow-test.how.run-off-once-else'),
    gate: roof ? says('procedure.flow-test.gate') : says('procedure.flow-test.gate.one-litre-ran-off'),
    cautions: [caution.wasteWater],
  })
  return [test, ...treatSteps(drafting, phase, [test.id])]
}

const floatTest = (phase: 'pan-and-drain' | 'rebuild', after: readonly string[]): Step =>
  step({
    id: 'float-test',
    phase,
    title: says('procedure.float-test.title'),
    part: 'pan',
    ...takes(stepMin.floatTest),
    after: [...after],
    equipment: ['step-ladder'],
    gate: says('procedure.float-test.gate'),
    cautions: [caution.ladder],
  })

/** Condensate shows that the drain of a closed unit runs: it has to cool for that. */
const cools = ({ facts }: Drafting) => !facts.design.heatsOnly && !isOutOfSeason(facts.site) && !staysOff(facts)
/** Whether nothing shows today how the drain runs: nobody gets to the pan, and no condensate comes. */
export const isDrainUnproved = (drafting: Drafting): boolean => isProved(drafting) && !isPanReached(drafting) && !cools(drafting)
/** Nobody gets to the pan of a closed unit: what its own condensate does is watched while it cools. */
export function condensateSteps(drafting: Drafting, after: readonly string[]): Step[] {
  if (!isProved(drafting) || isPanReached(drafting) || !cools(drafting)) return []
  return [
    step({
      id: 'see-condensate',
      phase: 'prove',
      title: says('procedure.see-condensate.title'),
      part: drainPart(drafting),
      ...takes(stepMin.seeCondensate),
      after: [...after],
      how: says('procedure.see-condensate.how'),
      gate: says('procedure.see-condensate.gate'),
      cautions: [],
    }),
  ]
}

function treatSteps(drafting: Drafting, phase: 'pan-and-drain' | 'rebuild', after: readonly string[]): Step[] {
  if (!isOpened(drafting) || drafting.decided['pan-treatment'] !== 'slow-release') return []
  const isSprayed = drafting.facts.product('pan-treatment').product?.label.form === 'spray'
  return [
    step({
      id: 'treat-pan',
      phase,
      title: isSprayed ? says('procedure.treat-pan.title.sprayed') : says('procedure.treat-pan.title'),
      part: 'pan',
      ...takes(stepMin.treatPan),
      after: [...after],
      gate: isSprayed ? says('procedure.treat-pan.gate.sprayed') : says('procedure.treat-pan.gate'),
      cautions: [caution.chemicals],
    }),
  ]
}

/** Litres that are poured at the unit besides washing: for its flow test, into its lift pump, and whether its drain is flushed. */
export const pouredAt = (drafting: Drafting): { flowTestL?: number; testsPump?: boolean; flushesDrain: boolean } => ({
  flushesDrain: isOpened(drafting) && drafting.decided.drain !== 'flow-test-only' && isPourable(drafting),
  ...(isProved(drafting) && isPanReached(drafting)
    ? pumpLifts(drafting)
      ? { testsPump: true }
      : { flowTestL: flowTestL(drafting), testsPump: false }
    : {}),
})

/** The one check that needs power, over a bucket of its own: the pump lifts what is poured, and its float stops the unit when it does not. */
export function pumpTestSteps(drafting: Drafting, after: readonly string[]): Step[] {
  if (!pumpLifts(drafting) || !isProved(drafting) || !isPanReached(drafting)) return []
  return [
    step({
      id: 'pump-test',
      phase: 'prove',
      title: says('procedure.pump-test.title'),
      part: 'pan',
      ...takes(stepMin.pumpTest),
      after: [...after],
      equipment: ['step-ladder', 'bucket'],
      how: says('procedure.pump-test.how'),
      gate: says('procedure.pump-test.gate'),
      cautions: [caution.electricity, caution.ladder, caution.wasteWater],
    }),
  ]
}
