// Crew: the timeline.
export type { Activity, Lag, Problem, Schedule } from './problem.ts'
export { schedule } from './schedule.ts'
export { timeline, type CrewMember, type Timeline, type TimelineTask } from './timeline.ts'
