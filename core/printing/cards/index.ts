export { dividerFull, type DividerShape, type DividerSource, dividerTab } from './divider'
export { type CutPiece, type Imposed, imposePieces, type SheetMm } from './impose'
export { type CardSet, type CardSource, imprintCard, type ImprintCard } from './imprint'
export { slipCard, type SlipSource, type SlipWords } from './slip'
