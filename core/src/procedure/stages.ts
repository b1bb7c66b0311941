// Which stage of the work does a step belong to? Stages are what a run shows; steps are their lines.
import { says, type Message } from '../words/index.ts'
import type { Phase, Step } from './step.ts'
import { plainId } from './visit.ts'

const stages = [
  'arrive',
  'before',
  'isolate',
  'protect',
  'open',
  'cover',
  'take-out',
  'dry-clean',
  'drain',
  'mix',
  'filters',
  'rinse',
  'wipe-coil',
  'outdoor',
  'wheel',
  'pan',
  'test-drain',
  'dry',
  'refit',
  'close',
  'count',
  'power',
  'run',
  'clear-up',
  'show',
  'hand-over',
] as const
type StageId = (typeof stages)[number]

const ofPhase: Readonly<Record<Phase, StageId>> = {
  call: 'arrive',
  'look-over': 'before',
  method: 'before',
  isolate: 'isolate',
  protect: 'protect',
  strip: 'open',
  'dry-clean': 'dry-clean',
  apply: 'mix',
  dwell: 'filters',
  rinse: 'rinse',
  wheel: 'wheel',
  'pan-and-drain': 'pan',
  dry: 'dry',
  rebuild: 'close',
  prove: 'run',
  'hand-over': 'hand-over',
  upkeep: 'hand-over',
}

/** Steps that people count to another stage than their phase. */
const ofStep: Readonly<Record<string, StageId>> = Object.fromEntries(
  (
    [
      ['cover', ['look-at-wiring', 'cover-electronics', 'clean-plug', 'plug-opening', 'set-containment', 'off-ice-probe']],
      ['drain', ['draw-drain', 'flush-drain-first', 'part-drain']],
      ['filters', ['wash-filters', 'renew-filters', 'wipe-outside']],
      ['wheel', ['wash-wheel', 'wipe-behind-wheel']],
      ['wipe-coil', ['draw-off']],
      ['outdoor', ['outdoor-wash']],
      ['test-drain', ['flow-test', 'float-test', 'treat-pan', 'set-level']],
      ['refit', ['tighten-set-screw', 'spin-by-hand', 'on-drain-plug']],
      ['close', ['on-ice-probe']],
      [
        'power',
        ['check-ledger', 'join-battery', 'power-on', 'first-spin', 'cover-for-spin', 'pump-test', 'take-down', 'wiring-put-right', 'keep-off'],
      ],
      ['clear-up', ['clear-up', 'show-result', 'put-things-back']],
    ] satisfies [StageId, string[]][]
  ).flatMap(([stage, ids]) => ids.map((id) => [id, stage] as const)),
)

const stageName = (id: StageId): Message => says(`names.stage.${id}`)
const names = new Map(stages.map((id) => [id, stageName(id)]))

/** As many a unit at least, where it has more steps than that many: what people do for itself then stands by itself, in this order. */
const leastStages = 12
const fewSteps = 20
const parting: readonly (readonly [step: string, StageId])[] = [
  ['check-ledger', 'count'],
  ['show-result', 'show'],
]
/** No more than so many a unit: what follows on another one joins it, in this order, until there are as few. */
const mostStages = 20
const joining: readonly (readonly [StageId, into: StageId])[] = [
  ['drain', 'dry-clean'],
  ['wipe-coil', 'rinse'],
  ['dry', 'pan'],
  ['outdoor', 'rinse'],
  ['test-drain', 'pan'],
]

/**
 * The steps with the stage of each; `steps` are those of one unit in workable order. What is stripped once the electronics are covered is taken out,
 * and refitted; before that the unit is opened, and closed. Steps that know their stage keep it.
 */
export function withStages<Entry extends Pick<Step, 'id' | 'phase' | 'stage' | 'takesOff' | 'putsBack'>>(steps: readonly Entry[]): Entry[] {
  const stageOf = stagesOf(steps)
  for (const [stage, into] of joining) {
    if (new Set(stageOf).size <= mostStages) break
    stageOf.forEach((own, index) => own === stage && (stageOf[index] = into))
  }
  for (const [id, stage] of parting) {
    if (steps.length <= fewSteps || new Set(stageOf).size >= leastStages) break
    steps.forEach((step, index) => plainId(step.id) === id && (stageOf[index] = stage))
  }
  return steps.map((step, index) => (step.stage === undefined ? { ...step, stage: names.get(stageOf[index]) } : step))
}

function stagesOf(steps: readonly Pick<Step, 'id' | 'phase' | 'takesOff' | 'putsBack'>[]): StageId[] {
  const takenOut = new Set<string>()
  let isCovered = false
  return steps.map(({ id, phase, takesOff, putsBack }) => {
    const fixed = ofStep[plainId(id)]
    if (phase === 'protect' && fixed === 'cover') return 'protect'
    if (fixed) {
      if (fixed === 'cover') isCovered = true
      return fixed
    }
    if (phase === 'strip' && isCovered) {
      if (takesOff !== undefined) takenOut.add(takesOff)
      return 'take-out'
    }
    return putsBack !== undefined && takenOut.has(putsBack) ? 'refit' : ofPhase[phase]
  })
}
