export {
  ARCHIVE_FORMAT,
  ARCHIVE_LIMITS,
  ARCHIVE_VERSION,
  PICTURE_TYPES,
  type PictureFile,
  type ThumbFile,
  typeOfExtension,
} from './archive/format'
export { packArchive, type Sha256 } from './archive/pack'
export { findDangling, hashesOf, type Pictured, picturesOf, withoutMissing, withPictures } from './archive/references'
export { type OnScreen, salvage } from './archive/salvage'
export { type ArchiveReading, unpackArchive, type UnpackedArchive } from './archive/unpack'
export { readPrice, readUse, readWords, readYesNo, wordsFit, writePrice } from './list/cells'
export { type ColumnGuess, guessColumns } from './list/columns'
export { dateOrderOf, readDate } from './list/dates'
export { decodeList } from './list/decode'
export { type FileFacts, gatherFacts, type KnownNames, type Tally } from './list/facts'
export { LIST_FIELDS, type ListField } from './list/fields'
export { restoreCell, safeCell } from './list/formula'
export { guessKind, type KindReading } from './list/kinds'
export { type DraftHolding, type ImportChoices, type PlannedRow, planRows, recommendedChoices } from './list/plan'
export { givenToText, type Ground, makeRecords, type NewRecords } from './list/records'
export { type ImportReport, reportOn } from './list/report'
export { chosenBrands } from './list/brands'
export { type ListSource, type ListTable, readTable, type TableReading } from './list/table'
export { readListFile } from './list/workbook'
export { type ListLine, writeList } from './list/writeList'
export { lineOf } from './list/lineOf'
export { readPacks, writePacks } from './list/packs'
