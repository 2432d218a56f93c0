export {
  type InsertionPoint,
  type InsertionProposal,
  leastDisorder,
  pointAfter,
  pointAtCell,
  proposePlace,
  type RoomFacts,
  zoneFor,
} from './insertion'
export {
  type Authority,
  compareFilingKeys,
  filingKeyOf,
  groupsBy,
  isTabKey,
  type KeyPart,
  KEYS,
  readRule,
  sameRule,
  TAB_TABLES,
  type TabBy,
  tabOf,
  type TabTable,
  writeRule,
} from './keys'
export { proposeIn, targetInContainer } from './intoContainer'
export { type ViewEntry, type ViewFacts, viewInOrder } from './orderView'
export { rankSets, type SetRanks } from './ranking'
