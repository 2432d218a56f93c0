export { lightHarmed, stickyBeside } from './care'
export { type Fill, fillOf, overBy } from './fill'
export { type Lift, liftLimit } from './lifting'
export { nnls } from './nnls'
export { roomFor, roomIn } from './room'
export { arrivalsByZone, arrivalsOf, capOf, type CapState, type Outlook, outlookOf } from './outlook'
export {
  countsOf,
  learnThickness,
  oddLengths,
  thicknessIn,
  thicknessKey,
  type ThicknessTable,
  UNKNOWN_THICKNESS_MM,
  usualThickness,
} from './thickness'
export { type ContainerLift, HEAVY_G, liftOf, SHOULDER_MM, shelfHeightMm, weightOf } from './weight'
