// The outdoor unit of a split, where it was ordered: not breathed air, but looked at and rinsed at low pressure.
import { isSplit } from '../units/index.ts'
import { caution } from './cautions.ts'
import { step, type Drafting } from './drafting.ts'
import type { Step } from './step.ts'
import { stepMin } from './stepTimes.ts'

const isOrdered = ({ extras, facts }: Drafting): boolean => extras.includes('outdoor-unit') && isSplit(facts.lookOver.family)

/** Its own power off, then water through coil and fan blades; whatever powers the indoor unit again waits for both. */
export function outdoorUnitSteps(drafting: Drafting, before: readonly string[]): Step[] {
  if (!isOrdered(drafting)) return []
  const off = step({
    id: 'outdoor-off',
    phase: 'isolate',
    title: 'Outdoor unit: open its own isolator too, tag it, see that its fan stands still',
    handsMin: stepMin.outdoorOff.value,
    after: [...before],
    gate: 'The outdoor unit is off and tagged, its fan stands still',
    cautions: [caution.electricity, caution.storedCharge],
  })
  return [
    off,
    step({
      id: 'outdoor-wash',
      phase: 'rinse',
      title: 'Outdoor unit: leaves out by hand, then hose at low pressure through coil and fan blades, the way the dust came in and out again',
      handsMin: stepMin.outdoorWash.value,
      after: [off.id],
      equipment: drafting.facts.has('hose') ? ['hose'] : [],
      how: 'Motor and electrics are spared; no jet, along the fins. Dust is flushed out the way it came in.',
      gate: 'Light shows through the coil, and the run-off is clear',
      cautions: [caution.fins, caution.jet, caution.circuit],
    }),
  ]
}

/** After the run: what it does now. */
export function outdoorCheckSteps(drafting: Drafting, after: readonly string[]): Step[] {
  if (!isOrdered(drafting)) return []
  return [
    step({
      id: 'outdoor-check',
      phase: 'prove',
      title: 'Outdoor unit: fan runs quiet, air leaves it warm, no new noise; note it with the after readings',
      handsMin: stepMin.outdoorCheck.value,
      after: [...after],
      gate: 'The outdoor unit runs without a new noise, or what was heard stands in the notes',
      cautions: [caution.wheel],
    }),
  ]
}
