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
export { type Authority, compareFilingKeys, filingKeyOf, type KeyPart, tabOf } from './keys'
export { type ViewEntry, type ViewFacts, viewInOrder } from './orderView'
