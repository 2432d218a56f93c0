export { adaptAim, laneTargets, orderHolders, type OrderedHolder, type OrderFacts, splitItems } from './aim'
export { afterStep, type LanesNow, setDowns } from './after'
export { heapOf } from './heap'
export { minutesFor } from './minutes'
export { longestIncreasing } from './lis'
export {
  holderLengthMm,
  laneKey,
  type LaneProposal,
  proposeRefiling,
  type RefilingFacts,
  type RefilingProposal,
  type RefilingQuestion,
  remainingRefiling,
  type RunLane,
  runLanes,
} from './propose'
export { outOfOrder } from './wouldMove'
export { idsOf, type MoveLimits, type MovesPlan, planMoves, type Step, type StepPart } from './planMoves'
export type { Aim, Shelf } from './shelves'
export { changedTabs, type PlannedTab, planTabs, START_TABS, type TabChanges, type TabGroup, type TabHabit, tabText } from './dividers'
export { explainBreaks, type SplitBreak } from './explain'
export { leastLargestShare, type SplitAims, type SplitBin, type SplitItem, type SplitPlan, splitRun, START_AIMS } from './splitRun'
export { planAllPlaces, planPlaces, type PlacesPlan } from './places'
export { type Placing, placeOne, sharesOf, type SpreadFacts, spreadOverEmpty, type ZoneShare } from './spread'
