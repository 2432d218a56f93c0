export { ASSUMPTION_CHANGES, type AssumptionChange, best, type Decision, whatDecides } from './decide'
export { drawFinds, type Find, type FindHabits, KNOWN, type Known } from './finds'
export type { FindCost, SimulatedHolder, SimulatedRoom } from './layout'
export { type Assumptions, COMPARED_RULES, type RuleResult, simulateRule, START_ASSUMPTIONS } from './simulate'
