export { cellsPerPage, cellText, shortAddress } from './address'
export { arrangeContainer, compareOrder, type ContainerRow, type Placement, type RowEntry } from './arrange'
export { type Fill, fillOf, thicknessOf, UNKNOWN_THICKNESS_MM } from './fill'
export { type Authority, compareFilingKeys, filingKeyOf, tabOf } from './filing'
export {
  containersInOrder, type InsertionPoint, type InsertionProposal, leastDisorder, nextFreeCell, pointAfter, pointAtCell,
  proposePlace, type RoomFacts, zoneFor,
} from './insertion'
export { type MovePlan, type MoveTarget, planMove } from './move'
export { type Neighbours, neighboursOf } from './neighbours'
export { keyBehind, keysBehind } from './order'
export { layRidge, type RidgeBlock, type RidgeLayout, type RidgeSource } from './ridge'
export { arrangeRoom, type Room } from './room'
