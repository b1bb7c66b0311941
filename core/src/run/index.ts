// Run: events of a job under way, and the state that follows from them.
export { changeOf, type Change } from './change.ts'
export { eventSchema, happeningSchema, verdicts, type Happening, type JobEvent, type Verdict } from './event.ts'
export { reasonsToHold, reasonsToWait, shortfalls, waitOf } from './gates.ts'
export { nextSteps, progressOf, runningWaits, stageOf, type RunningWait, type Stage } from './next.ts'
export { effective, stateOf, unitStateOf, withCounts } from './state.ts'
export { lastUndoable } from './undo.ts'
export { emptyUnitState, type LedgerEntry, type StepState, type TrayItem, type UnitState } from './unitState.ts'
export { stepsLeft } from './left.ts'
