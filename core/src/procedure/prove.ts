// From the counted ledger to the customer's door: power, first spin, run test, hand-over.
import { allFindings, drainState, named } from '../lookover/index.ts'
import { isOutOfWall, isPlugCleaned, isUncovered, powerBars, staysOff } from '../method/index.ts'
import { isCarried, isOnRoof } from '../units/index.ts'
import { afterRunOf } from './afterRun.ts'
import { caution } from './cautions.ts'
import { condensateSteps, isDrainUnproved, pumpTestSteps } from './drain.ts'
import { hangsAtUnit, ids, isOpened, isWet, isWheelWashed, onStand, onTheBench, step, takeDownId, type Drafting } from './drafting.ts'
import { closingSteps, openingSteps } from './visit.ts'
import { outdoorCheckSteps } from './outdoorUnit.ts'
import { steadyCoolingMin, stepMin, takes } from './stepTimes.ts'
import type { Step } from './step.ts'
import { joined, says, type Message } from '../words/index.ts'

/** How the mains come back to a unit of this kind, and what is usual at its first run. */
function mainsOn({ facts: { lookOver, design } }: Drafting): Message {
  if (isOnRoof(lookOver.family)) return says('procedure.mainsOn.lock-tag-off-shore')
  if (isCarried(lookOver.family)) {
    const plugged = says('procedure.mainsOn.tag-off-plug-straight')
    return design.heaterKw > 0 ? joined({ sentences: [plugged, says('procedure.mainsOn.heater-smells-dust-first')] }) : plugged
  }
  return says('procedure.mainsOn.lock-tag-off-breaker')
}

/** Taking down what is quickly laid. */
const takeDownMin = { 'trough-and-towel': stepMin.takeTrough, 'floor-sheet': stepMin.takeSheet, 'opening-plug-and-rags': stepMin.takeRags } as const

/** What covers the outlet at the first spin of a wheel that was washed where nothing hangs any more. */
const coversForSpin = (drafting: Drafting): boolean =>
  (isWheelWashed(drafting) && !hangsAtUnit(drafting) && !isOnRoof(drafting.facts.lookOver.family)) ||
  (isOutOfWall(drafting) && drafting.decided.drying === 'fan-run') ||
  isTakenOn(drafting)
/** What hangs goes on to the next unit before there is power: a cloth over the outlet catches what is thrown. */
const isTakenOn = (drafting: Drafting): boolean => drafting.isLentOut && hangsAtUnit(drafting)

/** What has to be true of the first spin. */
function spinGate(drafting: Drafting): Message {
  if (isOnRoof(drafting.facts.lookOver.family)) return says('procedure.spinGate.cloth-below-ceiling-grille')
  return coversForSpin(drafting) ? says('procedure.spinGate.outlet-still-covered-wheel') : says('procedure.spinGate.containment-still-wheel-throws')
}

/** Findings that people qualified for it have to put right before any power. */
const wiringBars = (drafting: Drafting) =>
  powerBars(drafting.facts).filter(
    (finding) => finding === 'loose-wiring' || (finding === 'oxidised-plug' && !(isPlugCleaned(drafting.facts) && isUncovered(drafting))),
  )

/** `alsoBeforePower`: what power waits for although the count does not. */
export function proveSteps(drafting: Drafting, before: readonly Step[], alsoBeforePower: readonly Step[]): Step[] {
  const { decided, facts } = drafting
  const closes = before.filter(({ phase }) => phase === 'rebuild')
  const ledger = step({
    id: 'check-ledger',
    phase: 'rebuild',
    title: says('procedure.check-ledger.title'),
    ...takes(stepMin.checkLedger),
    after: ids(closes.length > 0 ? closes : before),
    needsLedger: true,
    gate: says('procedure.check-ledger.gate'),
    cautions: [],
  })
  const hung = before.find(({ id }) => id === 'set-containment')
  const takeDown = (after: readonly string[]): Step[] =>
    hung && !onTheBench(drafting)
      ? [
          step({
            id: takeDownId,
            phase: 'prove',
            title: isOnRoof(facts.lookOver.family)
              ? says('procedure.proveSteps.take-up-cloth-rags')
              : onStand(drafting)
                ? says('procedure.proveSteps.put-stand-away')
                : says('procedure.proveSteps.take-containment-down-upper'),
            ...takes(takeDownMin[drafting.decided.containment as keyof typeof takeDownMin] ?? stepMin.takeDown),
            after: [...after],
            cautions: [caution.wasteWater],
            how: says('procedure.proveSteps.empty-first-stands-runs'),
          }),
        ]
      : []
  const parted = before.some(({ id }) => id === 'part-battery')
  if (staysOff(facts)) {
    // The vehicle gets its battery back, whatever becomes of the unit.
    const battery = parted ? [joinBattery([ledger.id, ...ids(alsoBeforePower)], says('procedure.join-battery.how.unit-stays-off'))] : []
    return [ledger, ...battery, ...handedBackOff(drafting, [ledger.id, ...ids(alsoBeforePower), ...ids(battery)], takeDown)]
  }
  const wiring = wiringGate(drafting, [ledger.id])
  const battery = parted ? [joinBattery([ledger.id, ...ids(wiring), ...ids(alsoBeforePower)])] : []
  const takenOn = isTakenOn(drafting) ? takeDown([ledger.id]) : []
  // A stand is put away once the unit is back in its wall: nothing waits for it but clearing up.
  const stand = onStand(drafting) ? takeDown([ledger.id]) : []
  const cover = coversForSpin(drafting)
    ? [
        step({
          id: 'cover-for-spin',
          phase: 'prove',
          title: says('procedure.cover-for-spin.title'),
          ...takes(stepMin.coverForSpin),
          after: takenOn.length > 0 ? ids(takenOn) : ledger.after,
          gate: says('procedure.cover-for-spin.gate'),
          cautions: [],
        }),
      ]
    : []
  const power = step({
    id: 'power-on',
    phase: 'prove',
    title: says('procedure.power-on.title'),
    ...takes(stepMin.powerOn),
    after: [ledger.id, ...ids(wiring), ...ids(alsoBeforePower), ...ids(battery), ...ids(takenOn), ...ids(cover)],
    needsLedger: true,
    how: mainsOn(drafting),
    gate: says('procedure.power-on.gate'),
    cautions: [caution.electricity, caution.wheel],
  })
  const steps = [ledger, ...wiring, ...battery, ...takenOn, ...cover, power]
  // On low until nothing is thrown any more, while what catches it still hangs; the coil itself is dried by nobody before it cools.
  if (isWheelWashed(drafting) || decided.drying === 'fan-run') {
    steps.push(
      step({
        id: 'first-spin',
        phase: 'prove',
        title: says('procedure.first-spin.title'),
        part: 'wheel',
        ...takes(stepMin.firstSpin),
        after: [power.id],
        gate: spinGate(drafting),
        cautions: [caution.wheel],
      }),
    )
  }
  steps.push(...pumpTestSteps(drafting, ids(steps.slice(-1))))
  if (takenOn.length === 0 && stand.length === 0) steps.push(...takeDown(ids(steps.slice(-1))))
  const down = steps.slice(-1)
  steps.push(...stand, ...runSteps(drafting, ids(down)))
  // While it cools steadily, people clear up.
  return [...steps, ...handOver(drafting, [...down, ...stand], steps.slice(-1))]
}

function runSteps(drafting: Drafting, after: readonly string[]): Step[] {
  const { facts } = drafting
  // Where nothing but filters was seen to, it is heard and felt that it runs.
  if (!isOpened(drafting))
    return [
      step({
        id: 'run-unit',
        phase: 'prove',
        title: says('procedure.run-unit.filters-alone'),
        ...takes(stepMin.runUnit),
        after: [...after],
        gate: says('procedure.run-test.gate.runs-without-new-noise'),
        cautions: [caution.wheel],
      }),
    ]
  const run = step({
    id: 'run-unit',
    phase: 'prove',
    title: facts.design.heatsOnly ? says('procedure.run-unit.heat') : says('procedure.run-unit.cool'),
    ...takes(stepMin.runUnit),
    after: [...after],
    wait: {
      leastMin: steadyCoolingMin.value,
      for: facts.design.heatsOnly ? says('procedure.run-unit.wait-heating') : says('procedure.run-unit.wait'),
    },
    cautions: [caution.wheel],
  })
  const vents = facts.design.ducted
    ? [
        step({
          id: 'read-vents-after',
          phase: 'prove',
          title: says('procedure.read-vents-after.title'),
          ...takes(stepMin.readVents),
          after: [run.id],
          optional: says('procedure.read-vents.optional'),
          cautions: [],
        }),
      ]
    : []
  const condensate = condensateSteps(drafting, [run.id])
  const test = step({
    id: 'run-test',
    phase: 'prove',
    title: says('procedure.run-test.title'),
    ...takes(stepMin.runTest),
    after: [run.id, ...ids(vents), ...ids(condensate)],
    gate: isCarried(facts.lookOver.family) ? says('procedure.run-test.gate') : says('procedure.run-test.gate.runs-without-new-noise'),
    doneBy: 'after-readings',
    cautions: [],
  })
  const outdoors = outdoorCheckSteps(drafting, [run.id])
  test.after.push(...ids(outdoors))
  return [run, ...vents, ...condensate, ...outdoors, test]
}

/** Power waits for people: loose wiring or a damaged plug is put right, by whoever may, before any power. */
function wiringGate(drafting: Drafting, after: readonly string[]): Step[] {
  const found = wiringBars(drafting)
  if (found.length === 0) return []
  return [
    step({
      id: 'wiring-put-right',
      phase: 'prove',
      title: says('procedure.wiring-put-right.title', { found: { and: found.map(named) } }),
      ...takes(stepMin.wiringGate),
      after: [...after],
      gate: says('procedure.wiring-put-right.gate', { found: { comma: found.map(named) } }),
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
    title: says('procedure.keep-off.title'),
    ...takes(stepMin.keepOff),
    after: [...after, ...ids(down)],
    gate: says('procedure.keep-off.gate'),
    cautions: [caution.electricity, caution.wheel],
  })
  return [...down, off, ...handOver(drafting, [off], [off])]
}

function joinBattery(after: string[], how?: Message): Step {
  return step({
    id: 'join-battery',
    phase: 'prove',
    title: says('procedure.join-battery.title'),
    ...takes(stepMin.joinBattery),
    after,
    needsLedger: true,
    ...(how ? { how } : {}),
    gate: says('procedure.join-battery.gate'),
    cautions: [caution.battery],
  })
}

/** @param down after which it is cleared up @param proved after which it is handed over */
function handOver(drafting: Drafting, down: readonly Step[], proved: readonly Step[]): Step[] {
  const { facts, decided } = drafting
  const steps: Step[] = []
  const moved = facts.design.below !== 'clear'
  if (moved)
    steps.push(
      step({
        id: 'put-things-back',
        phase: 'hand-over',
        title: says('procedure.put-things-back.title'),
        ...takes(stepMin.putThingsBack),
        after: ids(down),
        gate: says('procedure.put-things-back.gate'),
        cautions: [],
      }),
    )
  const dries = afterRunOf(drafting)
  if (dries && dries.how !== 'none')
    steps.push(
      step({
        id: 'leave-to-dry',
        phase: 'hand-over',
        title: dries.how === 'own-programme' ? says('procedure.leave-to-dry.title.own-programme') : says('procedure.leave-to-dry.title.fan-alone'),
        ...takes(stepMin.leaveToDry),
        after: ids(proved),
        how: says('procedure.leave-to-dry.how', { time: { min: dries.minutes } }),
        gate: says('procedure.leave-to-dry.gate'),
        cautions: [],
      }),
    )
  const specks = decided.scope === 'strip-down' || decided.scope === 'bench-clean' || isWheelWashed(drafting)
  const told = [
    ...(specks && !staysOff(facts) ? [says('procedure.handOver.few-specks-first-start')] : []),
    ...(staysOff(facts) ? [says('procedure.handOver.stays-off-until-new')] : [says('procedure.handOver.done')]),
    says('procedure.handOver.reached'),
    says('procedure.handOver.due-next'),
    ...(drafting.facts.design.filter === 'washable' ? [says('procedure.handOver.filters')] : []),
    ...(dries
      ? [
          dries.how === 'none'
            ? says('procedure.handOver.stays-wet', { time: { min: dries.minutes } })
            : says('procedure.handOver.dries-itself', { time: { min: dries.minutes } }),
        ]
      : []),
    ...(drainState(facts.lookOver) === 'failed' && isWet(drafting) ? [says('procedure.handOver.drain-passed')] : []),
    ...(isDrainUnproved(drafting) ? [says('procedure.handOver.drain-unproved')] : []),
  ]
  steps.push(...closingSteps(drafting, down))
  steps.push(
    step({
      id: 'hand-over',
      phase: 'hand-over',
      title: says('procedure.hand-over.title'),
      ...takes(isOpened(drafting) ? stepMin.handOver : stepMin.handOverLight),
      after: [...ids(proved), ...ids(steps)],
      gate: says('procedure.hand-over.gate', { told: { semicolon: told } }),
      doneBy: 'hand-over',
      cautions: [],
    }),
  )
  return steps
}

/** A unit that is not cleaned today: made safe, recorded, referred. */
export function declineSteps(drafting: Drafting): Step[] {
  const { facts } = drafting
  const safe = step({
    id: 'leave-off',
    phase: 'isolate',
    title: says('procedure.leave-off.title'),
    ...takes(stepMin.isolate),
    after: ['ask'],
    cautions: [caution.electricity],
  })
  const found = allFindings(facts.lookOver)
  return [
    ...openingSteps(drafting),
    safe,
    step({
      id: 'hand-over',
      phase: 'hand-over',
      title: says('procedure.hand-over.title.tell-customer-found-come'),
      ...takes(stepMin.referral),
      after: [safe.id],
      gate:
        found.length > 0
          ? says('procedure.hand-over.gate.customer-writing-found', { found: { comma: found.map(named) } })
          : says('procedure.hand-over.gate.customer-writing'),
      doneBy: 'hand-over',
      cautions: [],
    }),
  ]
}
