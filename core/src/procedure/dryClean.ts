// What is taken off dry, before any liquid: loose soil on both sides, a wheel through its outlet, a drain from outside.
import { caution } from './cautions.ts'
import { ids, step, vacuumOf, type Drafting } from './drafting.ts'
import type { Step } from './step.ts'
import { stepMin, stepMinPerM2 } from './stepTimes.ts'

export function dryCleanSteps(drafting: Drafting, before: readonly Step[]): Step[] {
  const { decided } = drafting
  const steps: Step[] = []
  if (decided.scope !== 'filter-service' && decided['dry-pass'] !== 'none') steps.push(...looseSoil(drafting, before))
  if (decided.wheel === 'brush-through-outlet') {
    steps.push(
      step({
        id: 'brush-wheel',
        phase: 'dry-clean',
        title: 'Brush the wheel through the outlet, blade by blade, vacuum at the slot',
        part: 'wheel',
        handsMin: stepMin.brushWheel.value,
        after: [...ids(before), ...ids(steps)],
        equipment: [vacuumOf(drafting)],
        gate: 'Blade tips feel sharp all round',
        cautions: [caution.dust],
      }),
    )
  }
  if (decided.drain === 'vacuum-from-outside') {
    steps.push(
      step({
        id: 'draw-drain',
        phase: 'dry-clean',
        title: 'Draw the drain line clear from its outside end',
        part: 'drainLine',
        handsMin: stepMin.drawDrain.value,
        after: ids(before),
        equipment: ['wet-vacuum'],
        how: 'Before any foam or water goes in. With two people one pours from the pan while the other draws.',
        cautions: [],
      }),
    )
  }
  return steps
}

function looseSoil(drafting: Drafting, before: readonly Step[]): Step[] {
  const { decided, facts } = drafting
  const byAir = decided['dry-pass'] === 'low-pressure-air'
  const equipment = [byAir ? 'air-line' : vacuumOf(drafting)]
  const coil = step({
    id: 'vacuum-coil',
    phase: 'dry-clean',
    title: byAir
      ? 'Blow the coils out at low pressure, against the way the dirt came in, along the fins only'
      : 'Vacuum and brush the coil, along the fins only',
    part: 'coilFace',
    handsMin: Math.max(4, stepMinPerM2.vacuumCoil.value * facts.areaM2),
    after: ids(before),
    equipment,
    cautions: [caution.fins, caution.dust, ...(byAir ? [caution.air] : [])],
  })
  const rest = step({
    id: 'vacuum-rest',
    phase: 'dry-clean',
    title: 'Vacuum housing and outlet',
    part: 'housing',
    handsMin: stepMin.vacuumRest.value,
    after: [coil.id],
    equipment: [vacuumOf(drafting)],
    optional: 'housing and outlet keep their dust',
    cautions: [caution.dust],
  })
  return [coil, rest]
}
