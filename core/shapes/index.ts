export { ASKED_PX, inkOnPaper, KNOWN_PX, type InkShape, type ShapeBox, shapesOf } from './inkShapes'
export { type LikePicture, type PackedShapes, packShapes, ShapeIndex } from './shapeIndex'
export { GRID_SIDE, type Moments, momentsOf, ORDER, ORDERS, radialPolynomial } from './zernike'
