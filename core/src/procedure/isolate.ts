// Before anything is opened: readings, every source of power off, and proved dead.
import { isUncovered, powerBars } from '../method/index.ts'
import { isCarried, isOnRoof } from '../units/index.ts'
import { caution } from './cautions.ts'
import { comesOff, ids, isOpened, isWheelWashed, step, type Drafting } from './drafting.ts'
import type { Step } from './step.ts'
import { coilDryMin, steadyCoolingMin, stepMin, storedChargeMin, takes } from './stepTimes.ts'
import { says, type Message } from '../words/index.ts'

/** Whether the coil is cleaned without any water: then it has to be dry, and nothing may wet it first. */
export const isCleanedDry = (drafting: Drafting): boolean => isOpened(drafting) && drafting.decided.rinse === 'none' && drafting.facts.coilGrade >= 1

export function lookOverSteps(drafting: Drafting): Step[] {
  const { facts, decided } = drafting
  const steps: Step[] = []
  const runs = powerBars(facts).length === 0
  // Cooling wets the coil: where it is cleaned dry, air alone is read.
  const isRead = runs && isOpened(drafting)
  if (isRead && !isCleanedDry(drafting))
    steps.push(
      step({
        id: 'start-unit',
        phase: 'look-over',
        title: facts.design.heatsOnly ? says('procedure.start-unit.title.heat') : says('procedure.start-unit.title'),
        ...takes(stepMin.startUnit),
        // One of two goes in and starts it while the other unloads.
        after: facts.crew.length > 1 ? [] : ['arrive'],
        wait: {
          leastMin: steadyCoolingMin.value,
          for: facts.design.heatsOnly ? says('procedure.run-unit.wait-heating') : says('procedure.run-unit.wait'),
        },
        optional: says('procedure.start-unit.optional'),
        powered: true,
        cautions: [],
      }),
    )
  // Nothing runs that must not run: before readings need power.
  if (isRead)
    steps.push(
      step({
        id: 'read-before',
        phase: 'look-over',
        title: says('procedure.read-before.title'),
        ...takes(stepMin.readBefore),
        after: ['ask', ...ids(steps)],
        equipment: ['level'],
        how: isCleanedDry(drafting)
          ? says('procedure.read-before.how-air-alone')
          : facts.design.heatsOnly
            ? says('procedure.read-before.how-heating')
            : says('procedure.read-before.how'),
        optional: says('procedure.read-before.optional'),
        powered: true,
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
        ...takes(stepMin.readVents),
        after: ['ask', ...ids(steps)],
        how: says('procedure.read-vents.how'),
        optional: says('procedure.read-vents.optional'),
        powered: true,
        cautions: [],
      }),
    )
  if (isCleanedDry(drafting))
    steps.push(
      step({
        id: 'coil-dry-first',
        phase: 'look-over',
        title: says('procedure.coil-dry-first.title'),
        ...takes(stepMin.coilDryFirst),
        after: ['ask', ...ids(steps)],
        how: runs
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
        ...takes(stepMin.tell),
        after: ['ask', ...ids(steps)],
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

const chargeId = 'drain-charge'
const chargeIds: readonly string[] = [chargeId, 'prove-dead-again']
/** Of the steps of isolation, those after which nothing but terminals is still barred. */
export const provedDead = (isolated: readonly Step[]): Step[] => isolated.filter(({ id }) => !chargeIds.includes(id))

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
      ...takes(stepMin.isolate),
      after: ['ask', ...ids(before)],
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
        ...takes(stepMin.partBattery),
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
      ...takes(stepMin.proveDead),
      furtherMin: stepMin.proveDeadFurther.value,
      after: ids(steps.slice(-1)),
      equipment: has('meter') ? ['meter'] : [],
      how: has('meter') ? says('procedure.prove-dead.how') : says('procedure.prove-dead.how.breaker-plug-sight-tagged'),
      gate: has('meter') ? says('procedure.prove-dead.gate') : says('procedure.prove-dead.gate.remote-switch-start-terminal'),
      cautions: [caution.electricity],
    }),
  )
  // Filters, panels and covers that lie before any terminal come off meanwhile.
  if (waits)
    steps.push(
      step({
        id: chargeId,
        phase: 'isolate',
        title: says('procedure.drain-charge.title'),
        ...takes(stepMin.drainCharge),
        after: ids(steps.slice(-1)),
        wait: { leastMin: storedChargeMin.value, for: says('procedure.prove-dead') },
        cautions: [caution.storedCharge],
      }),
    )
  if (touchesTerminals(drafting) && has('meter'))
    steps.push(
      step({
        id: 'prove-dead-again',
        phase: 'isolate',
        title: says('procedure.prove-dead-again.title'),
        ...takes(stepMin.proveDead),
        after: ids(steps.slice(-1)),
        equipment: ['meter'],
        gate: says('procedure.prove-dead-again.gate'),
        cautions: [caution.storedCharge],
      }),
    )
  return steps
}
