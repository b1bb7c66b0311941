// Which tasks of a day are one piece of work to whoever does them: those of one stage of one unit, done by the same people without a break?
import { withStages } from '../procedure/index.ts'
import { estimate } from '../quantities/index.ts'
import { isSame, type Sentence } from '../words/index.ts'
import type { TimelineTask, UnitSteps } from './timeline.ts'

export interface StageWork {
  readonly unitId: string
  readonly stage: Sentence
  readonly startMin: number
  readonly endMin: number
  readonly who: readonly string[]
  /** In order of time. */
  readonly tasks: readonly TimelineTask[]
}

/** Somebody who stands about for longer than this has ended one piece of work. */
const longestBreak = estimate(0.5, 'min')

/** Of some tasks of one stage, those named, as a piece of work of its own. */
export const onlySteps = (work: StageWork, steps: readonly string[]): StageWork => {
  const tasks = work.tasks.filter(({ step }) => steps.includes(step))
  return { ...work, tasks, startMin: tasks[0]?.startMin ?? work.startMin, endMin: tasks.at(-1)?.endMin ?? work.endMin }
}

/** The tasks of a day as pieces of work, in order of their begin. @param units the lists that the tasks belong to */
export function stageWorkOf(tasks: readonly TimelineTask[], units: readonly UnitSteps[]): StageWork[] {
  const stageOf = new Map(units.flatMap(({ id, steps }) => withStages(steps).map((step) => [`${id}/${step.id}`, step.stage ?? ''] as const)))
  const works: (StageWork & { endMin: number; tasks: TimelineTask[] })[] = []
  const lastOf = new Map<string, StageWork>()
  for (const task of [...tasks].sort((one, other) => one.startMin - other.startMin || one.endMin - other.endMin)) {
    const { unitId, who, startMin, endMin } = task
    const stage = stageOf.get(`${unitId}/${task.step}`) ?? ''
    const goesOn = works.findLast(
      (work) =>
        who.length > 0 &&
        work.unitId === unitId &&
        isSame(work.stage, stage) &&
        work.who.length === who.length &&
        who.every((person) => lastOf.get(person) === work) &&
        startMin - work.endMin <= longestBreak.value,
    )
    if (goesOn) {
      goesOn.endMin = Math.max(goesOn.endMin, endMin)
      goesOn.tasks.push(task)
      continue
    }
    const work = { unitId, stage, startMin, endMin, who, tasks: [task] }
    works.push(work)
    for (const person of who) lastOf.set(person, work)
  }
  return works
}
