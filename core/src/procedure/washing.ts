// How is what was loosened carried off: coil, wheel and pan?
import { gradeOf, worstOf } from '../lookover/index.ts'
import { isOutOfWall } from '../method/index.ts'
import { isOnRoof } from '../units/index.ts'
import { amountOf } from './agent.ts'
import { caution } from './cautions.ts'
import { comesOff, ids, rinseTool, step, type Drafting } from './drafting.ts'
import type { Step } from './step.ts'
import { pauseMin } from '../wash/index.ts'
import { atLeast, runsFor, soilFactor, stepMin, stepMinPerM2, takes, times, wheelMin } from './stepTimes.ts'
import { joined, says, type Message } from '../words/index.ts'

/** When to stop and clear the outlet: as somebody chose, else before it would run over. */
function pausesIn(washWater: Drafting['washWater'], rinseMin: number): Message[] {
  if (!washWater) return []
  const chosen = washWater.pausesAtMin?.filter((at) => at < rinseMin) ?? []
  if (chosen.length > 0) return [says('procedure.pausesIn.stop-after-min-washing', { minutes: { comma: chosen.map(String) } })]
  return washWater.longestWashMin < rinseMin ? [says('procedure.pausesIn.stop-every-clear-outlet', { time: { min: washWater.longestWashMin } })] : []
}

function bucketsIn(washWater: Drafting['washWater']): Message[] {
  if (!washWater || washWater.bucketChanges === 0) return []
  return [says('procedure.bucketsIn.change-bucket', { times: washWater.bucketChanges })]
}

/** @param bare after which the unit lies open and free of loose soil @param agent what is put on its coil */
export function washSteps(drafting: Drafting, bare: readonly Step[], agent: readonly Step[]): Step[] {
  const before = [...bare, ...agent]
  const applied = agent.some(({ id }) => id === 'apply-coil') ? ['apply-coil'] : ids(before)
  // Out of its wall the wheel lies open beside the coil: it is washed before that is rinsed, while it soaks.
  const inPlace = drafting.decided.wheel === 'wash-in-place'
  const first = inPlace && isOutOfWall(drafting) ? wheelSteps(drafting, ids(bare), 'dwell') : []
  const coil = coilSteps(drafting, before, [...applied, ...ids(first)])
  const wetDone = coil.length > 0 ? ids(coil) : [...applied, ...ids(first)]
  const wheel = first.length > 0 ? first : wheelSteps(drafting, wetDone, 'wheel')
  return [...coil, ...wheel, ...panSteps(drafting, [...wetDone, ...(inPlace ? ids(wheel.slice(-1)) : [])])]
}

function coilSteps(drafting: Drafting, before: readonly Step[], applied: readonly string[]): Step[] {
  const { decided, facts, rinseMin, washWater } = drafting
  if (decided.rinse === 'pump-wand' || decided.rinse === 'spray-bottle' || decided.rinse === 'hose')
    return [
      step({
        id: 'rinse-coil',
        phase: 'rinse',
        title: says('procedure.rinse-coil.title'),
        part: 'coilFace',
        ...takes(atLeast(1, runsFor(rinseMin + (washWater?.pausesAtMin?.length ?? 0) * pauseMin.value))),
        after: [...applied],
        equipment: [rinseTool(drafting, decided.rinse)],
        how: joined({
          sentences: [
            says('procedure.rinse-coil.how'),
            ...(decided.rinse === 'hose' ? [says('procedure.rinse-coil.open-hose')] : []),
            ...pausesIn(washWater, rinseMin),
            ...bucketsIn(washWater),
          ],
        }),
        gate: says('procedure.rinse-condenser.gate'),
        cautions: [caution.jet, caution.hotWater, caution.wasteWater],
      }),
    ]
  if (decided.rinse === 'none' && before.some(({ id }) => id === 'apply-coil'))
    return [
      step({
        id: 'draw-off',
        phase: 'rinse',
        title: says('procedure.draw-off.title'),
        part: 'coilFace',
        ...takes(atLeast(3, times(stepMinPerM2.wipeCoil, facts.areaM2 * soilFactor[facts.coilGrade]))),
        after: [...applied],
        equipment: ['wet-vacuum'],
        gate: says('procedure.draw-off.gate'),
        cautions: [caution.fins],
      }),
    ]
  return []
}

/** What goes on the wheel, in words: grease first where there are two. */
function onWheel({ wheelMix, wheelFirst, decided }: Drafting): Message[] {
  if (wheelMix && wheelFirst) return [says('procedure.onWheel.first-warm-then-rinsed', { first: amountOf(wheelFirst), then: amountOf(wheelMix) })]
  if (wheelMix) return [says('procedure.onWheel.with', { mix: amountOf(wheelMix) })]
  return decided['wheel-agent'] === 'water' ? [says('procedure.onWheel.plain-water-soft-brush')] : []
}

function wheelSteps(drafting: Drafting, wetDone: readonly string[], phase: 'wheel' | 'dwell'): Step[] {
  const { decided, facts, wheelFirst, wheelMix } = drafting
  const twice = wheelFirst ? [stepMin.rinseDegreaser] : []
  const grade = gradeOf(facts.lookOver, 'wheel')
  const chemicals = wheelMix ? [caution.chemicals] : []
  if (decided.wheel === 'remove-and-wash')
    return [
      step({
        id: 'wash-wheel',
        phase: 'wheel',
        title: wheelMix ? says('procedure.wash-wheel.title') : says('procedure.wash-wheel.title.wash-wheel-outside-soak'),
        part: 'wheel',
        ...takes(wheelMin.out[grade], ...twice),
        after: ['off-wheel'],
        equipment: facts.has('hose') && facts.site.waterOnSite ? ['hose'] : [],
        how: joined({ sentences: onWheel(drafting) }),
        gate: says('procedure.wash-wheel.gate'),
        cautions: [...chemicals, caution.wasteWater],
      }),
      step({
        id: 'wipe-behind-wheel',
        phase: 'wheel',
        title: says('procedure.wipe-behind-wheel.title'),
        part: 'housing',
        ...takes(stepMin.wipeBehindWheel),
        after: ['off-wheel', ...wetDone],
        optional: says('procedure.wipe-behind-wheel.optional'),
        cautions: [],
      }),
    ]
  if (decided.wheel === 'wash-in-place')
    return [
      step({
        id: 'wash-wheel',
        phase,
        title: says('procedure.wash-wheel.title.wash-wheel-sits-hold'),
        part: 'wheel',
        ...takes(wheelMin.inPlace[grade], ...twice),
        after: [...wetDone],
        equipment: [rinseTool(drafting, wheelTool(drafting))],
        how: joined({ sentences: [...onWheel(drafting), ...(drafting.rinseMin > 0 ? [] : bucketsIn(drafting.washWater))] }),
        gate: says('procedure.wash-wheel.gate.full-turn-runs-clear'),
        cautions: [caution.jet, ...chemicals, caution.wasteWater],
      }),
    ]
  return []
}

/** What washes the wheel where it sits: what rinses the coil, else the pump where there is a tap and something that hangs catches it, else by hand. */
export function wheelTool({ decided, facts }: Pick<Drafting, 'decided' | 'facts'>): 'pump-wand' | 'hose' | 'spray-bottle' {
  if (decided.rinse === 'pump-wand' || decided.rinse === 'hose') return decided.rinse
  // Before containment is decided: what hangs is what a wheel that is washed where it sits asks for.
  const hangs =
    decided.location === 'outdoors' ||
    (decided.containment === undefined
      ? !isOnRoof(facts.lookOver.family)
      : decided.containment === 'wash-bag-to-bucket' || decided.containment === 'funnel-sheet-to-bucket')
  return decided.rinse === 'none' && hangs && facts.has('pump-wand') && facts.site.waterOnSite ? 'pump-wand' : 'spray-bottle'
}

const panWork = {
  'remove-and-wash': [says('procedure.panWork.carry-pan-level-wash'), stepMin.washPan],
  'flush-in-place': [says('procedure.panWork.flush-pan-towards-drain'), stepMin.flushPan],
  wipe: [says('procedure.panWork.wipe-pan-out'), stepMin.wipePan],
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
      ...takes(times(work[1], soilFactor[gradeOf(drafting.facts.lookOver, 'pan')])),
      after: decided.pan === 'remove-and-wash' ? ['off-pan'] : [...wetDone],
      cautions: [caution.wasteWater],
      ...(decided.pan === 'flush-in-place'
        ? { equipment: [rinseTool(drafting, decided.rinse === 'hose' ? 'hose' : decided.rinse === 'pump-wand' ? 'pump-wand' : 'spray-bottle')] }
        : {}),
    }),
  ]
}

/** The outside of what people see: while the agent works, or whenever hands are free. */
export function outsideStep(drafting: Drafting, before: readonly Step[]): Step {
  const off = comesOff(drafting, 'cover') || comesOff(drafting, 'front') || comesOff(drafting, 'grille')
  return step({
    id: 'wipe-outside',
    phase: 'dwell',
    title: off ? says('procedure.wipe-outside.title.off') : says('procedure.wipe-outside.title'),
    part: 'housing',
    ...takes(off ? stepMin.washCover : stepMin.wipeOutside),
    after: ids(before),
    optional: says('procedure.wipe-outside.optional'),
    cautions: [],
  })
}

export function outletStep({ facts }: Drafting, before: readonly Step[]): Step {
  return step({
    id: 'wipe-outlet',
    phase: 'pan-and-drain',
    title: says('procedure.wipe-outlet.title'),
    part: 'outlet',
    ...takes(times(stepMin.wipeOutlet, soilFactor[worstOf(facts.lookOver, 'outlet', 'housing')])),
    after: ids(before),
    optional: says('procedure.wipe-outlet.optional'),
    cautions: [],
  })
}
