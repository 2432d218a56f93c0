export { addTo } from './addTo'
export { changedFields, isSame } from './changedFields'
export { Brand, Category, Kind, Theme, WordLink } from './authority'
export { KindFamily, PartialDate } from './basics'
export {
  blankBook,
  blankBrand,
  blankDraft,
  blankHolding,
  emptyCatalogue,
  isBlank,
  newHolder,
  plainFieldsOf,
  type PlainFields,
} from './blank'
export { BLANK_DETAILS, type Detail, DETAIL_NAMES, detailLength, type Details, eachDetail } from './details'
export { Draft, DraftTexts } from './draft'
export { Holding, Loan, OpenQuestion, Piece, QUESTION_CODES, Relation } from './holding'
export {
  BOOK_CODES,
  BOOK_HOLES,
  BOOK_LIMITS,
  BOOK_PAPERS,
  BOOK_PICTURES,
  BOOK_WAYS,
  type BookHoles,
  type BookPaper,
  type BookWay,
  CELL_REUSES,
  CLOSURES,
  CODE_READINGS,
  COLLECTIONS,
  CONTAINER_TYPES,
  type ContainerType,
  GRIPS,
  LIMITS,
  START_LIFTING,
  DATE_ORDERS,
  type DateOrder,
  DIE_PLACES,
  FILING_KEYS,
  FIT_WAYS,
  FIXTURE_TYPES,
  KIND_FAMILIES,
  type FitWay,
  KEPT_PACKAGINGS,
  type KeptPackaging,
  HOLDER_TYPES,
  type HolderKind,
  NUMBER_SCHOOLS,
  type NumberSchool,
  OPTIONAL_STAGES,
  SHELVES_FROM,
  type ShelvesFrom,
  START_MARKS,
  type Way,
  WAYS,
  LABEL_LIMITS,
  LABELLED,
  type Labelled,
  type LabelTemplateId,
  SET_LABELS,
  type SetLabel,
  TAPE_WIDTHS_MM,
  type TapeWidthMm,
} from './choices'
export { type LocaleSettings, ROOM_CURRENCIES, settingsOfLocale } from './locale'
export { RegisterLine, RoomSettings, Series } from './numbers'
export {
  Cell,
  CellGrid,
  Container,
  Fixture,
  FilingKey,
  FilingRule,
  Holder,
  HolderType,
  LaneTarget,
  MeasuredLength,
  Refiling,
  Section,
  Zone,
} from './room'
export { hashesOf, hashesWithin, namedPictures, type Pictured, picturesOf, withoutMissing, withPictures } from './pictures'
export { START_HOLDER_TYPES } from './startHolders'
export { START_THEMES, THEME_SCHOOLS, type ThemeSchool } from './startThemes'
export {
  newCategory,
  newKind,
  newTheme,
  nextRank,
  PLAIN_FIXTURE,
  START_HABITS,
  START_LABELS,
  START_SETTINGS,
  startCatalogue,
  startSeries,
} from './start'
export { LATEST_VERSION, type Old, recordsGiven, type Version, upgradeRecord, VERSIONS, versionThatBrought } from './versions'
export { Label, LabelHabits, LabelSheet, Printer } from './labels'
export { BookLeaf, IndexBook } from './paper'
export { SetAside } from './setAside'
export { PullLine, PullList, Use } from './using'
export { TABLE_NAMES, type TableName } from './tableNames'
export { type CatalogueData, type RecordOf, TABLES } from './tables'
