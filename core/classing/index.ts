export { jaroWinkler } from './jaroWinkler'
export { brandStem, initials, plainWords, squeezed } from './normalise'
export { groupSpellings, type JoinReason, likeness, type SpellingGroup } from './spellings'
