// The cleaning itself: dry, apply, dwell, rinse, wheel, pan and drain, dry.
import { partNames, type Part } from '../units/index.ts'
import { dryingMinutes } from '../wash/index.ts'
import { caution } from './cautions.ts'
import { comesOff, ids, isWet, step, type Drafting } from './drafting.ts'
import type { Step } from './step.ts'
import { stepMin, stepMinPerM2, wetElectricsMin } from './stepTimes.ts'

const inside = ({ decided }: Drafting) => decided.scope !== 'filter-service'

export function dryCleanSteps(drafting: Drafting, before: readonly Step[]): Step[] {
  const { decided, facts } = drafting
  const steps: Step[] = []
  if (decided['dry-pass'] === 'vacuum-and-brush' && inside(drafting)) {
    steps.push(
      step({
        id: 'vacuum-coil',
        phase: 'dry-clean',
        title: 'Vacuum and brush the coil, along the fins only',
        part: 'coilFace',
        handsMin: Math.max(4, stepMinPerM2.vacuumCoil.value * facts.areaM2),
        after: ids(before),
        equipment: [facts.has('dry-vacuum') ? 'dry-vacuum' : 'wet-vacuum'],
        cautions: [caution.fins, caution.dust],
      }),
    )
    steps.push(
      step({
        id: 'vacuum-rest',
        phase: 'dry-clean',
        title: 'Vacuum housing and outlet',
        part: 'housing',
        handsMin: stepMin.vacuumRest.value,
        after: ids(steps),
        equipment: [facts.has('dry-vacuum') ? 'dry-vacuum' : 'wet-vacuum'],
        cautions: [caution.dust],
      }),
    )
  }
  if (decided.wheel === 'brush-through-outlet') {
    steps.push(
      step({
        id: 'brush-wheel',
        phase: 'dry-clean',
        title: 'Brush the wheel through the outlet, blade by blade, vacuum at the slot',
        part: 'wheel',
        handsMin: stepMin.brushWheel.value,
        after: [...ids(before), ...ids(steps)],
        equipment: [facts.has('dry-vacuum') ? 'dry-vacuum' : 'wet-vacuum'],
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

export function agentSteps(drafting: Drafting, before: readonly Step[], protectedBy: readonly Step[]): Step[] {
  const { decided, facts, coilMix } = drafting
  const agent = decided['coil-agent']
  if (!agent || agent === 'none' || agent === 'water' || !coilMix) return []
  const { product, dilution, productL, waterL } = coilMix
  const [leastMin, mostMin] = product.label.dwellMin ?? [5, 10]
  const amount =
    dilution === 0 ? `${productL} L of ${product.name}, ready to use` : `${productL} L of ${product.name} in ${waterL} L of water (1:${dilution})`
  const dryWay = decided.rinse === 'none'
  const mixing = step({
    id: 'mix-agent',
    phase: 'apply',
    title: `Make up ${amount}`,
    handsMin: stepMin.mixAgent.value,
    after: ids(protectedBy),
    equipment: [dryWay || facts.coilGrade <= 1 ? 'spray-bottle' : 'pump-sprayer'],
    cautions: [caution.chemicals],
  })
  const apply = step({
    id: 'apply-coil',
    phase: 'apply',
    part: 'coilFace',
    handsMin: Math.max(3, stepMinPerM2.applyCoil.value * facts.areaM2),
    title: dryWay ? 'Mist the agent thinly on the coil, face by face' : 'Put the agent on the coil from the bottom up, every face that is reached',
    after: [...ids(before), mixing.id],
    equipment: mixing.equipment,
    gate: `Containment is closed round the unit; the label is read: ${dilution === 0 ? 'ready to use' : `1:${dilution}`}, ${leastMin} to ${mostMin} min on the coil`,
    ...(decided.rinse === 'condensate' ? {} : { wait: { leastMin, mostMin, for: `${product.name} to work` } }),
    cautions: [
      caution.chemicals,
      caution.fins,
      ...((product.label.reentryMin ?? 0) > 0 ? [`Room is used again ${product.label.reentryMin} min after the last spraying at the earliest.`] : []),
    ],
  })
  return [mixing, apply]
}

/** Removed parts that are washed while the coil soaks, or when nothing soaks. */
export function filterSteps(drafting: Drafting, soaking: Step | undefined): Step[] {
  const after = ['filters', 'louvres', 'fine-filter'].filter((id) => comesOff(drafting, id)).map((id) => `off-${id}`)
  if (after.length === 0) return []
  const disposable = drafting.facts.design.filter === 'disposable'
  const handsMin = stepMin.washFilters.value
  const fits = soaking?.wait && (soaking.wait.mostMin ?? Infinity) >= handsMin
  return [
    step({
      id: 'wash-filters',
      phase: fits ? 'dwell' : soaking ? 'rinse' : 'dry-clean',
      part: 'filter',
      handsMin,
      after,
      title: disposable ? 'Vacuum louvres; have new filters ready' : 'Wash filters and louvres at the tap, clean side first, and shake them dry',
      how: 'Lukewarm water, no scrubbing of the mesh. Away from the unit.',
      cautions: [caution.wasteWater],
    }),
  ]
}

export function washSteps(drafting: Drafting, before: readonly Step[]): Step[] {
  const { decided, facts, rinseMin, washWater } = drafting
  const applied = before.some(({ id }) => id === 'apply-coil') ? ['apply-coil'] : ids(before)
  const steps: Step[] = []
  if (decided.rinse === 'pump-wand' || decided.rinse === 'spray-bottle' || decided.rinse === 'hose') {
    const pauses = washWater && washWater.longestWashMin < rinseMin ? ` Stop every ${washWater.longestWashMin} min and clear the bag's outlet.` : ''
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
        handsMin: Math.max(2, rinseMin),
        after: applied,
        equipment: [decided.rinse],
        how: `Along the fins, back face first where it is reached.${pauses}${changes}`,
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
        equipment: [decided.rinse === 'pump-wand' ? 'pump-wand' : 'spray-bottle'],
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
  if (decided.drain !== 'flow-test-only' && inside(drafting)) {
    const parted = decided.drain === 'disconnect-and-flush'
    steps.push(
      step({
        id: 'flush-drain',
        phase: 'pan-and-drain',
        title: parted ? 'Part the drain line at the pan, flush it, join it again' : 'Flush the drain line with clear water',
        part: 'drainLine',
        handsMin: parted ? stepMin.partDrain.value : stepMin.flushDrain.value,
        after: [...new Set([...wetDone, ...(work ? ['wash-pan'] : [])])],
        cautions: [caution.wasteWater],
      }),
    )
  }
  return steps
}

/** Flow test and pan treatment: with the pan in its place, before the cover. */
export function drainProof(drafting: Drafting, phase: 'pan-and-drain' | 'rebuild', after: readonly string[]): Step[] {
  if (!isWet(drafting)) return []
  const test = step({
    id: 'flow-test',
    phase,
    title: 'Flow test: pour one litre into the pan and time it',
    part: 'drainLine',
    handsMin: stepMin.flowTest.value,
    after: [...after],
    how: 'One litre within a minute is good. Slower: draw from outside, flush, part and flush, and test again. Still failing: the unit is not handed over as done.',
    gate: 'One litre ran off within a minute, and nothing drips',
    cautions: [],
  })
  if (drafting.decided['pan-treatment'] !== 'slow-release') return [test]
  return [
    test,
    step({
      id: 'treat-pan',
      phase,
      title: 'Lay the pan treatment in, clear of the spout',
      part: 'pan',
      handsMin: stepMin.treatPan.value,
      after: [test.id],
      gate: 'The treatment lies in the pan, clear of the spout',
      cautions: [caution.chemicals],
    }),
  ]
}

export function drySteps(drafting: Drafting, before: readonly Step[]): Step[] {
  const { decided, facts, room } = drafting
  const washed: Part[] = [
    ...(before.some(({ id }) => id === 'wash-filters') ? ['filter' as const] : []),
    ...(decided.wheel === 'remove-and-wash' ? ['wheel' as const] : []),
    ...(decided.pan === 'remove-and-wash' ? ['pan' as const] : []),
  ]
  const steps: Step[] = []
  if (washed.length > 0) {
    const leastMin = Math.ceil(Math.max(...washed.map((part) => dryingMinutes(part, 'fan', room, facts.design.filter))))
    const washedIn = before.filter(({ id }) => ['wash-filters', 'wash-wheel', 'wash-pan'].includes(id)).map(({ id }) => id)
    steps.push(
      step({
        id: 'dry-parts',
        phase: 'dry',
        title: `Wipe down and set to dry: ${washed.map((part) => partNames[part]).join(', ')}`,
        handsMin: stepMin.dryParts.value,
        after: washedIn,
        ...(Number.isFinite(leastMin) ? { wait: { leastMin, for: 'parts to dry before a fan' } } : {}),
        cautions: [],
      }),
    )
  }
  if (decided.drying === 'long-air-dry') {
    const wetBoard = facts.lookOver.findings.includes('wet-electronics')
    const coilMin = Math.ceil(dryingMinutes('coilFace', 'still-air', room))
    steps.push(
      step({
        id: 'open-to-dry',
        phase: 'dry',
        title: 'Leave the unit open to dry',
        part: 'coilFace',
        handsMin: stepMin.openToDry.value,
        after: ids(before),
        wait: { leastMin: wetBoard ? wetElectricsMin.value : coilMin, for: wetBoard ? 'electrical parts to dry' : 'the coil to dry in still air' },
        cautions: [],
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
    cautions: [],
  })
}
