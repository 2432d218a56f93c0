export { dividerFull, type DividerShape, type DividerSource, dividerTab } from './divider'
export { type CutPiece, imposePieces } from './impose'
export { type CardSource, imprintCard } from './imprint'
export { slipCard, type SlipSource } from './slip'
