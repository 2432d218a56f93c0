export { type Elevation, type Front, layElevation } from './elevation'
export { shelfRoom, type ShelfRoom, sideBySide } from './shelfRoom'
export { layMat, type MatItem, type MatLayout, type MatSpot, UNKNOWN_SIZE } from './mat'
export { layRidge, type RidgeBlock, type RidgeLayout, type RidgeSize, type RidgeSource } from './ridge'
