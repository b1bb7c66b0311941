// What is done to the outdoor side of a one-box unit: condenser, rear fan with its slinger, base pan, sleeve?
import { gradeOf } from '../lookover/index.ts'
import { reachesOutdoorSide } from '../method/index.ts'
import { isCarried } from '../units/index.ts'
import { condenserRinseMin } from '../wash/index.ts'
import { amountOf, dwellOf, sprayer, strengthOf } from './agent.ts'
import { caution } from './cautions.ts'
import { ids, onTheBench, rinseTool, step, vacuumOf, type Drafting } from './drafting.ts'
import type { Step } from './step.ts'
import { stepMin } from './stepTimes.ts'

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
      title: 'Pick leaves and hair off the condenser, then brush or blow along its fins from the fan side out',
      part: 'condenserFace',
      handsMin: stepMin.clearCondenser.value,
      after: ids(before),
      equipment: byAir ? ['air-line'] : vacuumOf(drafting),
      cautions: [caution.fins, caution.dust, ...(byAir ? [caution.air] : [])],
    }),
  ]
}

export function condenserAgentSteps(drafting: Drafting, before: readonly Step[], protectedBy: readonly Step[]): Step[] {
  const { condenserMix, facts } = drafting
  if (!condenserMix) return []
  const { product, dilution } = condenserMix
  const [leastMin, mostMin] = dwellOf(condenserMix)
  const mixing = step({
    id: 'mix-condenser',
    phase: 'apply',
    title: `For the condenser make up ${amountOf(condenserMix)}`,
    handsMin: stepMin.mixAgent.value,
    after: ids(protectedBy),
    equipment: [sprayer(drafting, facts.condenserGrade)],
    cautions: [caution.chemicals],
  })
  const apply = step({
    id: 'apply-condenser',
    phase: 'apply',
    title: 'Put the agent on the condenser from the bottom up, the indoor coil covered',
    part: 'condenserFace',
    handsMin: stepMin.applyCondenser.value,
    after: [...ids(before), mixing.id],
    equipment: mixing.equipment,
    gate: `The label is read: ${strengthOf(dilution)}, ${leastMin} to ${mostMin} min on the fins; nothing of it reaches the breathed-air side`,
    wait: { leastMin, mostMin, for: `${product.name} to work on the condenser` },
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
        title: 'Rinse the condenser from the fan side out until the run-off is clear',
        part: 'condenserFace',
        handsMin: condenserRinseMin.value,
        after: applied ? ['apply-condenser'] : ids(before),
        equipment: [rinseTool(drafting, String(decided['condenser-rinse']))],
        ...(onTheBench(drafting) ? {} : { how: 'Little water at a time; rags below, or the ground sheet’s bucket.' }),
        gate: 'The run-off is clear',
        cautions: [caution.jet, caution.wasteWater],
      }),
    )
  const done = [...ids(before), ...ids(steps)]
  if (soiled(drafting, 'rearFan'))
    steps.push(
      step({
        id: 'wipe-rear-fan',
        phase: 'pan-and-drain',
        title: isCarried(facts.lookOver.family) ? 'Wipe the blades of the rear fan and free its slinger ring' : 'Wipe the blades of the rear fan',
        part: 'rearFan',
        handsMin: stepMin.wipeRearFan.value,
        after: done,
        gate: 'The fan turns free by hand',
        optional: 'the rear fan keeps its dirt',
        cautions: [],
      }),
    )
  if (soiled(drafting, 'basePan'))
    steps.push(
      step({
        id: 'wash-base-pan',
        phase: 'pan-and-drain',
        title:
          decided['condenser-rinse'] === 'none' && decided.rinse === 'none'
            ? 'Take the mud out of the base pan and wipe it'
            : 'Take the mud out of the base pan, flush it, open its drain holes',
        part: 'basePan',
        handsMin: stepMin.washBasePan.value,
        after: done,
        gate: 'Bare metal shows, and the drain holes are open',
        cautions: [caution.wasteWater],
      }),
    )
  if (onTheBench(drafting)) steps.push(...benchChecks(drafting, done))
  return steps
}

function benchChecks({ facts }: Drafting, after: string[]): Step[] {
  const motor = step({
    id: 'check-motor',
    phase: 'pan-and-drain',
    title: 'Turn the motor shaft by hand; where it has oil ports, a few drops of the oil that its maker names',
    handsMin: stepMin.checkMotor.value,
    after,
    gate: 'The shaft turns free; a rough bearing or a metallic compressor note goes into the findings',
    optional: 'nobody knows how the bearings are',
    cautions: [],
  })
  if (facts.lookOver.family !== 'through-wall') return [motor]
  return [
    motor,
    step({
      id: 'inspect-sleeve',
      phase: 'pan-and-drain',
      title: `Look at the sleeve: it falls to the outside, its weather seals are whole${facts.design.sleeveDrain ? ', its drain is open' : ''}`,
      handsMin: stepMin.inspectSleeve.value,
      after: ['off-chassis'],
      gate: 'Sleeve, seals and fall are in order, or stand in the findings',
      cautions: [],
    }),
  ]
}
