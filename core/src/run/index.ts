// Run: events of a job under way, and the state that follows from them.
export { carry, carryOn, type Carried } from './carry.ts'
export { changeOf, type Change } from './change.ts'
export { eventSchema, partNeeds, photoIdOf, timeOf, verdicts, type Happening, type JobEvent, type PartNeed, type Verdict } from './event.ts'
export { exceptionFor, reasonsToHold, reasonsToWait, shortfalls } from './gates.ts'
export { nextSteps, progressOf, runningWaits, stageOf, type Asker, type RunningWait, type Stage } from './next.ts'
export { effective, inOrder, pauseOf, stateOf, unitStateOf, withCounts } from './state.ts'
export { lastUndoable } from './undo.ts'
export {
  emptyUnitState,
  photosOfPart,
  photosOfPlate,
  type LedgerEntry,
  type LedgerException,
  type Pause,
  type StepState,
  type TakenPhoto,
  type TrayItem,
  type UnitState,
} from './unitState.ts'
export { leftOut } from './leftOut.ts'
export { heldNow, unitStepsFrom, stepsLeft } from './left.ts'
export { durationsOf, learnStepTimes, type LearnedStepTime, type StepDuration } from './stepTimes.ts'
export { happeningInWords, type Names } from './inWords.ts'
export { verdictName } from './verdictName.ts'
