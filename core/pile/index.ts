export { stateOnCapture } from './capture'
export { afterCapture, type Pack, pickPack, secondsLeft, stageOfPack, type WaitingSet, withoutSet } from './pack'
export { type DoneStep, type Pace, paceOf, type StagePace } from './pace'
export { type Stage, stageOf, STAGES, stagesLeft, stateAfter } from './stages'
