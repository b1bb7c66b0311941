// Before anything is opened: readings, power off and proved dead, the room protected.
import { estimate } from '../quantities/index.ts'
import { caution } from './cautions.ts'
import { ids, step, type Drafting } from './drafting.ts'
import type { Step } from './step.ts'
import { stepMin, storedChargeMin } from './stepTimes.ts'

/** Higher than this nobody works from the floor. */
const ladderAbove = estimate(1.8, 'm')

export function lookOverSteps({ decided }: Drafting): Step[] {
  if (decided.scope === 'decline') return []
  return [
    step({
      id: 'read-before',
      phase: 'look-over',
      title: 'Take the before readings',
      handsMin: stepMin.readBefore.value,
      after: [],
      equipment: ['level'],
      how: 'After ten minutes of steady cooling: return and supply air, airflow, amps; then the level. The after readings are taken the same way.',
      cautions: [],
    }),
  ]
}

export function isolateSteps({ decided, facts }: Drafting, before: readonly Step[]): Step[] {
  const touchesTerminals = decided.electrics === 'unplug-and-remove'
  const flammable = facts.design.refrigerantSafety === 'A1' ? [] : [caution.flammable]
  const isolate = step({
    id: 'isolate',
    phase: 'isolate',
    title: 'Stop the unit with its remote, open its breaker, lock or tag it',
    handsMin: stepMin.isolate.value,
    after: ids(before),
    cautions: [caution.electricity, ...flammable],
  })
  const dead = step({
    id: 'prove-dead',
    phase: 'isolate',
    title: 'Prove it dead',
    handsMin: stepMin.proveDead.value,
    after: [isolate.id],
    equipment: ['meter'],
    how: 'Test the meter on a live point, test the unit, test the meter again; then try the remote.',
    gate: 'The meter shows dead, and the remote starts nothing',
    cautions: [caution.electricity],
    ...(touchesTerminals ? { wait: { leastMin: storedChargeMin.value, for: 'stored charge to drain' } } : {}),
  })
  if (!touchesTerminals) return [isolate, dead]
  const again = step({
    id: 'prove-dead-again',
    phase: 'isolate',
    title: 'Prove it dead again before touching terminals',
    handsMin: stepMin.proveDead.value,
    after: [dead.id],
    equipment: ['meter'],
    gate: 'The meter shows dead a second time',
    cautions: [caution.storedCharge],
  })
  return [isolate, dead, again]
}

const belowWords = {
  clear: 'The floor below is clear',
  bed: 'Move the bed or cover it',
  desk: 'Clear and cover the desk',
  worktop: 'Clear and cover the worktop, food out of the room',
  electronics: 'Move electronics away or cover them watertight',
  'patient-chair': 'Move the chair out, or cover it whole',
} as const

export function protectSteps({ decided, facts, washWater }: Drafting, before: readonly Step[]): Step[] {
  const ladder = facts.design.aboveFloorM > ladderAbove.value
  const clear = step({
    id: 'clear-below',
    phase: 'protect',
    title: `${belowWords[facts.design.below]}; lay the floor sheet`,
    handsMin: stepMin.clearBelow.value,
    after: ids(before),
    equipment: ['floor-sheet', ...(ladder ? ['step-ladder'] : [])],
    cautions: ladder ? [caution.ladder] : [],
  })
  const steps = [clear]
  const hang = {
    'trough-and-towel': 'Hang the trough below the coil and tuck towels in at both ends',
    'wash-bag-to-bucket': 'Hang the wash bag round the unit, outlet over the bucket',
  }[decided.containment as string]
  if (hang) {
    steps.push(
      step({
        id: 'set-containment',
        phase: 'protect',
        title: hang,
        handsMin: stepMin.setContainment.value,
        after: [clear.id],
        equipment: decided.containment === 'wash-bag-to-bucket' ? ['wash-bag', 'bucket'] : ['bucket'],
        ...(washWater
          ? {
              how: `About ${washWater.litres} L will come down; the bag fills to ${Math.max(1, Math.ceil(washWater.peakLevelShare * 100))} % at most.`,
            }
          : {}),
        gate: 'Containment stands: its upper edge lies behind the unit, and a cup of water poured in reaches the bucket',
        cautions: ladder ? [caution.ladder] : [],
      }),
    )
  }
  if (decided.scope === 'clean-in-place') {
    steps.push(
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
  }
  return steps
}
