// The plan of a unit on a view: there at once when the view opens, and anew right after each tap was painted.
import type { Plan } from '@yastik/core/plan'
import { onScopeDispose, shallowRef, watch, type ShallowRef } from 'vue'
import { useJob } from '../stores/job.ts'
import { usePlanning } from '../stores/planning.ts'
import { afterPaint } from '../kit/afterPaint.ts'

/** @returns the plan as it was last made; whoever puts it on record asks the job for the one that holds now */
export function usePlan(unitId: () => string): Readonly<ShallowRef<Plan | undefined>> {
  const job = useJob()
  const planning = usePlanning()
  const plan = shallowRef(planning.planFor(unitId()))
  let callOff: (() => void) | undefined
  watch(
    () => [job.record, job.events, unitId()],
    () => {
      callOff?.()
      callOff = afterPaint(() => (plan.value = planning.planFor(unitId())))
    },
  )
  onScopeDispose(() => callOff?.())
  return plan
}
