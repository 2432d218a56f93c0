export { stateOnCapture } from './capture'
export { afterCapture, type Pack, pickPack, secondsLeft, stageOfPack, withoutSet } from './pack'
export { type DoneStep, type Pace, paceOf } from './pace'
export { type Stage, stageOf, STAGES, stagesLeft, stateAfter } from './stages'
