export { changedTabs, type PlannedTab, planTabs, START_TABS, type TabChanges, type TabGroup, type TabHabit, tabText } from './dividers'
export { explainBreaks, type SplitBreak } from './explain'
export { leastLargestShare, type SplitAims, type SplitBin, type SplitItem, type SplitPlan, splitRun, START_AIMS } from './splitRun'
