// Which tasks set the finish? A chain from the last one back to the beginning, each held by the one before.
import { partsOfRef, refOf } from '../procedure/index.ts'
import type { TimelineTask, UnitSteps } from './timeline.ts'

const touches = (end: number, start: number) => Math.abs(end - start) < 1e-6

/**
 * Walks back from the task that ends last: to a step whose end and wait let it begin just then, else to the end of what another unit
 * held, or to a task that freed its person or its equipment just then. In order of time.
 */
export function criticalChain(tasks: readonly TimelineTask[], units: readonly UnitSteps[]): TimelineTask[] {
  const stepOf = new Map(units.flatMap(({ id, steps }) => steps.map((step) => [`${id}/${step.id}`, step] as const)))
  const taskOf = new Map(tasks.map((task) => [`${task.unitId}/${task.step}`, task]))
  const heldBy = (task: TimelineTask): TimelineTask | undefined => {
    const waited = (stepOf.get(`${task.unitId}/${task.step}`)?.after ?? []).flatMap((ref) => {
      const to = partsOfRef(ref, task.unitId)
      return taskOf.get(refOf(to.list, to.step)) ?? []
    })
    const byLag = waited.find((before) =>
      touches(before.endMin + (stepOf.get(`${before.unitId}/${before.step}`)?.wait?.leastMin ?? 0), task.startMin),
    )
    const shares = (other: TimelineTask) =>
      other.who.some((person) => task.who.includes(person)) || other.equipment.some((kind) => task.equipment.includes(kind))
    const until = stepOf.get(`${task.unitId}/${task.step}`)?.holds?.until
    const byHold = tasks.find(({ unitId, step, endMin }) => unitId !== task.unitId && step === until && touches(endMin, task.startMin))
    return (
      byLag ??
      byHold ??
      tasks.find((other) => other !== task && touches(other.endMin, task.startMin) && other.startMin < task.startMin && shares(other))
    )
  }
  const chain: TimelineTask[] = []
  let last = tasks.reduce<TimelineTask | undefined>((latest, task) => (latest && latest.endMin >= task.endMin ? latest : task), undefined)
  while (last) {
    chain.unshift(last)
    last = last.startMin > 1e-6 ? heldBy(last) : undefined
  }
  return chain
}
