// What is taken off dry, before any liquid: loose soil on both sides, a wheel through its outlet, a drain from outside.
import { drainState } from '../lookover/index.ts'
import { reachesOutdoorSide } from '../method/index.ts'
import { isSplit } from '../units/index.ts'
import { caution } from './cautions.ts'
import { isPourable } from './drain.ts'
import { comesOff, hasDrainLine, ids, isOpened, isPartReached, step, vacuumOf, type Drafting } from './drafting.ts'
import type { Step } from './step.ts'
import { atLeast, combMin, soilFactor, stepMin, stepMinPerM2, takes, times } from './stepTimes.ts'
import { says } from '../words/index.ts'

export function dryCleanSteps(drafting: Drafting, before: readonly Step[]): Step[] {
  const { decided } = drafting
  const steps: Step[] = clearFound(drafting, before)
  if (decided.scope !== 'filter-service' && decided['dry-pass'] !== 'none') steps.push(...looseSoil(drafting, before))
  if (decided.wheel === 'brush-through-outlet') {
    steps.push(
      step({
        id: 'brush-wheel',
        phase: 'dry-clean',
        title: says('procedure.brush-wheel.title'),
        part: 'wheel',
        ...takes(stepMin.brushWheel),
        after: [...ids(before), ...ids(steps)],
        equipment: vacuumOf(drafting),
        gate: says('procedure.brush-wheel.gate'),
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
      title: finding === 'insect-nest' ? says('procedure.clearFound.take-old-nest-out') : says('procedure.clearFound.damp-few-droppings-wipe'),
      ...takes(stepMin.clearFound),
      after: ids(before),
      gate: says('procedure.clearFound.left-air-path'),
      cautions: [caution.dust],
    }),
  )
}

/** A drain that does not run well is cleared before foam or water goes in, whichever school the firm follows. */
function clearDrainSteps(drafting: Drafting, before: readonly Step[]): Step[] {
  const { decided, facts } = drafting
  if (!isOpened(drafting) || (drainState(facts.lookOver) === 'good' && decided.drain !== 'vacuum-from-outside')) return []
  const panOff = comesOff(drafting, 'pan')
  const gate = !isPourable(drafting)
    ? says('procedure.clearDrainSteps.drawn-clear')
    : panOff
      ? says('procedure.clearDrainSteps.cup-runs-off-outside')
      : says('procedure.clearDrainSteps.cup-water-runs-off')
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
        title: says('procedure.draw-drain.title'),
        ...takes(stepMin.drawDrain),
        equipment: ['wet-vacuum'],
        ...(isPourable(drafting) ? { how: panOff ? says('procedure.draw-drain.how') : says('procedure.draw-drain.how.two-people-one-pours') } : {}),
      }),
    ]
  if (decided.drain === 'disconnect-and-flush')
    return [
      entry({
        id: 'part-drain',
        title: says('procedure.part-drain.title'),
        ...takes(stepMin.partDrain),
        equipment: ['bucket'],
      }),
    ]
  if (!isPourable(drafting)) return []
  return [
    isSplit(facts.lookOver.family)
      ? entry({
          id: 'flush-drain-first',
          title: says('procedure.flush-drain-first.title'),
          ...takes(stepMin.flushDrain),
          equipment: ['bucket'],
        })
      : entry({ id: 'open-drain-holes', title: says('procedure.open-drain-holes.title'), ...takes(stepMin.flushDrain) }),
  ]
}

/** Bent fins are combed once: after the wash, unless so many are bent that they keep its water out; where nothing is washed, after the dry pass. */
export function combSteps(drafting: Drafting, before: readonly Step[], when: 'dry-clean' | 'rinse'): Step[] {
  const { decided, facts } = drafting
  if (!facts.lookOver.findings.includes('bent-fins') || !isOpened(drafting)) return []
  const outdoors = reachesOutdoorSide(facts)
  if (!outdoors && !isPartReached(drafting, 'coilFace')) return []
  const washed = outdoors
    ? decided['condenser-agent'] !== 'none' || decided['condenser-rinse'] !== 'none'
    : decided['coil-agent'] !== 'none' || decided.rinse !== 'none'
  const extent = facts.lookOver.extent?.['bent-fins']
  const keepsWaterOut = extent !== undefined && extent !== 'little'
  if (when !== (washed && !keepsWaterOut ? 'rinse' : 'dry-clean')) return []
  return [
    step({
      id: 'comb-fins',
      phase: when,
      title: when === 'rinse' ? says('procedure.combSteps.comb-fins-washed') : says('procedure.combSteps.comb-bent-fins-straight'),
      part: outdoors ? 'condenserFace' : 'coilFace',
      ...takes(combMin[outdoors ? 'condenser' : 'coil'][extent === 'little' ? 'little' : extent === undefined ? 'usual' : 'much']),
      after: ids(before),
      equipment: facts.has('fin-comb') ? ['fin-comb'] : [],
      how: says('procedure.combSteps.brush-first-then-comb'),
      optional: says('procedure.combSteps.bent-fins-go-holding'),
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
      ? says('procedure.vacuum-coil.title')
      : equipment.length > 0
        ? says('procedure.vacuum-coil.title.vacuum-brush-coil-along')
        : says('procedure.vacuum-coil.title.brush-coil-along-fins'),
    part: 'coilFace',
    ...takes(atLeast(1.5, times(stepMinPerM2.vacuumCoil, facts.areaM2 * soilFactor[facts.coilGrade]))),
    after: ids(before),
    equipment,
    cautions: [caution.fins, caution.dust, ...(byAir ? [caution.air] : [])],
  })
  const rest = step({
    id: 'vacuum-rest',
    phase: 'dry-clean',
    title: vacuumOf(drafting).length > 0 ? says('procedure.vacuum-rest.title') : says('procedure.vacuum-rest.title.wipe-dust-out-housing'),
    part: 'housing',
    ...takes(stepMin.vacuumRest),
    after: [coil.id],
    equipment: vacuumOf(drafting),
    optional: says('procedure.vacuum-rest.optional'),
    cautions: [caution.dust],
  })
  return [coil, rest]
}
