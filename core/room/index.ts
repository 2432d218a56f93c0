export {
  ADDRESS_TOKENS,
  type AddressBook,
  addressBook,
  type AddressedContainer,
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
  type Somewhere,
  type Standing,
} from './arrange'
export { CONTAINER_SHAPES, type ContainerShape, copyNames, namesAlong, shelfNumber, type EmptyingPlan, planEmptying } from './building'
export { cellTakes, nextFreeCell } from './cells'
export { besideFirstHalf } from './halves'
export { type MovePlan, type MoveTarget, planMove } from './move'
export { type Neighbours, neighboursOf } from './neighbours'
export { keyBehind, keysBehind, type SetDown, setDownBehind } from './order'
export { arrangeRoom, type Room } from './room'
export { containersInOrder } from './walk'
