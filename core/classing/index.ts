export { jaroWinkler } from './jaroWinkler'
export { Lexicon, type RelatedWords } from './lexicon'
export { brandsLike, type LookAlike, LookAlikes, type LookAlikeVerdict, nameLikeness } from './lookAlikes'
export {
  joinNames,
  NAME_LISTS,
  type NameChange,
  type NameGround,
  type NameList,
  type NameRecord,
  newName,
  refersTo,
  reordered,
  spelledBy,
  splitName,
} from './nameLists'
export { legendOf, type LegendLine, secondMeaning } from './legend'
export { adviseOnPages, pageLetter } from './pages'
export { NaiveBayes } from './naiveBayes'
export { brandStem, plainLetters, plainWords } from './normalise'
export { type PartnerBecause, type PartnerPair, type PartnerSet, pairKey, proposePartners, withoutPartner } from './partners'
export { doubtAbout, faultOf, type RelationDoubt, type RelationFault } from './relations'
export { groupSpellings, type JoinDoubt, type JoinReason, likeness, type SpellingGroup } from './spellings'
export { type ClassFacts, type ClassField, SUGGESTED_FIELDS, SuggestIndex, type Suggestion } from './suggest'
export { bestMatches } from './matches'
export { isErrorValue, isNotSaid } from './notSaid'
export { WordForms } from './wordForms'
export { inTwoLetters, spelledWords, tokensOf } from './words'
export { brandIn } from './brandIn'
