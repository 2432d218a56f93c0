import type { KindFamily, Relation } from '#core/catalog'

/** A doubt about a relation before it is kept: it may still be right, so the owner is asked. */
export type RelationDoubt = 'fromNoDie' | 'toNoStamp' | 'notBothLetters'
/** A relation that cannot be right. */
export type RelationFault = 'itself' | 'twice'

interface Related {
  readonly id: string
  readonly family: KindFamily | null
  readonly categoryName: string
}

const LETTERS = /\b(alphabets?|letters?|numbers?)\b/i

/** The meaning of each relation. A relation that contradicts its meaning becomes a question with the reason. */
const DOUBTS: Readonly<Record<Relation['kind'], (from: Related, to: Related) => RelationDoubt | null>> = {
  dieForStamp: (from, to) => {
    if (from.family !== null && from.family !== 'die') return 'fromNoDie'
    return to.family !== null && to.family !== 'stamp' ? 'toNoStamp' : null
  },
  sameLettersOtherStyle: (from, to) =>
    [from, to].every(each => each.categoryName === '' || LETTERS.test(each.categoryName)) ? null : 'notBothLetters',
  layersWith: () => null,
  sameCollection: () => null,
  sameMechanism: () => null,
  sameNumberedSeries: () => null,
}

export function doubtAbout(kind: Relation['kind'], from: Related, to: Related): RelationDoubt | null {
  return DOUBTS[kind](from, to)
}

/** A set never goes with itself, and two sets have one relation of a kind, whichever was named first. */
export function faultOf(wanted: Omit<Relation, 'id'>, existing: readonly Relation[]): RelationFault | null {
  if (wanted.fromId === wanted.toId) return 'itself'
  const isSame = (relation: Relation): boolean =>
    relation.kind === wanted.kind &&
    ((relation.fromId === wanted.fromId && relation.toId === wanted.toId) ||
      (relation.fromId === wanted.toId && relation.toId === wanted.fromId))
  return existing.some(isSame) ? 'twice' : null
}
