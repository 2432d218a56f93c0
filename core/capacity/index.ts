export { type InTheSun, lightHarmed, type StickyBeside, stickyBeside } from './care'
export { type Fill, fillOf, overBy } from './fill'
export { type Grip, type Lift, liftLimit, type LiftLimit, LOAD_CONSTANT_KG, type Multipliers, shelfLift } from './lifting'
export { inverseSymmetric, nnls, type Rows, solveSymmetric } from './nnls'
export { roomFor, roomIn, type ThickAs } from './room'
export { arrivalsByZone, arrivalsOf, capOf, type CapState, type Outlook, outlookOf } from './outlook'
export {
  countsOf,
  learnThickness,
  type OddLength,
  oddLengths,
  type LearntThickness,
  thicknessIn,
  thicknessKey,
  type ThicknessTable,
  UNKNOWN_THICKNESS_MM,
  usualThickness,
} from './thickness'
export { type ContainerLift, HEAVY_G, liftOf, SHOULDER_MM, shelfHeightMm, weightOf } from './weight'
