// What dries, for how long, before it goes back or runs?
import { partNames, type Part } from '../units/index.ts'
import { dryingMinutes } from '../wash/index.ts'
import { ids, onTheBench, step, type Drafting } from './drafting.ts'
import type { Step } from './step.ts'
import { stepMin, uprightMin, wetElectricsMin } from './stepTimes.ts'

export function drySteps(drafting: Drafting, before: readonly Step[]): Step[] {
  const { decided, facts, room } = drafting
  const washed: Part[] = [
    ...(before.some(({ id }) => id === 'wash-filters') ? ['filter' as const] : []),
    ...(decided.wheel === 'remove-and-wash' ? ['wheel' as const] : []),
    ...(decided.pan === 'remove-and-wash' ? ['pan' as const] : []),
  ]
  const steps: Step[] = []
  if (washed.length > 0) {
    const leastMin = Math.ceil(Math.max(...washed.map((part) => dryingMinutes(part, 'fan', room, facts.design.filter))))
    const washedIn = before.filter(({ id }) => ['wash-filters', 'wash-wheel', 'wash-pan'].includes(id)).map(({ id }) => id)
    steps.push(
      step({
        id: 'dry-parts',
        phase: 'dry',
        title: `Wipe down and set to dry: ${washed.map((part) => partNames[part]).join(', ')}`,
        handsMin: stepMin.dryParts.value,
        after: washedIn,
        ...(Number.isFinite(leastMin) ? { wait: { leastMin, for: 'parts to dry before a fan' } } : {}),
        cautions: [],
      }),
    )
  }
  if (decided.drying === 'long-air-dry') {
    const wetBoard = facts.lookOver.findings.includes('wet-electronics')
    const coilMin = Math.ceil(dryingMinutes('coilFace', 'still-air', room))
    steps.push(
      step({
        id: 'open-to-dry',
        phase: 'dry',
        title: 'Leave the unit open to dry',
        part: 'coilFace',
        handsMin: stepMin.openToDry.value,
        after: ids(before),
        wait: { leastMin: wetBoard ? wetElectricsMin.value : coilMin, for: wetBoard ? 'electrical parts to dry' : 'the coil to dry in still air' },
        cautions: [],
      }),
    )
  }
  return steps
}

/** A unit that was tipped or carried stands upright before its compressor runs; power waits for it, rebuilding does not. */
export function uprightStep(drafting: Drafting, before: readonly Step[]): Step[] {
  if (!onTheBench(drafting)) return []
  return [
    step({
      id: 'stand-upright',
      phase: 'dry',
      title: 'Set it upright and level; from now on it is not tipped again',
      handsMin: stepMin.standUpright.value,
      after: ids(before),
      wait: { leastMin: uprightMin.value, for: 'oil to run back into the compressor' },
      cautions: [],
    }),
  ]
}
