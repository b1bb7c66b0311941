// Crew: the timeline.
export { crewDay, type CrewDay } from './day.ts'
export type { Activity, Hold, Lag, Problem, Schedule, ScheduleOptions } from './problem.ts'
export { schedule } from './schedule.ts'
export { timeline, type CrewMember, type Timeline, type TimelineTask, type UnitSteps } from './timeline.ts'
export { onlySteps, stageWorkOf, type StageWork } from './stageWork.ts'
