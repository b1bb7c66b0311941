// What is taken off dry, before any liquid: loose soil on both sides, a wheel through its outlet, a drain from outside.
import { gradeOf, drainState } from '../lookover/index.ts'
import { reachesOutdoorSide } from '../method/index.ts'
import { isSplit } from '../units/index.ts'
import { caution } from './cautions.ts'
import { comesOff, hasDrainLine, ids, isOpened, step, vacuumOf, type Drafting } from './drafting.ts'
import type { Step } from './step.ts'
import { combMin, stepMin, stepMinPerM2 } from './stepTimes.ts'

export function dryCleanSteps(drafting: Drafting, before: readonly Step[]): Step[] {
  const { decided } = drafting
  const steps: Step[] = clearFound(drafting, before)
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
        equipment: vacuumOf(drafting),
        gate: 'Blade tips feel sharp all round',
        cautions: [caution.dust],
      }),
    )
  }
  return [...steps, ...clearDrainSteps(drafting, before)]
}

/** Old nests and a few droppings, before anything else is brushed. */
function clearFound({ facts, decided }: Drafting, before: readonly Step[]): Step[] {
  if (decided.scope === 'decline') return []
  const found = (['insect-nest', 'rodent-droppings'] as const).filter((finding) => facts.lookOver.findings.includes(finding))
  return found.map((finding) =>
    step({
      id: `clear-${finding}`,
      phase: 'dry-clean',
      title:
        finding === 'insect-nest'
          ? 'Take the old nest out whole, bag it, and close the gap that let them in'
          : 'Damp the few droppings, wipe them up and bag them; no brush and no vacuum on them dry',
      handsMin: stepMin.clearFound.value,
      after: ids(before),
      gate: 'Nothing of it is left in the air path',
      cautions: [caution.dust],
    }),
  )
}

/** A drain that does not run well is cleared before foam or water goes in, whichever school the firm follows. */
function clearDrainSteps(drafting: Drafting, before: readonly Step[]): Step[] {
  const { decided, facts } = drafting
  if (!isOpened(drafting) || (drainState(facts.lookOver) === 'good' && decided.drain !== 'vacuum-from-outside')) return []
  const panOff = comesOff(drafting, 'pan')
  const gate = `A cup of water runs off at once${panOff ? ' at its outer end' : ''}; nothing else goes in before`
  const entry = (fields: Pick<Step, 'id' | 'title' | 'handsMin'> & Partial<Step>): Step =>
    step({
      phase: 'dry-clean',
      part: hasDrainLine(drafting) ? 'drainLine' : 'pan',
      after: ids(before),
      gate,
      cautions: [caution.wasteWater],
      ...fields,
    })
  if (decided.drain === 'vacuum-from-outside')
    return [
      entry({
        id: 'draw-drain',
        title: 'Draw the drain line clear from its outside end',
        handsMin: stepMin.drawDrain.value,
        equipment: ['wet-vacuum'],
        how: panOff
          ? 'The pan is off: with two people one holds the hose end open indoors while the other draws outside.'
          : 'With two people one pours a cup at a time into the pan while the other draws.',
      }),
    ]
  if (decided.drain === 'disconnect-and-flush')
    return [
      entry({
        id: 'part-drain',
        title: 'Part the drain line at the pan, clear it from there, join it again',
        handsMin: stepMin.partDrain.value,
        equipment: ['bucket'],
      }),
    ]
  return [
    isSplit(facts.lookOver.family)
      ? entry({
          id: 'flush-drain-first',
          title: 'Flush the drain from the pan, a cup at a time, until it runs',
          handsMin: stepMin.flushDrain.value,
          equipment: ['bucket'],
        })
      : entry({ id: 'open-drain-holes', title: 'Open its drain holes by hand: take out what blocks them', handsMin: stepMin.flushDrain.value }),
  ]
}

/** Bent fins are combed after the dry pass, and once more after the wash, where there is one, if soil hid them. */
export function combSteps(drafting: Drafting, before: readonly Step[], when: 'dry-clean' | 'rinse'): Step[] {
  const { decided, facts } = drafting
  if (!facts.lookOver.findings.includes('bent-fins') || !isOpened(drafting)) return []
  const outdoors = reachesOutdoorSide(facts)
  const washed = outdoors
    ? decided['condenser-agent'] !== 'none' || decided['condenser-rinse'] !== 'none'
    : decided['coil-agent'] !== 'none' || decided.rinse !== 'none'
  const hidden = washed && gradeOf(facts.lookOver, outdoors ? 'condenserFace' : 'coilFace') >= 3
  if (when === 'rinse' && !hidden) return []
  const extent = facts.lookOver.extent?.['bent-fins']
  const minutes = combMin[outdoors ? 'condenser' : 'coil'][extent === 'little' ? 'little' : extent === undefined ? 'usual' : 'much'].value
  return [
    step({
      id: when === 'dry-clean' ? 'comb-fins' : 'comb-fins-after',
      phase: when,
      title: when === 'dry-clean' ? 'Comb the bent fins straight' : 'Comb the fins that the soil had hidden',
      part: outdoors ? 'condenserFace' : 'coilFace',
      handsMin: hidden ? minutes / 2 : minutes,
      after: ids(before),
      equipment: facts.has('fin-comb') ? ['fin-comb'] : [],
      how: 'Brush first, then the comb of this pitch from the straight fins into the bent ones; a thin blade for what is left. Along the fins, never across.',
      optional: 'bent fins go on holding the air back',
      cautions: [caution.fins],
    }),
  ]
}

function looseSoil(drafting: Drafting, before: readonly Step[]): Step[] {
  const { decided, facts } = drafting
  const byAir = decided['dry-pass'] === 'low-pressure-air'
  const equipment = byAir ? ['air-line'] : vacuumOf(drafting)
  const coil = step({
    id: 'vacuum-coil',
    phase: 'dry-clean',
    title: byAir
      ? 'Blow the coils out at low pressure, against the way the dirt came in, along the fins only'
      : equipment.length > 0
        ? 'Vacuum and brush the coil, along the fins only'
        : 'Brush the coil along the fins only, a damp cloth below: no vacuum in the van',
    part: 'coilFace',
    handsMin: Math.max(4, stepMinPerM2.vacuumCoil.value * facts.areaM2),
    after: ids(before),
    equipment,
    cautions: [caution.fins, caution.dust, ...(byAir ? [caution.air] : [])],
  })
  const rest = step({
    id: 'vacuum-rest',
    phase: 'dry-clean',
    title: vacuumOf(drafting).length > 0 ? 'Vacuum housing and outlet' : 'Wipe the dust out of housing and outlet',
    part: 'housing',
    handsMin: stepMin.vacuumRest.value,
    after: [coil.id],
    equipment: vacuumOf(drafting),
    optional: 'housing and outlet keep their dust',
    cautions: [caution.dust],
  })
  return [coil, rest]
}
