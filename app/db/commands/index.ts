export {
  changeContainer,
  copyContainer,
  emptyContainer,
  putFixture,
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
export { confirmLabels, dropLabelSheet, dropPrinter, type LabelsMade, putLabelSheet, putPrinter } from './paper/labels'
export { forgetLink, type LinkOutcome, linkWords } from './links/links'
export { addStartThemes, joinNames, type NameOutcome, orderNames, putName, setMark, sharePages, splitName } from './names/names'
export {
  addPages,
  addStartHolders,
  type HolderTypeOutcome,
  measureSet,
  putHolderType,
  removeHolderType,
  setSticky,
  shareHolder,
} from './holders/holders'
export { highestNumber, nextNumbers } from './holding/numbers'
export { addDrafts, dropDrafts, finishStage, keepDraft, type StageChange } from './pile/pile'
export { moveHolders, placeHolding, placeMany, planPlaces, removeHolding } from './holding/placing'
export { standAsSeen, type Stood } from './room/asTheyStand'
export { buildFromList, type FromListOutcome, type NotBuilt } from './room/fromList'
export { buildTidy, type TidyOutcome, type TidyWish } from './room/tidy'
export { addContainers, type AddContainersOutcome, addSection, editSection, type NewContainers } from './room/room'
export { putSeries, readCode, renewLabels, type SeriesOutcome } from './names/series'
export { changeSettings, noteCopySaved } from './whole/settings'
export { changeMany, type SetsChange } from './holding/many'
export { editHolding, type HoldingFacts, type PlaceChoice, takeIn } from './holding/takeIn'
export { addInkMaps, addPicture, addShapes, importList, readCatalogue, readWithStep, replaceCatalogue, startEmpty } from './whole/whole'
export { forgetSteps, type StorageUse, storageUse, sweepPictures } from './whole/storage'
