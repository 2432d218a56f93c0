export { Brand, Category, Kind, Theme } from './authority'
export { CurrencyCode, Id, KIND_FAMILIES, KindFamily, PartialDate, PictureHash, SizeMm } from './basics'
export { blankBrand, blankHolding } from './blank'
export { Alias, Holding, HOLDING_STATES, Loan, OpenQuestion, Piece, QUESTION_CODES, Relation, RELATION_KINDS } from './holding'
export { RegisterLine, RoomSettings, Series } from './numbers'
export {
  Cell, CellGrid, Container, CONTAINER_TYPES, type ContainerType, Fixture, FIXTURE_TYPES, FILING_KEYS, FilingKey, FilingRule,
  Holder, HOLDER_TYPES, HolderType, Section, Zone,
} from './room'
export { newTheme, nextRank, START_SETTINGS, startCatalogue, startSeries } from './start'
export { TABLE_NAMES, type TableName } from './tableNames'
export { type CatalogueData, emptyCatalogue, type RecordOf, TABLES } from './tables'
