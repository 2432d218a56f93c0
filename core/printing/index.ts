export { type BookWords, type IndexEntry, type IndexGroup, type IndexPart, layBook } from './book'
export { clipText, type FontName, type Ink, type Measure, type Page, type PageItem, type PageSize, PAPERS } from './page'
export { buildParts, INDEX_PART_NAMES, type IndexPartName, type IndexSource, type PartWords } from './parts'
