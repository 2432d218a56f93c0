export { type InsertionPoint, type InsertionProposal, leastDisorder, pointAfter, proposePlace, type RoomFacts, zoneFor } from './insertion'
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
  tabOf,
  writeRule,
} from './keys'
export { proposeIn, targetInContainer } from './intoContainer'
export { type ViewEntry, viewInOrder } from './orderView'
export { rankSets, type SetRanks } from './ranking'
