export {
  ADDRESS_TOKENS,
  addressBook,
  type AddressedPlace,
  type AddressPatterns,
  cellsPerPage,
  cellText,
  containerClash,
  containersCalled,
  firstClash,
  type PatternFault,
  patternFault,
  patternFor,
  readyPatterns,
  rowsNamed,
  shortAddress,
  writeByPattern,
} from './address'
export {
  allIn,
  arrangeContainer,
  compareOrder,
  type ContainerRow,
  isLookedAt,
  type Placement,
  type RowEntry,
  setsIn,
  type Standing,
} from './arrange'
export { CONTAINER_SHAPES, type ContainerShape, copyNames, namesAlong, shelfNumber, planEmptying } from './building'
export { cellTakes, hasCell, nextFreeCell } from './cells'
export { besideFirstHalf } from './halves'
export { entryId, type MovePlan, type MoveTarget, planMove } from './move'
export { neighboursOf } from './neighbours'
export { keyBehind, keysBehind, setDownBehind } from './order'
export { arrangeRoom, type Room } from './room'
export { containersInOrder } from './walk'
