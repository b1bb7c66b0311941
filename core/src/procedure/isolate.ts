// Before anything is opened: readings, every source of power off, and proved dead.
import { powerBars } from '../method/index.ts'
import { isCarried, isOnRoof } from '../units/index.ts'
import { caution } from './cautions.ts'
import { comesOff, ids, isOpened, isUncovered, isWheelWashed, step, type Drafting } from './drafting.ts'
import type { Step } from './step.ts'
import { coilDryMin, stepMin, storedChargeMin } from './stepTimes.ts'

export function lookOverSteps(drafting: Drafting): Step[] {
  const { facts, decided } = drafting
  const steps: Step[] = []
  // Nothing runs that must not run: before readings need power.
  if (powerBars(facts).length === 0)
    steps.push(
      step({
        id: 'read-before',
        phase: 'look-over',
        title: 'Take the before readings',
        handsMin: stepMin.readBefore.value,
        after: [],
        equipment: ['level'],
        how: `After ten minutes of steady ${facts.design.heatsOnly ? 'heating' : 'cooling'}: return and supply air, airflow, amps; then the level. The after readings are taken the same way.`,
        optional: 'without them, nothing can be compared afterwards',
        doneBy: 'before-readings',
        cautions: [],
      }),
    )
  if (facts.design.ducted)
    steps.push(
      step({
        id: 'read-vents',
        phase: 'look-over',
        title: 'Read air and temperature at each vent, and look into the ceiling plenum for gaps',
        handsMin: stepMin.readVents.value,
        after: ids(steps),
        how: 'Cold at the first vent and warm at the last points to a leak in the duct: taped where house rules allow it, else referred.',
        optional: 'a leak in the duct is not found',
        cautions: [],
      }),
    )
  if (isOpened(drafting) && decided.rinse === 'none' && facts.coilGrade >= 1)
    steps.push(
      step({
        id: 'coil-dry-first',
        phase: 'look-over',
        title: 'See that the coil is dry before it is cleaned dry',
        handsMin: stepMin.coilDryFirst.value,
        after: ids(steps),
        how: `Off for about ${coilDryMin.value / 60} hours before the visit${powerBars(facts).length === 0 ? ', or run on fan alone until nothing on the fins is wet' : ''}.`,
        gate: 'The fins are dry to the touch',
        cautions: [],
      }),
    )
  if (isWheelWashed(drafting) || decided.scope === 'strip-down' || decided.scope === 'bench-clean')
    steps.push(
      step({
        id: 'tell-before',
        phase: 'method',
        title: 'Tell the customer beforehand: a few specks at the first start are usual, and a smell of cleaner for an hour',
        handsMin: stepMin.tell.value,
        after: ids(steps),
        cautions: [],
      }),
    )
  return steps
}

/** How the mains are taken off a unit of this kind. */
function mainsOff({ facts: { lookOver, design } }: Drafting): string {
  if (isOnRoof(lookOver.family)) return 'Stop the unit, part the shore lead, stop the generator and lock it out, open the unit’s breaker and tag it'
  if (isCarried(lookOver.family) && !design.hardWired) return 'Stop the unit, pull its plug, tag it and keep it in sight'
  return 'Stop the unit with its remote, open its breaker, lock or tag it'
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
        title: 'Switch the inverter off; take the battery’s negative lead off first, then the positive, and cover both ends',
        handsMin: stepMin.partBattery.value,
        after: ids(steps),
        gate: 'Inverter off; the negative lead came off first, and no lead end can touch anything',
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
        ? `No meter in the van, so nobody proves it dead: see that ${roof ? 'both sources are' : 'it is'} off, and open no electrics`
        : roof
          ? 'Prove both sources dead: mains and 12 V'
          : 'Prove it dead',
      handsMin: stepMin.proveDead.value,
      after: ids(steps.slice(-1)),
      equipment: has('meter') ? ['meter'] : [],
      how: has('meter')
        ? 'Test the meter on a live point, test the unit, test the meter again; then try the remote.'
        : 'Breaker or plug in sight and tagged; remote and switch start nothing. Whatever needs a proof waits for somebody with a meter.',
      gate: has('meter')
        ? 'The meter shows dead, and the remote starts nothing'
        : 'Remote and switch start nothing; no terminal, plug or box is opened',
      cautions: [caution.electricity, ...(waits ? [caution.storedCharge] : [])],
      ...(waits ? { wait: { leastMin: storedChargeMin.value, for: 'stored charge to drain' } } : {}),
    }),
  )
  if (touchesTerminals(drafting) && has('meter'))
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
