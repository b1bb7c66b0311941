// Run: events of a job under way, and the state that follows from them.
export { carry, carryOn, type Carried } from './carry.ts'
export { changeOf, type Change } from './change.ts'
export {
  eventSchema,
  partNeeds,
  photoIdOf,
  timeOf,
  verdicts,
  visitHappenings,
  type Happening,
  type JobEvent,
  type PartNeed,
  type Verdict,
} from './event.ts'
export { exceptionFor, openForUnit, reasonsToHold, reasonsToWait, shortfalls, type OtherLists } from './gates.ts'
export { atOnce, openIn, stagesOfUnit, type RunStage } from './stages.ts'
export { nextOfUnit, nextSteps, progressOf, runningWaits, stationOf, type Asker, type ReadyStep, type RunningWait, type Station } from './next.ts'
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
export { suppliesNow, type SupplyState } from './supply.ts'
export { leftOut } from './leftOut.ts'
export { heldNow, stepsLeft, unitStepsFrom, visitLeft, type PlannedLists } from './left.ts'
export { durationsOf, learnPaces, learnStepTimes, type LearnedPace, type LearnedStepTime, type StepDuration } from './stepTimes.ts'
export { happeningInWords, type Names } from './inWords.ts'
export { verdictName } from './verdictName.ts'
