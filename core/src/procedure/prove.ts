// From the balanced ledger to the customer's door: power, first spin, run test, hand-over.
import { caution } from './cautions.ts'
import { isCarried, isOnRoof } from '../units/index.ts'
import { ids, isWet, onTheBench, step, takeDownId, type Drafting } from './drafting.ts'
import { pumpTestSteps } from './drain.ts'
import type { Step } from './step.ts'
import { steadyCoolingMin, stepMin } from './stepTimes.ts'
import { dryingMinutes } from '../wash/index.ts'

/** How the mains come back to a unit of this kind, and what is usual at its first run. */
function mainsOn({ facts: { lookOver, design } }: Drafting): string {
  if (isOnRoof(lookOver.family)) return 'Lock and tag off; shore lead or generator back, breaker in, inverter as it was.'
  const heater = design.heaterKw > 0 ? ' Its heater smells of dust at the first run.' : ''
  if (isCarried(lookOver.family)) return `Tag off; plug in, straight into its own socket.${heater}`
  return 'Lock and tag off, breaker in. The louvres find their own place; all lamps blinking means that one sits in the wrong seat.'
}

/** What has to be true of the first spin. */
function spinGate({ decided, facts: { lookOver } }: Drafting): string {
  if (isOnRoof(lookOver.family)) return 'The cloth below the ceiling grille is still in place; the wheel throws no more water'
  return decided.wheel === 'wash-in-place' && !isCarried(lookOver.family)
    ? 'Containment is still on; the wheel throws no more water'
    : 'The wheel runs quiet and throws nothing'
}

/** `alsoBeforePower`: what power waits for although the count does not. */
export function proveSteps(drafting: Drafting, before: readonly Step[], alsoBeforePower: readonly Step[]): Step[] {
  const { decided, facts, room } = drafting
  const closes = before.filter(({ phase }) => phase === 'rebuild')
  const ledger = step({
    id: 'check-ledger',
    phase: 'rebuild',
    title: 'Count: tray empty, every fastener back',
    handsMin: stepMin.checkLedger.value,
    after: ids(closes.length > 0 ? closes : before),
    needsLedger: true,
    gate: 'The tray is empty and no screw is left over',
    cautions: [],
  })
  const battery = before.some(({ id }) => id === 'part-battery') ? [joinBattery([ledger.id, ...ids(alsoBeforePower)])] : []
  const power = step({
    id: 'power-on',
    phase: 'prove',
    title: 'Power on',
    handsMin: stepMin.powerOn.value,
    after: [ledger.id, ...ids(alsoBeforePower), ...ids(battery)],
    needsLedger: true,
    how: mainsOn(drafting),
    gate: 'Hands and tools are out of the unit, and nobody else touches it',
    cautions: [caution.electricity, caution.wheel],
  })
  const steps = [ledger, ...battery, power]
  const wheelWet = decided.wheel === 'wash-in-place' || decided.wheel === 'remove-and-wash'
  if (wheelWet) {
    steps.push(
      step({
        id: 'first-spin',
        phase: 'prove',
        title: 'First spin, lowest speed',
        part: 'wheel',
        handsMin: stepMin.firstSpin.value,
        after: [power.id],
        gate: spinGate(drafting),
        cautions: [caution.wheel],
      }),
    )
  }
  if (before.some(({ id }) => id === 'set-containment') && !onTheBench(drafting)) {
    steps.push(
      step({
        id: takeDownId,
        phase: 'prove',
        title: isOnRoof(facts.lookOver.family) ? 'Take up cloth, rags and mats, count them' : 'Take the containment down, upper edge last',
        handsMin: stepMin.takeDown.value,
        after: ids(steps.slice(-1)),
        cautions: [caution.wasteWater],
        how: 'Empty it first: what stands in it runs down the wall otherwise.',
      }),
    )
  }
  steps.push(...pumpTestSteps(drafting, ids(steps.slice(-1))))
  const fanMin = decided.drying === 'fan-run' && isWet(drafting) ? Math.ceil(dryingMinutes('coilFace', 'unit-fan', room)) : 0
  const dries = Number.isFinite(fanMin) ? fanMin : 0
  const verb = facts.design.heatsOnly ? 'heat' : 'cool'
  const run = step({
    id: 'run-unit',
    phase: 'prove',
    title: dries > 0 ? `Run the fan until the coil is dry, then ${verb}` : `Let it ${verb} steadily`,
    handsMin: stepMin.runUnit.value,
    after: ids(steps.slice(-1)),
    wait: { leastMin: dries + steadyCoolingMin.value, for: dries > 0 ? `the coil to dry and steady ${verb}ing` : `steady ${verb}ing` },
    cautions: [caution.wheel],
  })
  const test = step({
    id: 'run-test',
    phase: 'prove',
    title: 'Run test: take the after readings; listen, look for drips and specks',
    handsMin: stepMin.runTest.value,
    after: [run.id],
    gate: isCarried(facts.lookOver.family)
      ? 'It runs without a new noise, a drip indoors or a blinking lamp, and does not move when it is pushed'
      : 'It runs without a new noise, a drip or a blinking lamp',
    cautions: [],
  })
  return [...steps, run, test, ...handOver(drafting, [test], isWet(drafting))]
}

function joinBattery(after: string[]): Step {
  return step({
    id: 'join-battery',
    phase: 'prove',
    title: 'Join the battery: positive lead first, negative last',
    handsMin: stepMin.joinBattery.value,
    after,
    needsLedger: true,
    gate: 'The negative lead went on last, both clamps are tight',
    cautions: [caution.battery, caution.wheel],
  })
}

function handOver({ facts, decided }: Drafting, before: readonly Step[], wet: boolean): Step[] {
  const steps: Step[] = []
  if (wet) {
    steps.push(
      step({
        id: 'clear-up',
        phase: 'hand-over',
        title: facts.site.foulDrainOnSite ? 'Empty the buckets into a foul drain, clear up' : 'Take the wash water along in closed cans, clear up',
        handsMin: stepMin.clearUp.value,
        after: ids(before),
        cautions: [caution.wasteWater],
      }),
    )
  }
  const specks = decided.scope === 'strip-down' || decided.scope === 'bench-clean' || decided.wheel === 'wash-in-place'
  steps.push(
    step({
      id: 'hand-over',
      phase: 'hand-over',
      title: 'Hand over to the customer',
      handsMin: stepMin.handOver.value,
      after: [...ids(before), ...ids(steps)],
      gate: specks
        ? 'The customer knows: a few specks at first start are usual; what was not reached; what is due next'
        : 'The customer knows what was done, what was not reached, and what is due next',
      cautions: [],
    }),
  )
  return steps
}

/** A unit that is not cleaned today: made safe, recorded, referred. */
export function declineSteps(): Step[] {
  const safe = step({
    id: 'leave-off',
    phase: 'isolate',
    title: 'Open nothing. Switch the unit off where that can be done safely, and tag it',
    handsMin: stepMin.isolate.value,
    after: [],
    cautions: [caution.electricity],
  })
  return [
    safe,
    step({
      id: 'hand-over',
      phase: 'hand-over',
      title: 'Tell the customer what was found and who has to come first',
      handsMin: stepMin.referral.value,
      after: [safe.id],
      gate: 'The customer has it in writing',
      cautions: [],
    }),
  ]
}
