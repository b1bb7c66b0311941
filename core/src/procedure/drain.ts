// Does the water leave? Flushing, flow test, pan treatment, and the lift pump of a cassette.
import { isCarried, isOnRoof } from '../units/index.ts'
import { caution } from './cautions.ts'
import { isWet, step, type Drafting } from './drafting.ts'
import type { Step } from './step.ts'
import { stepMin } from './stepTimes.ts'

const hasLiftPump = ({ facts: { lookOver, design } }: Drafting): boolean => lookOver.family === 'ceiling-cassette' && design.drain === 'pump'

export function flushDrainSteps({ decided }: Drafting, after: readonly string[]): Step[] {
  if (decided.drain === 'flow-test-only' || decided.scope === 'filter-service') return []
  const parted = decided.drain === 'disconnect-and-flush'
  return [
    step({
      id: 'flush-drain',
      phase: 'pan-and-drain',
      title: parted ? 'Part the drain line at the pan, flush it, join it again' : 'Flush the drain line with clear water',
      part: 'drainLine',
      handsMin: parted ? stepMin.partDrain.value : stepMin.flushDrain.value,
      after: [...after],
      cautions: [caution.wasteWater],
    }),
  ]
}

/** Where the litre of the flow test is poured, and where it leaves. */
function pour(drafting: Drafting): string {
  const { family } = drafting.facts.lookOver
  if (isOnRoof(family)) return 'Flow test: pour one litre into the evaporator pan and time it; it leaves by the drain side, onto the rags'
  if (isCarried(family)) return 'Flow test: pour one litre into the indoor pan and time it; it runs to the base pan and out by its drain'
  if (hasLiftPump(drafting)) return 'Flow test: pour one litre into the drain line behind the lift pump and time it'
  return 'Flow test: pour one litre into the pan and time it'
}

/** Flow test and pan treatment: with the pan in its place, before the unit is closed. */
export function drainProof(drafting: Drafting, phase: 'pan-and-drain' | 'rebuild', after: readonly string[]): Step[] {
  if (!isWet(drafting)) return []
  const test = step({
    id: 'flow-test',
    phase,
    title: pour(drafting),
    part: 'drainLine',
    handsMin: stepMin.flowTest.value,
    after: [...after],
    how: 'One litre within a minute is good. Slower: draw from outside, flush, part and flush, and test again. Still failing: the unit is not handed over as done.',
    gate: 'One litre ran off within a minute, and nothing drips',
    cautions: [],
  })
  if (drafting.decided['pan-treatment'] !== 'slow-release') return [test]
  return [
    test,
    step({
      id: 'treat-pan',
      phase,
      title: 'Lay the pan treatment in, clear of the spout',
      part: 'pan',
      handsMin: stepMin.treatPan.value,
      after: [test.id],
      gate: 'The treatment lies in the pan, clear of the spout',
      cautions: [caution.chemicals],
    }),
  ]
}

/** With power on: the pump lifts what is poured, and its float stops the unit when it does not. */
export function pumpTestSteps(drafting: Drafting, after: readonly string[]): Step[] {
  if (!hasLiftPump(drafting) || !isWet(drafting)) return []
  return [
    step({
      id: 'pump-test',
      phase: 'prove',
      title: 'Pump test: pour water in by the inspection opening until the lift pump runs and empties the pan',
      part: 'drainLine',
      handsMin: stepMin.pumpTest.value,
      after: [...after],
      equipment: ['step-ladder'],
      how: 'Then lift the float by hand: the unit has to stop cooling. A cassette whose float does not stop it floods the ceiling one day.',
      gate: 'The pump ran and emptied the pan; the float switch stopped the unit when it was lifted',
      cautions: [caution.electricity, caution.ladder],
    }),
  ]
}
