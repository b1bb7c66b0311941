// Before anything is opened: readings, every source of power off, and proved dead.
import { isCarried, isOnRoof } from '../units/index.ts'
import { caution } from './cautions.ts'
import { comesOff, ids, step, type Drafting } from './drafting.ts'
import type { Step } from './step.ts'
import { stepMin, storedChargeMin } from './stepTimes.ts'

export function lookOverSteps({ facts }: Drafting): Step[] {
  return [
    step({
      id: 'read-before',
      phase: 'look-over',
      title: 'Take the before readings',
      handsMin: stepMin.readBefore.value,
      after: [],
      equipment: ['level'],
      how: `After ten minutes of steady ${facts.design.heatsOnly ? 'heating' : 'cooling'}: return and supply air, airflow, amps; then the level. The after readings are taken the same way.`,
      optional: 'without them, nothing can be compared afterwards',
      cautions: [],
    }),
  ]
}

/** How the mains are taken off a unit of this kind. */
function mainsOff({ facts: { lookOver, design } }: Drafting): string {
  if (isOnRoof(lookOver.family)) return 'Stop the unit, part the shore lead, stop the generator and lock it out, open the unit’s breaker and tag it'
  if (isCarried(lookOver.family) && !design.hardWired) return 'Stop the unit, pull its plug, tag it and keep it in sight'
  return 'Stop the unit with its remote, open its breaker, lock or tag it'
}

/** Ends with the step after which terminals may be touched where the job asks for that. */
export function isolateSteps(drafting: Drafting, before: readonly Step[]): Step[] {
  const { design, lookOver } = drafting.facts
  const touchesTerminals = comesOff(drafting, 'board-box') || comesOff(drafting, 'supply')
  const flammable = design.refrigerantSafety === 'A1' ? [] : [caution.flammable]
  const steps = [
    step({
      id: 'isolate',
      phase: 'isolate',
      title: mainsOff(drafting),
      handsMin: stepMin.isolate.value,
      after: ids(before),
      cautions: [caution.electricity, ...flammable],
    }),
  ]
  // An inverter feeds the mains side from the battery, whatever the controls run on.
  if (isOnRoof(lookOver.family)) {
    steps.push(
      step({
        id: 'part-battery',
        phase: 'isolate',
        title: 'Switch the inverter off; take the battery’s negative lead off first, then the positive, and cover both ends',
        handsMin: stepMin.partBattery.value,
        after: ids(steps),
        gate: 'Inverter off; the negative lead came off first, and no lead end can touch anything',
        cautions: [caution.battery],
      }),
    )
  }
  steps.push(
    step({
      id: 'prove-dead',
      phase: 'isolate',
      title: isOnRoof(lookOver.family) ? 'Prove both sources dead: mains and 12 V' : 'Prove it dead',
      handsMin: stepMin.proveDead.value,
      after: ids(steps.slice(-1)),
      equipment: ['meter'],
      how: 'Test the meter on a live point, test the unit, test the meter again; then try the remote.',
      gate: 'The meter shows dead, and the remote starts nothing',
      cautions: [caution.electricity],
      ...(touchesTerminals ? { wait: { leastMin: storedChargeMin.value, for: 'stored charge to drain' } } : {}),
    }),
  )
  if (touchesTerminals)
    steps.push(
      step({
        id: 'prove-dead-again',
        phase: 'isolate',
        title: 'Prove it dead again before touching terminals',
        handsMin: stepMin.proveDead.value,
        after: ids(steps.slice(-1)),
        equipment: ['meter'],
        gate: 'The meter shows dead a second time',
        cautions: [caution.storedCharge],
      }),
    )
  return steps
}
