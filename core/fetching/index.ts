export { placesAlong } from './along'
export { type Candidate, type CardChoice, type CardFacts, chooseForCard } from './card'
export { goesAlong, type LineState, lineState, placeIdsOf, standingsOf, withoutSets, withSets } from './pull'
export { daysOfUse, saidUse, tallyUses, type UseTally, wasUsed } from './uses'
export {
  checkSlot,
  type Count,
  countAt,
  isAway,
  neighboursNow,
  type SlotCheck,
  type Stop,
  type StopSet,
  walkBack,
  type WalkFacts,
  walkFor,
} from './walk'
