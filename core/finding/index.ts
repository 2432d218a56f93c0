export { type Answer, AskIndex, type WrittenIndex, type Hit } from './askIndex'
export { ASK_FIELDS, type AskDocument, type AskField, documentOf, tokensOf } from './document'
export { layMat, type MatItem, type MatLayout, type MatSpot, UNKNOWN_SIZE } from '#core/drawing'
