// The day as pieces of work: stages that the same people do without a break.
import { planJob } from '../plan/index.ts'
import { visitId } from '../procedure/index.ts'
import { jobWith } from '../tests/jobs.ts'
import { onlySteps, stageWorkOf, type TimelineTask } from './index.ts'

const heads = (count: number) => ({
  ...jobWith(),
  units: Array.from({ length: count }, (_, index) => ({
    ...jobWith({ grades: { wheel: { grade: 3 }, coilFace: { grade: 2 } } }).units[0],
    id: `u${index}`,
  })),
})
const { units, visit, timeline } = planJob(heads(3))
const lists = [{ id: visitId, steps: visit.steps }, ...units]
const works = stageWorkOf(timeline.tasks, lists)

it('holds every task once, each in its own stage, done by the people of its work', () => {
  const key = ({ unitId, step }: TimelineTask) => `${unitId}/${step}`
  expect(works.flatMap(({ tasks }) => tasks.map(key)).sort()).toEqual(timeline.tasks.map(key).sort())
  for (const { unitId, who, tasks, stage } of works)
    for (const task of tasks) {
      expect([task.unitId, new Set(task.who)]).toEqual([unitId, new Set(who)])
      expect(lists.find(({ id }) => id === unitId)?.steps.find(({ id }) => id === task.step)?.stage).toEqual(stage)
    }
})
it('is far fewer pieces than steps, and no piece holds work of its people in between', () => {
  expect(works.length).toBeLessThan(0.75 * timeline.tasks.length)
  for (const work of works)
    for (const other of timeline.tasks) {
      if (work.tasks.includes(other) || !other.who.some((person) => work.who.includes(person))) continue
      expect(other.endMin <= work.startMin + 1e-9 || other.startMin >= work.endMin - 1e-9).toBe(true)
    }
})
it('can be narrowed to some of its steps', () => {
  const long = works.find(({ tasks }) => tasks.length > 2)!
  const [, second] = long.tasks
  expect(onlySteps(long, [second.step])).toMatchObject({ tasks: [second], startMin: second.startMin, endMin: second.endMin })
})
