export { ADDRESS_TOKENS, type AddressBook, addressBook, type AddressedPlace, type AddressPatterns, cellsPerPage, cellText, firstClash, type PatternFault, patternFault, patternFor, shortAddress } from './address'
export { arrangeContainer, compareOrder, type ContainerRow, type Placement, type RowEntry } from './arrange'
export {
  arrivalsOf, capOf, type CapState, type ContainerLift, countsOf, type Fill, fillOf, type Grip, HEAVY_G, type InTheSun, inverseSymmetric,
  learnThickness, type LearntThickness, type Lift, liftLimit, type LiftLimit, liftOf, lightHarmed, LOAD_CONSTANT_KG, type Multipliers, nnls,
  type Outlook, outlookOf, type Rows, shelfHeightMm, shelfLift, SHOULDER_MM, solveSymmetric, type StickyBeside, stickyBeside, thicknessIn,
  thicknessKey, type ThicknessTable, UNKNOWN_THICKNESS_MM, usualThickness, weightOf,
} from './capacity'
export {
  adaptAim, afterStep, type Aim, laneTargets, type LanesNow, longestIncreasing, type MoveLimits, type MovesPlan, type OrderedHolder, type OrderFacts, orderHolders, planMoves,
  type Shelf, splitItems, type Step,
  holderLengthMm, laneKey, type LaneProposal, outOfOrder, proposeRefiling, type RefilingFacts, type RefilingProposal, type RefilingQuestion, remainingRefiling,
  idsOf, type StepPart,
} from './refile'
export {
  ASSUMPTION_CHANGES, type AssumptionChange, type Assumptions, best, COMPARED_RULES, type Decision, drawFinds, type Find, type FindCost,
  type FindHabits, KNOWN, type Known, type RuleResult, type SimulatedHolder, type SimulatedRoom, simulateRule, START_ASSUMPTIONS, whatDecides,
} from './simulate'
export {
  changedTabs, explainBreaks, leastLargestShare, type PlannedTab, planTabs, type SplitAims, type SplitBin, type SplitBreak, type SplitItem,
  type SplitPlan, splitRun, START_AIMS, START_TABS, type TabChanges, type TabGroup, type TabHabit, tabText,
} from './split'
export { type Authority, compareFilingKeys, filingKeyOf, tabOf } from './filing'
export { CONTAINER_SHAPES, type ContainerShape, copyNames, type EmptyingPlan, planEmptying } from './building'
export { type Elevation, type Front, layElevation } from './elevation'
export { besideFirstHalf } from './halves'
export {
  type InsertionPoint, type InsertionProposal, leastDisorder, pointAfter, pointAtCell,
  proposePlace, type RoomFacts, zoneFor,
} from './insertion'
export { nextFreeCell } from './cells'
export { containersInOrder } from './walk'
export { type MovePlan, type MoveTarget, planMove } from './move'
export { type Neighbours, neighboursOf } from './neighbours'
export { keyBehind, keysBehind } from './order'
export { type ViewEntry, type ViewFacts, viewInOrder } from './orderView'
export { layRidge, type RidgeBlock, type RidgeLayout, type RidgeSource } from './ridge'
export { arrangeRoom, type Room } from './room'
