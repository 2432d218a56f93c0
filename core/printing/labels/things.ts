import type { Labelled, LabelTemplateId } from '#core/catalog'

/** A set as a label names it. */
export interface LabelledSet {
  readonly id: string
  /** The number and what stands behind it. */
  readonly figure: string
  readonly suffix: string
  readonly name: string
  readonly brand: { readonly name: string; readonly abbreviation: string | null } | null
}

/** One thing that carries a label: a set, a pocket that several share, a cell, a container or a divider tab. */
export interface LabelThing {
  /** As `Label.of`. */
  readonly of: string
  readonly kind: Labelled
  readonly template: LabelTemplateId
  /** The set, or the sets that share it; none for a place. */
  readonly sets: readonly LabelledSet[]
  /** Of a place: its address or name, and what it is called besides. */
  readonly title: string
  readonly detail: string
  /** Where it goes, in the order in which one walks: the container, and how far in it. Infinity: nowhere yet. */
  readonly rank: number
  readonly position: number
}

/** Words that a label itself needs. */
export interface LabelWords {
  readonly sets: (count: number) => string
}

/**
 * Filing order of the places they go to, so that a strip is stuck along the row; what has no place yet comes last, by number.
 * O(n log n).
 */
export function inFilingOrder(things: readonly LabelThing[]): readonly LabelThing[] {
  const numberOf = ({ sets }: LabelThing): number => Number(sets[0]?.figure.replace(/\D/g, '') ?? 0)
  // Nowhere is as far as nowhere: infinities have no difference.
  const by = (a: number, b: number): number => {
    if (a === b) return 0
    return a < b ? -1 : 1
  }
  return [...things].sort(
    (a, b) => by(a.rank, b.rank) || by(a.position, b.position) || by(numberOf(a), numberOf(b)) || (a.of < b.of ? -1 : 1),
  )
}
