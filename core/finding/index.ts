export { type Answer, AskIndex, type LinkedHit, type WrittenIndex } from './askIndex'
export { ASK_FIELDS, type AskDocument, type AskField, documentOf } from './document'
export { type LinkedBy, Links, type OwnLink, pairOf, phraseOf } from './links'
export { layMat } from '#core/drawing'
export { readShelf, type ShelfAnswer } from './shelf'
export { type Absence, absenceOf, type Atom, type Nearest } from './absence'
export {
  type Facet,
  type FacetCount,
  FACETS,
  narrowed,
  type NarrowFacts,
  type Narrowing,
  NOT_SAID,
  partings,
  sizeClass,
  sizeOfClass,
} from './narrow'
export { answersTo, type Part, type ReadAsk, readAsk } from './parts'
export { phraseReader } from './phrases'
export { fitsSpace, type SpaceFit } from './space'
export { type NumberedSeries, readSeries, seriesOf } from './series'
