// What is done to the outdoor side of a one-box unit: condenser, rear fan with its slinger, base pan, sleeve?
import { gradeOf } from '../lookover/index.ts'
import { isOutOfWall, reachesOutdoorSide } from '../method/index.ts'
import { isCarried } from '../units/index.ts'
import { condenserRinseMin } from '../wash/index.ts'
import { amountOf, dwellOf, secondSprayer, strengthOf } from './agent.ts'
import { caution } from './cautions.ts'
import { ids, isPartReached, rinseTool, secondVacuumOf, step, type Drafting } from './drafting.ts'
import type { Step } from './step.ts'
import { soilFactor, stepMin, takes, times } from './stepTimes.ts'
import { says } from '../words/index.ts'

const soiled = ({ facts }: Drafting, ...parts: ('condenserFace' | 'condenserInside' | 'rearFan' | 'basePan')[]) =>
  parts.some((part) => gradeOf(facts.lookOver, part) >= 1)

/** Leaves, hair and nests off the condenser, dry. */
export function clearCondenserSteps(drafting: Drafting, before: readonly Step[]): Step[] {
  if (!reachesOutdoorSide(drafting.facts) || !soiled(drafting, 'condenserFace', 'condenserInside')) return []
  const byAir = drafting.decided['dry-pass'] === 'low-pressure-air'
  return [
    step({
      id: 'clear-condenser',
      phase: 'dry-clean',
      title: says('procedure.clear-condenser.title'),
      part: 'condenserFace',
      ...takes(times(stepMin.clearCondenser, soilFactor[gradeOf(drafting.facts.lookOver, 'condenserFace')])),
      after: ids(before),
      equipment: byAir ? ['air-line'] : secondVacuumOf(drafting),
      cautions: [caution.fins, caution.dust, ...(byAir ? [caution.air] : [])],
    }),
  ]
}

export function condenserAgentSteps(drafting: Drafting, before: readonly Step[], protectedBy: readonly Step[]): Step[] {
  const { condenserMix } = drafting
  if (!condenserMix) return []
  const { product, dilution } = condenserMix
  const [leastMin, mostMin] = dwellOf(condenserMix)
  const mixing = step({
    id: 'mix-condenser',
    phase: 'apply',
    title: says('procedure.mix-condenser.title', { mix: amountOf(condenserMix) }),
    ...takes(stepMin.mixAgent),
    after: ids(protectedBy),
    equipment: [secondSprayer(drafting)],
    cautions: [caution.chemicals],
  })
  const apply = step({
    id: 'apply-condenser',
    phase: 'apply',
    title: says('procedure.apply-condenser.title.spray', { product: product.name }),
    part: 'condenserFace',
    ...takes(stepMin.applyCondenser),
    after: [...ids(before), mixing.id],
    equipment: mixing.equipment,
    gate: says('procedure.apply-condenser.gate', { strength: strengthOf(dilution), least: { n: leastMin }, most: { min: mostMin } }),
    wait: { leastMin, mostMin, for: says('procedure.apply-condenser.wait', { product: product.name }) },
    cautions: [caution.chemicals, caution.fins],
  })
  return [mixing, apply]
}

export function washOutdoorSteps(drafting: Drafting, before: readonly Step[]): Step[] {
  const { decided, facts } = drafting
  if (!reachesOutdoorSide(facts)) return []
  const steps: Step[] = []
  const applied = before.some(({ id }) => id === 'apply-condenser')
  if (decided['condenser-rinse'] !== 'none')
    steps.push(
      step({
        id: 'rinse-condenser',
        phase: 'rinse',
        title: says('procedure.rinse-condenser.title'),
        part: 'condenserFace',
        ...takes(times(condenserRinseMin, soilFactor[gradeOf(facts.lookOver, 'condenserFace')])),
        after: applied ? ['apply-condenser'] : ids(before),
        equipment: [rinseTool(drafting, String(decided['condenser-rinse']))],
        ...(isOutOfWall(drafting) ? {} : { how: says('procedure.rinse-condenser') }),
        gate: says('procedure.rinse-condenser.gate'),
        cautions: [caution.jet, caution.wasteWater],
      }),
    )
  const done = [...ids(before), ...ids(steps)]
  if (soiled(drafting, 'rearFan') && isPartReached(drafting, 'rearFan'))
    steps.push(
      step({
        id: 'wipe-rear-fan',
        phase: 'pan-and-drain',
        title: isCarried(facts.lookOver.family) ? says('procedure.wipe-rear-fan.title') : says('procedure.wipe-rear-fan.title.wipe-blades-rear-fan'),
        part: 'rearFan',
        ...takes(stepMin.wipeRearFan),
        after: done,
        gate: says('procedure.wipe-rear-fan.gate'),
        optional: says('procedure.wipe-rear-fan.optional'),
        cautions: [],
      }),
    )
  if (soiled(drafting, 'basePan') && isPartReached(drafting, 'basePan'))
    steps.push(
      step({
        id: 'wash-base-pan',
        phase: 'pan-and-drain',
        title:
          decided['condenser-rinse'] === 'none' && decided.rinse === 'none'
            ? says('procedure.wash-base-pan.title')
            : says('procedure.wash-base-pan.title.take-mud-out-base'),
        part: 'basePan',
        ...takes(stepMin.washBasePan),
        after: done,
        gate: says('procedure.wash-base-pan.gate'),
        cautions: [caution.wasteWater],
      }),
    )
  if (isOutOfWall(drafting)) steps.push(...benchChecks(drafting, done))
  return steps
}

function benchChecks({ facts }: Drafting, after: string[]): Step[] {
  const motor = step({
    id: 'check-motor',
    phase: 'pan-and-drain',
    title: says('procedure.check-motor.title'),
    ...takes(stepMin.checkMotor),
    after,
    gate: says('procedure.check-motor.gate'),
    optional: says('procedure.check-motor.optional'),
    cautions: [],
  })
  if (facts.lookOver.family !== 'through-wall') return [motor]
  return [
    motor,
    step({
      id: 'inspect-sleeve',
      phase: 'pan-and-drain',
      title: facts.design.sleeveDrain ? says('procedure.inspect-sleeve.title-drain') : says('procedure.inspect-sleeve.title'),
      ...takes(stepMin.inspectSleeve),
      after: ['off-chassis'],
      gate: says('procedure.inspect-sleeve.gate'),
      cautions: [],
    }),
  ]
}
