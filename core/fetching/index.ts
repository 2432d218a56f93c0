export { placesAlong } from './along'
export { type Candidate, type CardChoice, type CardFacts, chooseForCard } from './card'
export { type BelongFacts, goesAlong, type LineState, lineState, placeIdsOf, standingsOf, withoutSets, withSets } from './pull'
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
  type Walk,
  walkBack,
  type WalkFacts,
  walkFor,
  walkPast,
} from './walk'
