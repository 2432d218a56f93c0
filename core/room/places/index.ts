export { cellsFrom, offersFor } from './along'
export {
  type FamilyChoice,
  type FamilyMeaning,
  type MeaningBecause,
  meaningOf,
  MOST_OF_A_FAMILY,
  namesPages,
  nowhereOf,
  proposeChoice,
} from './choose'
export { cellSpots, familiesOf, type ListedPlace, marksOf, type PlaceFamily } from './families'
export { type FamilyPlan, type NewHolder, planFromList, type RoomPlan } from './plan'
export { type PlaceReading, readPlace } from './read'
export { pageAndCell, type PlaceDoubt } from './settle'
export { type NewContainer, type NewFixture, shelvesFor } from './targets'
