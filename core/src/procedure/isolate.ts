// Before anything is opened: readings, every source of power off, and proved dead.
import { powerBars } from '../method/index.ts'
import { isCarried, isOnRoof } from '../units/index.ts'
import { caution } from './cautions.ts'
import { comesOff, ids, isOpened, isUncovered, isWheelWashed, step, type Drafting } from './drafting.ts'
import type { Step } from './step.ts'
import { coilDryMin, stepMin, storedChargeMin } from './stepTimes.ts'
import { says, type Message } from '../words/index.ts'

export function lookOverSteps(drafting: Drafting): Step[] {
  const { facts, decided } = drafting
  const steps: Step[] = []
  // Nothing runs that must not run: before readings need power.
  if (powerBars(facts).length === 0)
    steps.push(
      step({
        id: 'read-before',
        phase: 'look-over',
        title: says('procedure.read-before.title'),
        handsMin: stepMin.readBefore.value,
        after: [],
        equipment: ['level'],
        how: facts.design.heatsOnly ? says('procedure.read-before.how-heating') : says('procedure.read-before.how'),
        optional: says('procedure.read-before.optional'),
        doneBy: 'before-readings',
        cautions: [],
      }),
    )
  if (facts.design.ducted)
    steps.push(
      step({
        id: 'read-vents',
        phase: 'look-over',
        title: says('procedure.read-vents.title'),
        handsMin: stepMin.readVents.value,
        after: ids(steps),
        how: says('procedure.read-vents.how'),
        optional: says('procedure.read-vents.optional'),
        cautions: [],
      }),
    )
  if (isOpened(drafting) && decided.rinse === 'none' && facts.coilGrade >= 1)
    steps.push(
      step({
        id: 'coil-dry-first',
        phase: 'look-over',
        title: says('procedure.coil-dry-first.title'),
        handsMin: stepMin.coilDryFirst.value,
        after: ids(steps),
        how:
          powerBars(facts).length === 0
            ? says('procedure.coil-dry-first.how-or-fan', { time: { h: coilDryMin.value / 60 } })
            : says('procedure.coil-dry-first.how', { time: { h: coilDryMin.value / 60 } }),
        gate: says('procedure.coil-dry-first.gate'),
        cautions: [],
      }),
    )
  if (isWheelWashed(drafting) || decided.scope === 'strip-down' || decided.scope === 'bench-clean')
    steps.push(
      step({
        id: 'tell-before',
        phase: 'method',
        title: says('procedure.tell-before.title'),
        handsMin: stepMin.tell.value,
        after: ids(steps),
        cautions: [],
      }),
    )
  return steps
}

/** How the mains are taken off a unit of this kind. */
function mainsOff({ facts: { lookOver, design } }: Drafting): Message {
  if (isOnRoof(lookOver.family)) return says('procedure.mainsOff.stop-unit-part-shore')
  if (isCarried(lookOver.family) && !design.hardWired) return says('procedure.mainsOff.stop-unit-pull-plug')
  return says('procedure.mainsOff.stop-unit-remote-open')
}

/** Whether terminals or plugs inside the unit are touched. */
const touchesTerminals = (drafting: Drafting) =>
  comesOff(drafting, 'board-box') ||
  comesOff(drafting, 'supply') ||
  (comesOff(drafting, 'cover') && drafting.facts.lookOver.family === 'ceiling-cassette')

/** Ends with the step after which terminals may be touched where the job asks for that. */
export function isolateSteps(drafting: Drafting, before: readonly Step[]): Step[] {
  const { design, lookOver, has } = drafting.facts
  const flammable = design.refrigerantSafety === 'A1' ? [] : [caution.flammable]
  const roof = isOnRoof(lookOver.family)
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
  if (roof) {
    steps.push(
      step({
        id: 'part-battery',
        phase: 'isolate',
        title: says('procedure.part-battery.title'),
        handsMin: stepMin.partBattery.value,
        after: ids(steps),
        gate: says('procedure.part-battery.gate'),
        cautions: [caution.battery],
      }),
    )
  }
  const waits = isUncovered(drafting) || touchesTerminals(drafting)
  steps.push(
    step({
      id: 'prove-dead',
      phase: 'isolate',
      title: !has('meter')
        ? roof
          ? says('procedure.prove-dead.no-meter-roof')
          : says('procedure.prove-dead.no-meter')
        : roof
          ? says('procedure.prove-dead.title.prove-both-sources-dead')
          : says('procedure.prove-dead.title.prove-dead'),
      handsMin: stepMin.proveDead.value,
      after: ids(steps.slice(-1)),
      equipment: has('meter') ? ['meter'] : [],
      how: has('meter') ? says('procedure.prove-dead.how') : says('procedure.prove-dead.how.breaker-plug-sight-tagged'),
      gate: has('meter') ? says('procedure.prove-dead.gate') : says('procedure.prove-dead.gate.remote-switch-start-terminal'),
      cautions: [caution.electricity, ...(waits ? [caution.storedCharge] : [])],
      ...(waits ? { wait: { leastMin: storedChargeMin.value, for: says('procedure.prove-dead') } } : {}),
    }),
  )
  if (touchesTerminals(drafting) && has('meter'))
    steps.push(
      step({
        id: 'prove-dead-again',
        phase: 'isolate',
        title: says('procedure.prove-dead-again.title'),
        handsMin: stepMin.proveDead.value,
        after: ids(steps.slice(-1)),
        equipment: ['meter'],
        gate: says('procedure.prove-dead-again.gate'),
        cautions: [caution.storedCharge],
      }),
    )
  return steps
}
