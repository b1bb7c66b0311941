// The outdoor unit of a split, where it was ordered: not breathed air, but looked at and rinsed at low pressure.
import { isSplit } from '../units/index.ts'
import { caution } from './cautions.ts'
import { step, type Drafting } from './drafting.ts'
import type { Step } from './step.ts'
import { stepMin, takes } from './stepTimes.ts'
import { says } from '../words/index.ts'

const isOrdered = ({ extras, facts }: Drafting): boolean => extras.includes('outdoor-unit') && isSplit(facts.lookOver.family)

/** Its own power off, then water through coil and fan blades; whatever powers the indoor unit again waits for both. */
export function outdoorUnitSteps(drafting: Drafting, before: readonly string[]): Step[] {
  if (!isOrdered(drafting)) return []
  const off = step({
    id: 'outdoor-off',
    phase: 'isolate',
    title: says('procedure.outdoor-off.title'),
    ...takes(stepMin.outdoorOff),
    after: [...before],
    gate: says('procedure.outdoor-off.gate'),
    cautions: [caution.electricity, caution.storedCharge],
  })
  return [
    off,
    step({
      id: 'outdoor-wash',
      phase: 'rinse',
      title: says('procedure.outdoor-wash.title'),
      ...takes(stepMin.outdoorWash),
      after: [off.id],
      equipment: drafting.facts.has('hose') ? ['hose'] : [],
      how: says('procedure.outdoor-wash.how'),
      gate: says('procedure.outdoor-wash.gate'),
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
      title: says('procedure.outdoor-check.title'),
      ...takes(stepMin.outdoorCheck),
      after: [...after],
      gate: says('procedure.outdoor-check.gate'),
      cautions: [caution.wheel],
    }),
  ]
}
