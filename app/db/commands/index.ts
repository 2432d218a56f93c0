export {
  addFixture,
  changeContainer,
  changeFixture,
  copyContainer,
  emptyContainer,
  removeContainer,
  removeFixture,
  type RoomOutcome,
} from './room/furniture'
export { type BeginOutcome, beginRefiling, doRefilingStep, finishRefiling, leaveRefiling, type RefilingWish } from './refiling/refiling'
export { addZone, changeZone, forgetLength, keepApart, measureLength, removeZone } from './room/zones'
export { pairDies } from './belonging/partners'
export { addRelation, keepPieces, removeRelation } from './belonging/belonging'
export { bringBack, type Return, type ReturnOutcome, type Taken, takeOut, takeSets } from './fetching/away'
export { dropPullList, fetchAgain, leaveOut, namePullList, type PullOutcome, pullSets } from './fetching/pull'
export { dateUse, forgetUse, noteUse } from './fetching/uses'
export { beginBook, type BookChoices, changeBook, confirmPrinted, dropBook, type Printed, type PrintedOutcome } from './paper/books'
export {
  addLabelSheet,
  addPrinter,
  changeLabelSheet,
  changePrinter,
  confirmLabels,
  dropLabelSheet,
  dropPrinter,
  type LabelsMade,
  type SheetOutcome,
} from './paper/labels'
export { forgetLink, type LinkOutcome, linkWords } from './links/links'
export {
  addName,
  addStartThemes,
  changeName,
  joinNames,
  type NameFields,
  type NameOutcome,
  orderNames,
  setMark,
  sharePages,
  splitName,
} from './names/names'
export {
  addHolderType,
  addStartHolders,
  changeHolderType,
  type HolderTypeOutcome,
  measureSet,
  removeHolderType,
  setSticky,
  shareHolder,
} from './holders/holders'
export { highestNumber, nextNumbers } from './holding/numbers'
export { addDrafts, dropDrafts, finishStage, keepDraft, type StageChange } from './pile/pile'
export { moveHolders, placeHolding, placeMany, removeHolding } from './holding/placing'
export { standAsSeen, type Stood } from './room/asTheyStand'
export { buildFromList, type FromListOutcome, type NotBuilt } from './room/fromList'
export { buildTidy, type TidyOutcome, type TidyWish } from './room/tidy'
export { addContainers, type AddContainersOutcome, addSection, editSection, type NewContainers, removeSection } from './room/room'
export { addSeries, changeSeries, readCode, renewLabels, type SeriesOutcome } from './names/series'
export { changeSettings, noteCopySaved } from './whole/settings'
export { findingsInRoom, letAsideGo, mendRoom, putBackAside } from './whole/soundness'
export { changeMany, type SetsChange } from './holding/many'
export { editHolding, type HoldingFacts, type PlaceChoice, takeIn } from './holding/takeIn'
export { addInkMaps, addPicture, addShapes, importList, readCatalogue, readWithStep, replaceCatalogue, startEmpty } from './whole/whole'
export { type Sifted, siftRecords } from '../sift'
export { forgetSteps, type StorageUse, storageUse, sweepForgotten, sweepPictures } from './whole/storage'
