// From the counted ledger to the customer's door: power, first spin, run test, hand-over.
import { drainState, inWords, isOffLevel } from '../lookover/index.ts'
import { powerBars, staysOff } from '../method/index.ts'
import { isCarried, isOnRoof } from '../units/index.ts'
import { caution } from './cautions.ts'
import { pumpTestSteps } from './drain.ts'
import { hangsAtUnit, ids, isWet, isWheelWashed, onTheBench, step, takeDownId, type Drafting } from './drafting.ts'
import { reckonedDryMin } from './drying.ts'
import { outdoorCheckSteps } from './outdoorUnit.ts'
import { steadyCoolingMin, stepMin } from './stepTimes.ts'
import type { Step } from './step.ts'

/** How the mains come back to a unit of this kind, and what is usual at its first run. */
function mainsOn({ facts: { lookOver, design } }: Drafting): string {
  if (isOnRoof(lookOver.family)) return 'Lock and tag off; shore lead or generator back, breaker in, inverter as it was.'
  const heater = design.heaterKw > 0 ? ' Its heater smells of dust at the first run.' : ''
  if (isCarried(lookOver.family)) return `Tag off; plug in, straight into its own socket.${heater}`
  return 'Lock and tag off, breaker in. The louvres find their own place; all lamps blinking means that one sits in the wrong seat.'
}

/** What covers the outlet at the first spin of a wheel that was washed where nothing hangs any more. */
const coversForSpin = (drafting: Drafting): boolean => isWheelWashed(drafting) && !hangsAtUnit(drafting) && !isOnRoof(drafting.facts.lookOver.family)

/** What has to be true of the first spin. */
function spinGate(drafting: Drafting): string {
  if (isOnRoof(drafting.facts.lookOver.family)) return 'The cloth below the ceiling grille is still in place; the wheel throws no more water'
  return coversForSpin(drafting)
    ? 'The outlet is still covered; the wheel runs quiet and throws no more water'
    : 'Containment is still on; the wheel throws no more water'
}

/** Findings that people qualified for it have to put right before any power. */
const wiringBars = (drafting: Drafting) => powerBars(drafting.facts).filter((finding) => finding === 'loose-wiring' || finding === 'oxidised-plug')

/** `alsoBeforePower`: what power waits for although the count does not. */
export function proveSteps(drafting: Drafting, before: readonly Step[], alsoBeforePower: readonly Step[]): Step[] {
  const { facts } = drafting
  const closes = before.filter(({ phase }) => phase === 'rebuild')
  const ledger = step({
    id: 'check-ledger',
    phase: 'rebuild',
    title: 'Count: tray and fasteners',
    handsMin: stepMin.checkLedger.value,
    after: ids(closes.length > 0 ? closes : before),
    gate: 'Everything was counted: what is not back stands open in the ledger, and power waits for it',
    cautions: [],
  })
  const hung = before.find(({ id }) => id === 'set-containment')
  const takeDown = (after: readonly string[]): Step[] =>
    hung && !onTheBench(drafting)
      ? [
          step({
            id: takeDownId,
            phase: 'prove',
            title: isOnRoof(facts.lookOver.family) ? 'Take up cloth, rags and mats, count them' : 'Take the containment down, upper edge last',
            handsMin: stepMin.takeDown.value,
            after: [...after],
            cautions: [caution.wasteWater],
            how: 'Empty it first: what stands in it runs down the wall otherwise.',
          }),
        ]
      : []
  if (staysOff(facts)) return [ledger, ...handedBackOff(drafting, [ledger.id, ...ids(alsoBeforePower)], takeDown)]
  const wiring = wiringGate(drafting, [ledger.id])
  const battery = before.some(({ id }) => id === 'part-battery') ? [joinBattery([ledger.id, ...ids(wiring), ...ids(alsoBeforePower)])] : []
  const cover = coversForSpin(drafting)
    ? [
        step({
          id: 'cover-for-spin',
          phase: 'prove',
          title: 'Cover the outlet with a cloth that lets air through: a washed wheel throws at its first spin',
          handsMin: stepMin.coverForSpin.value,
          after: [ledger.id],
          gate: 'The outlet is covered, and nothing that must stay dry lies before it',
          cautions: [],
        }),
      ]
    : []
  const power = step({
    id: 'power-on',
    phase: 'prove',
    title: 'Power on',
    handsMin: stepMin.powerOn.value,
    after: [ledger.id, ...ids(wiring), ...ids(alsoBeforePower), ...ids(battery), ...ids(cover)],
    needsLedger: true,
    how: mainsOn(drafting),
    gate: 'Hands and tools are out of the unit, and nobody else touches it',
    cautions: [caution.electricity, caution.wheel],
  })
  const steps = [ledger, ...wiring, ...battery, ...cover, power]
  if (isWheelWashed(drafting)) {
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
  steps.push(...pumpTestSteps(drafting, ids(steps.slice(-1))))
  steps.push(...takeDown(ids(steps.slice(-1))))
  steps.push(...runSteps(drafting, ids(steps.slice(-1))))
  return [...steps, ...handOver(drafting, steps.slice(-1))]
}

function runSteps(drafting: Drafting, after: readonly string[]): Step[] {
  const { decided, facts } = drafting
  const steps: Step[] = []
  if (decided.drying === 'fan-run')
    steps.push(
      step({
        id: 'run-fan',
        phase: 'prove',
        title: 'Run the fan alone until the coil is dry',
        handsMin: stepMin.runFan.value,
        after: [...after],
        wait: { leastMin: reckonedDryMin('coilFace', 'unit-fan', drafting), for: 'the coil to dry in its own draught' },
        mayEndEarly: 'dry-to-the-touch',
        cautions: [caution.wheel],
      }),
    )
  const verb = facts.design.heatsOnly ? 'heat' : 'cool'
  const run = step({
    id: 'run-unit',
    phase: 'prove',
    title: `Let it ${verb} steadily`,
    handsMin: stepMin.runUnit.value,
    after: steps.length > 0 ? ids(steps) : [...after],
    wait: { leastMin: steadyCoolingMin.value, for: `steady ${verb}ing` },
    cautions: [caution.wheel],
  })
  const vents = facts.design.ducted
    ? [
        step({
          id: 'read-vents-after',
          phase: 'prove',
          title: 'Read air and temperature at each vent again',
          handsMin: stepMin.readVents.value,
          after: [run.id],
          optional: 'a leak in the duct is not found',
          cautions: [],
        }),
      ]
    : []
  const test = step({
    id: 'run-test',
    phase: 'prove',
    title: 'Run test: take the after readings; listen, look for drips and specks',
    handsMin: stepMin.runTest.value,
    after: [run.id, ...ids(vents)],
    gate: isCarried(facts.lookOver.family)
      ? 'It runs without a new noise, a drip indoors or a blinking lamp, and does not move when it is pushed'
      : 'It runs without a new noise, a drip or a blinking lamp',
    doneBy: 'after-readings',
    cautions: [],
  })
  const outdoors = outdoorCheckSteps(drafting, [run.id])
  test.after.push(...ids(outdoors))
  return [...steps, run, ...vents, ...outdoors, test]
}

/** Power waits for people: loose wiring or a damaged plug is put right, by whoever may, before any power. */
function wiringGate(drafting: Drafting, after: readonly string[]): Step[] {
  const found = wiringBars(drafting)
  if (found.length === 0) return []
  return [
    step({
      id: 'wiring-put-right',
      phase: 'prove',
      title: `No power, no fan run before ${found.map(inWords).join(' and ')} was put right by somebody qualified for it`,
      handsMin: stepMin.wiringGate.value,
      after: [...after],
      gate: `An electrician, or who local codes allow, has put right: ${found.map(inWords).join(', ')}; else it is tagged and stays off`,
      cautions: [caution.electricity],
    }),
  ]
}

/** A cracked wheel never runs again: the unit goes back switched off, the part is ordered. */
function handedBackOff(drafting: Drafting, after: readonly string[], takeDown: (after: readonly string[]) => Step[]): Step[] {
  const down = takeDown(after)
  const off = step({
    id: 'keep-off',
    phase: 'prove',
    title: 'Leave it switched off and tagged: the cracked wheel is not run; note the new wheel as a part to order',
    handsMin: stepMin.keepOff.value,
    after: [...after, ...ids(down)],
    gate: 'No power: breaker or plug is tagged, and the customer knows that it stays off until the new wheel is in',
    cautions: [caution.electricity, caution.wheel],
  })
  return [...down, off, ...handOver(drafting, [off])]
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

function handOver(drafting: Drafting, before: readonly Step[]): Step[] {
  const { facts, decided } = drafting
  const steps: Step[] = []
  if (isWet(drafting)) {
    const wall = facts.lookOver.family === 'wall-head' ? '; wipe the wall below the unit' : ''
    steps.push(
      step({
        id: 'clear-up',
        phase: 'hand-over',
        title: `${facts.site.foulDrainOnSite ? 'Empty the buckets into a foul drain, clear up' : 'Take the wash water along in closed cans, clear up'}${wall}`,
        handsMin: stepMin.clearUp.value,
        after: ids(before),
        cautions: [caution.wasteWater],
      }),
    )
  }
  const moved = facts.design.below !== 'clear'
  if (moved)
    steps.push(
      step({
        id: 'put-things-back',
        phase: 'hand-over',
        title: 'Put the customer’s things back where the photograph shows them',
        handsMin: stepMin.putThingsBack.value,
        after: [...ids(before), ...ids(steps)],
        gate: 'Everything that was moved stands in its place',
        cautions: [],
      }),
    )
  const specks = decided.scope === 'strip-down' || decided.scope === 'bench-clean' || isWheelWashed(drafting)
  const told = [
    ...(specks && !staysOff(facts) ? ['a few specks at first start are usual'] : []),
    ...(staysOff(facts) ? ['it stays off until the new wheel is in'] : ['what was done']),
    'what was not reached',
    'what is due next',
  ]
  steps.push(
    step({
      id: 'hand-over',
      phase: 'hand-over',
      title: 'Hand over to the customer',
      handsMin: stepMin.handOver.value,
      after: [...ids(before), ...ids(steps)],
      gate: `The customer knows: ${told.join('; ')}${drainState(facts.lookOver) === 'failed' && isWet(drafting) ? '; the drain passed its flow test, or it is said that it did not' : ''}`,
      doneBy: 'hand-over',
      cautions: [],
    }),
  )
  return steps
}

/** A unit that is not cleaned today: made safe, recorded, referred. */
export function declineSteps({ facts }: Drafting): Step[] {
  const safe = step({
    id: 'leave-off',
    phase: 'isolate',
    title: 'Open nothing. Switch the unit off where that can be done safely, and tag it',
    handsMin: stepMin.isolate.value,
    after: [],
    cautions: [caution.electricity],
  })
  const found = [...new Set([...facts.lookOver.findings.map(inWords), ...(isOffLevel(facts.lookOver) ? [inWords('off-level')] : [])])]
  return [
    safe,
    step({
      id: 'hand-over',
      phase: 'hand-over',
      title: 'Tell the customer what was found and who has to come first',
      handsMin: stepMin.referral.value,
      after: [safe.id],
      gate: `The customer has it in writing${found.length > 0 ? `: ${found.join(', ')}` : ''}`,
      doneBy: 'hand-over',
      cautions: [],
    }),
  ]
}
