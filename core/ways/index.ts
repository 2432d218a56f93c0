export { ASSUMPTION_CHANGES, best, type Decision, whatDecides } from './decide'
export { drawFinds, KNOWN } from './finds'
export type { SimulatedHolder, SimulatedRoom } from './layout'
export { type Assumptions, COMPARED_RULES, type RuleResult, simulateRule, START_ASSUMPTIONS } from './simulate'
