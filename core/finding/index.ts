export { type Answer, AskIndex, type Hit, type LinkedHit, type WrittenIndex } from './askIndex'
export { ASK_FIELDS, type AskDocument, type AskField, documentOf } from './document'
export { LINKED_BY, type LinkedBy, Links, type LinkTarget, type OwnLink, pairOf, phraseOf, type SeeAlso } from './links'
export { layMat, type MatItem, type MatLayout, type MatSpot, UNKNOWN_SIZE } from '#core/drawing'
export { readShelf, type ShelfAnswer, type ShelfFacts } from './shelf'
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
export { answersTo, type AskSense, LONGEST_ASK, type Part, type PartFacts, type ReadAsk, readAsk } from './parts'
export { phraseReader } from './phrases'
export { fitsSpace, type SpaceAnswer, type SpaceFit } from './space'
export { type NumberedSeries, readSeries, seriesOf, type SeriesName } from './series'
