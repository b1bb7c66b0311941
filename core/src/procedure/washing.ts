// How is what was loosened carried off: coil, wheel and pan?
import { caution } from './cautions.ts'
import { ids, step, type Drafting } from './drafting.ts'
import type { Step } from './step.ts'
import { pauseMin } from '../wash/index.ts'
import { stepMin, stepMinPerM2 } from './stepTimes.ts'

/** When to stop and clear the outlet: as somebody chose, else before it would run over. */
function pausesIn(washWater: Drafting['washWater'], rinseMin: number): string {
  if (!washWater) return ''
  const chosen = washWater.pausesAtMin?.filter((at) => at < rinseMin) ?? []
  if (chosen.length > 0) return ` Stop after ${chosen.join(', ')} min of washing and clear the outlet.`
  return washWater.longestWashMin < rinseMin ? ` Stop every ${washWater.longestWashMin} min and clear the outlet.` : ''
}

export function washSteps(drafting: Drafting, before: readonly Step[]): Step[] {
  const { decided, facts, rinseMin, washWater } = drafting
  const applied = before.some(({ id }) => id === 'apply-coil') ? ['apply-coil'] : ids(before)
  const steps: Step[] = []
  if (decided.rinse === 'pump-wand' || decided.rinse === 'spray-bottle' || decided.rinse === 'hose') {
    const pauses = pausesIn(washWater, rinseMin)
    const changes =
      washWater && washWater.bucketChanges > 0
        ? ` Change the bucket ${washWater.bucketChanges === 1 ? 'once' : `${washWater.bucketChanges} times`}.`
        : ''
    steps.push(
      step({
        id: 'rinse-coil',
        phase: 'rinse',
        title: 'Rinse the coil from the top down until the run-off is clear',
        part: 'coilFace',
        handsMin: Math.max(2, rinseMin + (washWater?.pausesAtMin?.length ?? 0) * pauseMin.value),
        after: applied,
        equipment: [decided.rinse],
        how: `Along the fins, back face first where it is reached.${decided.rinse === 'hose' ? ' An open hose without a nozzle: pressure bends fins.' : ''}${pauses}${changes}`,
        gate: 'The run-off is clear',
        cautions: [caution.jet, caution.hotWater],
      }),
    )
  } else if (decided.rinse === 'none' && before.some(({ id }) => id === 'apply-coil')) {
    steps.push(
      step({
        id: 'draw-off',
        phase: 'rinse',
        title: 'Wipe along the fins with a damp cloth and draw off with the wet vacuum',
        part: 'coilFace',
        handsMin: Math.max(4, stepMinPerM2.wipeCoil.value * facts.areaM2),
        after: applied,
        equipment: ['wet-vacuum'],
        gate: 'A fresh cloth stays clean',
        cautions: [caution.fins],
      }),
    )
  }
  const wetDone = steps.length > 0 ? ids(steps) : applied
  if (decided.wheel === 'remove-and-wash') {
    steps.push(
      step({
        id: 'wash-wheel',
        phase: 'wheel',
        title: 'Wash the wheel outside: agent, soak, rinse along the blades from both sides',
        part: 'wheel',
        handsMin: stepMin.washWheelOut.value,
        after: ['off-wheel'],
        equipment: facts.has('hose') && facts.site.waterOnSite ? ['hose'] : [],
        gate: 'Blades are clean on both sides; every balance clip is in its place',
        cautions: [caution.chemicals, caution.wasteWater],
      }),
    )
  } else if (decided.wheel === 'wash-in-place') {
    steps.push(
      step({
        id: 'wash-wheel',
        phase: 'wheel',
        title: 'Wash the wheel where it sits: hold it with a soft stop, spray along the blades, turn, repeat',
        part: 'wheel',
        handsMin: stepMin.washWheelInPlace.value,
        after: wetDone,
        equipment: [decided.rinse === 'pump-wand' || decided.rinse === 'hose' ? decided.rinse : 'spray-bottle'],
        gate: 'A full turn runs clear; every balance clip is in its place',
        cautions: [caution.jet],
      }),
    )
  }
  const panAfter = decided.pan === 'remove-and-wash' ? ['off-pan'] : [...wetDone, ...(decided.wheel === 'wash-in-place' ? ['wash-wheel'] : [])]
  const panWork = {
    'remove-and-wash': ['Scrub the pan outside, corners and spout', stepMin.washPan],
    'flush-in-place': ['Flush the pan towards its drain', stepMin.flushPan],
    wipe: ['Wipe the pan out', stepMin.wipePan],
  } as const
  const work = panWork[decided.pan as keyof typeof panWork]
  if (work) {
    steps.push(
      step({
        id: 'wash-pan',
        phase: 'pan-and-drain',
        title: work[0],
        part: 'pan',
        handsMin: work[1].value,
        after: panAfter,
        cautions: [caution.wasteWater],
        ...(decided.pan === 'flush-in-place'
          ? { equipment: [decided.rinse === 'none' ? 'spray-bottle' : String(decided.rinse === 'condensate' ? 'spray-bottle' : decided.rinse)] }
          : {}),
      }),
    )
  }
  return steps
}

export function outletStep(before: readonly Step[]): Step {
  return step({
    id: 'wipe-outlet',
    phase: 'pan-and-drain',
    title: 'Wipe outlet and housing, inside and out',
    part: 'outlet',
    handsMin: stepMin.wipeOutlet.value,
    after: ids(before),
    optional: 'outlet and housing keep their dust',
    cautions: [],
  })
}
