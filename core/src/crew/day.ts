// What does the crew's day look like: who does what when, what sets its end, and what would shorten it?
import { skillName } from '../procedure/index.ts'
import { equipmentName } from '../products/index.ts'
import { says, type Message } from '../words/index.ts'
import { criticalChain } from './chain.ts'
import type { ScheduleOptions } from './problem.ts'
import { timeline, type CrewMember, type Timeline, type TimelineTask, type UnitSteps } from './timeline.ts'

export interface CrewDay {
  timeline: Timeline
  /** The tasks that set the finish, in order of time. */
  chain: TimelineTask[]
  /** What one more person or piece of equipment would save, most first; nothing that saves less than a minute. Missing while it is reckoned. */
  gains?: { what: Message; savesMin: number }[]
}

/** Equipment whose lack is often what one waits for. */
const scarce = ['pump-wand', 'wash-bag', 'funnel-sheet', 'dry-vacuum', 'step-ladder', 'hose'] as const
/** A day is computed aside, so it may take its time. */
const dayEffort = 30_000
/** Who comes along in a what-if: a name that nobody has. */
const added = '+1'
/** Effort of one what-if: enough to tell minutes apart. */
const gainEffort = 15_000

/**
 * The day as far as it is known: first who does what when, then with what would shorten it, which takes ten times as long.
 * @throws Fault `no-schedule` as `timeline`, before the first
 */
export function* crewDay(
  units: readonly UnitSteps[],
  crew: readonly CrewMember[],
  equipmentCount: (kind: string) => number,
  options: ScheduleOptions = {},
): Generator<CrewDay, void, undefined> {
  const own = timeline(units, crew, equipmentCount, { effort: dayEffort, ...options })
  const day = { timeline: own, chain: criticalChain(own.tasks, units) }
  yield day
  const used = new Set(units.flatMap(({ steps }) => steps.flatMap(({ equipment }) => equipment)))
  const trained = [...new Set(units.flatMap(({ steps }) => steps.flatMap(({ skill }) => skill ?? [])))]
  const whatIf = (what: Message, people: readonly CrewMember[], count: (kind: string) => number) => ({
    what,
    savesMin: Math.round(own.finishMin - timeline(units, people, count, { effort: gainEffort, ...options }).finishMin),
  })
  const anybody = whatIf(says('crew.one-more-person'), [...crew, { name: added }], equipmentCount)
  const expert = whatIf(
    says('crew.one-more-trained', { skills: { comma: trained.map(skillName) } }),
    [...crew, { name: added, trained }],
    equipmentCount,
  )
  const gains = [
    anybody,
    // Worth saying only where the training itself saves something.
    ...(trained.length > 0 && expert.savesMin > anybody.savesMin ? [expert] : []),
    ...scarce
      .filter((kind) => used.has(kind) && equipmentCount(kind) > 0)
      .map((kind) =>
        whatIf(says('crew.one-more', { equipment: equipmentName(kind) }), crew, (other) => equipmentCount(other) + (other === kind ? 1 : 0)),
      ),
  ]
  yield { ...day, gains: gains.filter(({ savesMin }) => savesMin >= 1).sort((a, b) => b.savesMin - a.savesMin) }
}
