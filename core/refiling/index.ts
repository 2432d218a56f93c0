export { orderHolders, type OrderFacts, splitItems } from './aim'
export { afterStep, type LanesNow, setDowns } from './after'
export { heapOf } from './heap'
export { minutesFor } from './minutes'
export { longestIncreasing } from './lis'
export {
  holderLengthMm,
  laneKey,
  proposeRefiling,
  type RefilingFacts,
  type RefilingProposal,
  type RefilingQuestion,
  remainingRefiling,
  runLanes,
} from './propose'
export { outOfOrder } from './wouldMove'
export { idsOf, type MovesPlan, planMoves, type Step } from './planMoves'
export type { Aim, Shelf } from './shelves'
export { changedTabs, planTabs, START_TABS, type TabGroup, tabText } from './dividers'
export { explainBreaks, type SplitBreak } from './explain'
export { leastLargestShare, type SplitAims, type SplitBin, type SplitItem, splitRun, START_AIMS } from './splitRun'
export { planAllPlaces, planPlaces, type PlacesPlan } from './places'
export { placeOne, sharesOf, type SpreadFacts, spreadOverEmpty } from './spread'
