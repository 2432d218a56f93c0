export { cellsFrom, type Offered, offersFor } from './along'
export {
  type FamilyChoice,
  type FamilyMeaning,
  gridOf,
  type MeaningBecause,
  meaningOf,
  MOST_OF_A_FAMILY,
  namesPages,
  nowhereOf,
  proposeChoice,
  shapesOfType,
} from './choose'
export { beyondPage, cellSpots, familiesOf, inSpots, type ListedPlace, marksOf, type PlaceFamily, type PlaceSpot } from './families'
export { type FamilyPlan, type NewHolder, planFromList, type RoomNow, type RoomPlan } from './plan'
export { type Behind, type PlaceReading, readPlace } from './read'
export { pageAndCell, type PlaceDoubt } from './settle'
export { type NewContainer, type NewFixture, type PlaceNames, shelvesFor } from './targets'
