// How is what was loosened carried off: coil, wheel and pan?
import { amountOf } from './agent.ts'
import { caution } from './cautions.ts'
import { ids, rinseTool, step, type Drafting } from './drafting.ts'
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

function bucketsIn(washWater: Drafting['washWater']): string {
  if (!washWater || washWater.bucketChanges === 0) return ''
  return ` Change the bucket ${washWater.bucketChanges === 1 ? 'once' : `${washWater.bucketChanges} times`}.`
}

export function washSteps(drafting: Drafting, before: readonly Step[]): Step[] {
  const applied = before.some(({ id }) => id === 'apply-coil') ? ['apply-coil'] : ids(before)
  const coil = coilSteps(drafting, before, applied)
  const wetDone = coil.length > 0 ? ids(coil) : applied
  const wheel = wheelSteps(drafting, wetDone)
  return [...coil, ...wheel, ...panSteps(drafting, [...wetDone, ...(drafting.decided.wheel === 'wash-in-place' ? ids(wheel.slice(-1)) : [])])]
}

function coilSteps(drafting: Drafting, before: readonly Step[], applied: readonly string[]): Step[] {
  const { decided, facts, rinseMin, washWater } = drafting
  if (decided.rinse === 'pump-wand' || decided.rinse === 'spray-bottle' || decided.rinse === 'hose')
    return [
      step({
        id: 'rinse-coil',
        phase: 'rinse',
        title: 'Rinse the coil from the top down until the run-off is clear',
        part: 'coilFace',
        handsMin: Math.max(2, rinseMin + (washWater?.pausesAtMin?.length ?? 0) * pauseMin.value),
        after: [...applied],
        equipment: [rinseTool(drafting, decided.rinse)],
        how: `Along the fins, back face first where it is reached.${decided.rinse === 'hose' ? ' An open hose without a nozzle: pressure bends fins.' : ''}${pausesIn(washWater, rinseMin)}${bucketsIn(washWater)}`,
        gate: 'The run-off is clear',
        cautions: [caution.jet, caution.hotWater, caution.wasteWater],
      }),
    ]
  if (decided.rinse === 'none' && before.some(({ id }) => id === 'apply-coil'))
    return [
      step({
        id: 'draw-off',
        phase: 'rinse',
        title: 'Wipe along the fins with a damp cloth and draw off with the wet vacuum',
        part: 'coilFace',
        handsMin: Math.max(4, stepMinPerM2.wipeCoil.value * facts.areaM2),
        after: [...applied],
        equipment: ['wet-vacuum'],
        gate: 'A fresh cloth stays clean',
        cautions: [caution.fins],
      }),
    ]
  return []
}

/** What goes on the wheel, in words: grease first where there are two. */
function onWheel({ wheelMix, wheelFirst, decided }: Drafting): string {
  if (wheelMix && wheelFirst) return `First ${amountOf(wheelFirst)}, warm, then rinsed; then ${amountOf(wheelMix)}.`
  if (wheelMix) return `With ${amountOf(wheelMix)}.`
  return decided['wheel-agent'] === 'water' ? 'With plain water and a soft brush.' : ''
}

function wheelSteps(drafting: Drafting, wetDone: readonly string[]): Step[] {
  const { decided, facts, wheelFirst, wheelMix } = drafting
  const twice = wheelFirst ? stepMin.rinseDegreaser.value : 0
  const chemicals = wheelMix ? [caution.chemicals] : []
  if (decided.wheel === 'remove-and-wash')
    return [
      step({
        id: 'wash-wheel',
        phase: 'wheel',
        title: wheelMix
          ? 'Wash the wheel outside: agent, soak, rinse along the blades from both sides'
          : 'Wash the wheel outside: soak, brush and rinse along the blades from both sides',
        part: 'wheel',
        handsMin: stepMin.washWheelOut.value + twice,
        after: ['off-wheel'],
        equipment: facts.has('hose') && facts.site.waterOnSite ? ['hose'] : [],
        how: onWheel(drafting),
        gate: 'Blades are clean on both sides; every balance clip is in its place',
        cautions: [...chemicals, caution.wasteWater],
      }),
    ]
  if (decided.wheel === 'wash-in-place')
    return [
      step({
        id: 'wash-wheel',
        phase: 'wheel',
        title: 'Wash the wheel where it sits: hold it with a soft stop, spray along the blades, turn, repeat',
        part: 'wheel',
        handsMin: stepMin.washWheelInPlace.value + twice,
        after: [...wetDone],
        equipment: [rinseTool(drafting, wheelTool(drafting))],
        how: `${onWheel(drafting)}${drafting.rinseMin > 0 ? '' : bucketsIn(drafting.washWater)}`,
        gate: 'A full turn runs clear; every balance clip is in its place',
        cautions: [caution.jet, ...chemicals, caution.wasteWater],
      }),
    ]
  return []
}

/** What washes the wheel where it sits: what rinses the coil, else the pump where there is a tap and something that hangs catches it, else by hand. */
export function wheelTool({ decided, facts }: Pick<Drafting, 'decided' | 'facts'>): 'pump-wand' | 'hose' | 'spray-bottle' {
  if (decided.rinse === 'pump-wand' || decided.rinse === 'hose') return decided.rinse
  const hangs = decided.containment === 'wash-bag-to-bucket' || decided.containment === 'funnel-sheet-to-bucket' || decided.location === 'outdoors'
  return decided.rinse === 'none' && hangs && facts.has('pump-wand') && facts.site.waterOnSite ? 'pump-wand' : 'spray-bottle'
}

const panWork = {
  'remove-and-wash': ['Carry the pan level to the wash place, empty it there; scrub it, corners and spout', stepMin.washPan],
  'flush-in-place': ['Flush the pan towards its drain', stepMin.flushPan],
  wipe: ['Wipe the pan out', stepMin.wipePan],
} as const

function panSteps(drafting: Drafting, wetDone: readonly string[]): Step[] {
  const { decided } = drafting
  const work = panWork[decided.pan as keyof typeof panWork]
  if (!work) return []
  return [
    step({
      id: 'wash-pan',
      phase: 'pan-and-drain',
      title: work[0],
      part: 'pan',
      handsMin: work[1].value,
      after: decided.pan === 'remove-and-wash' ? ['off-pan'] : [...wetDone],
      cautions: [caution.wasteWater],
      ...(decided.pan === 'flush-in-place'
        ? { equipment: [rinseTool(drafting, decided.rinse === 'hose' ? 'hose' : decided.rinse === 'pump-wand' ? 'pump-wand' : 'spray-bottle')] }
        : {}),
    }),
  ]
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
